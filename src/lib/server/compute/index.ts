export { Busy } from './lane';
export { askedBy, beginComputing, compute, Late, stopComputing, type TaskInput, type TaskName } from './pool';
