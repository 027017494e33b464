export * from './fieldWords';
export * from './problem';
export * from './text';
export * from './without';
