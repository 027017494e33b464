export * from './rehearsed';
export * from './world';
