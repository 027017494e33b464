export * from './cause';
export * from './causes';
export { slipOf } from './makers/slips';
export { SLOT_MINUTES, SLOTS, warmthOf } from './worlds';
export * from './facts';
export * from './infer';
export * from './log';
export * from './call';
export * from './weigh';
