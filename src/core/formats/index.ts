export * from './jobFile';
export * from './problem';
export * from './requests';
export * from './weekTable';
