export * from './fieldWords';
export * from './memo';
export * from './problem';
export * from './stamp';
export * from './text';
export * from './without';
