export * from './lead';
export * from './roomUse';
export * from './routine';
export * from './site';
export * from './takeWeek';
export * from './zone';
