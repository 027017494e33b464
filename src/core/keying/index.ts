export * from './card';
export type { CardItem } from './cardItems';
export * from './customerWords';
export { routeMinutes, startingPace, type Pace } from './route';
export * from './readBack';
