export * from './causes';
export * from './facts';
export * from './infer';
