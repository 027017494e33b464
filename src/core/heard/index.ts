export * from './danger';
export * from './hear';
export * from './taken';
export * from './times';
export * from './week';
