export * from './asking';
export * from './chain';
