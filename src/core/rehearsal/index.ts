export * from './absenceKeyed';
export * from './byHand';
export * from './face';
export * from './faults';
export * from './household';
export * from './rehearsed';
export * from './tasks';
export * from './world';
