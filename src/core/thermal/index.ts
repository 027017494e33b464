export * from './classes';
export * from './roomModel';
export * from './simulate';
export * from './periodic';
export * from './warmUp';
export * from './weather';
export * from './measure';
export * from './proof';
export * from './proofWords';
export {
	siteLoad,
	sourceOf,
	startsByDifferential,
	type HeatedZone,
	type Limit,
	type SiteLoad,
	type Source,
	type ZoneLoad
} from './siteLoad';
export * from './stagger';
export { atMostUnder, dayOfPeak, interlock, type Interlock } from './interlock';
export * from './year';
