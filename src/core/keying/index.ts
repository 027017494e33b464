export * from './card';
export { settingItems, type CardItem } from './cardItems';
export * from './customerWords';
export * from './displayed';
export * from './pace';
export * from './price';
export { routeMinutes, startingPace, type Pace } from './route';
export * from './readBack';
export * from './zoneCard';
