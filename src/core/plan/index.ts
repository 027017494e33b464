export * from './site';
export * from './zone';
