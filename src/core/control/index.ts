export * from './blank';
export * from './display';
export * from './facts';
export * from './level';
export * from './profile';
export * from './program';
export * from './shipped';
export * from './units';
