export * from './room';
export * from './run';
export * from './answers';
export * from './compute';
export { openApi } from './openApi';
export * from './pdf';
