export * from './classes';
export * from './roomModel';
export * from './simulate';
export * from './warmUp';
export * from './weather';
export * from './measure';
export * from './proof';
export * from './proofWords';
