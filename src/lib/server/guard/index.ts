export * from './passphrases';
export * from './roles';
export * from './rules';
export * from './sessions';
export * from './tries';
export * from './devices';
export * from './strangers';
