export * from './card';
export * from './customerWords';
