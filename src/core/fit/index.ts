export { defaultWeights, type Weights } from './cost';
export * from './fit';
export * from './misfit';
export * from './fitZone';
