export type { StoredSite, StoredZone } from './rows';
export * from './sites';
export { profileOf, type ZoneSummary } from './summary';
export * from './zones';
export * from './overview';
