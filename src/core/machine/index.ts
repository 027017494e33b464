export * from './display';
export * from './fields';
export * from './machine';
export * from './memory';
