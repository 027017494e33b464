export * from './visit';
export * from './due';
export * from './firm';
export * from './putBack';
export * from './round';
