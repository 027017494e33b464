export * from './drift';
export * from './offsets';
export * from './summerTime';
export * from './wallClock';
export * from './zoneNames';
export * from './calendarDays';
export * from './spans';
