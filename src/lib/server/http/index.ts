export * from './answers';
export { openApi } from './openApi';
export { operationAt, operationsAt, operations } from './operations';
export { serve } from './serve';
export { troubleSentence } from './trouble';
