export * from './hear';
export * from './times';
