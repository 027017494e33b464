export * from './danger';
export * from './hear';
export * from './times';
