export * from './controls';
export * from './uses';
