export { beginComputing, Busy, compute, Late, stopComputing, type TaskInput, type TaskName } from './pool';
