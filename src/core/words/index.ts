export * from './proof';
export * from './standing';
export * from './card';
export * from './terms';
export * from './exception';
