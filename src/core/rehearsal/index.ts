export * from './rehearsed';
