export * from './display';
export * from './entries';
export * from './fields';
export * from './machine';
export * from './memory';
