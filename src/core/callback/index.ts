export * from './causes';
export * from './facts';
export * from './infer';
export * from './log';
export * from './call';
export * from './understand';
