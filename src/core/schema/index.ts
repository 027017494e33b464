export * from './fieldWords';
export * from './problem';
