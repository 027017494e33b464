export * from './visit';
export * from './changes';
export * from './due';
export * from './printedWeek';
export * from './customerPage';
export * from './firm';
export * from './round';
