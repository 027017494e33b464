export * from './lead';
export * from './site';
export * from './zone';
