export * from './profileSense';
export * from './commissioning';
export * from './zoneSettings';
export * from './functionalTest';
