export * from './passphrases';
export * from './rules';
export * from './sessions';
export * from './tries';
