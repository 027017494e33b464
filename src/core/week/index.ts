export * from './weekMinute';
export * from './weekSteps';
export * from './dayShape';
