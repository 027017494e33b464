export * from './rehearsed';
export * from './world';
export * from './faults';
export * from './household';
