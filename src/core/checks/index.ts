export * from './profileSense';
