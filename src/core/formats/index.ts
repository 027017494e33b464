export * from './calendarRead';
export * from './calendarWrite';
export * from './controlFile';
export * from './jobFile';
export * from './problem';
export * from './requests';
export * from './routineText';
export * from './weekTable';
