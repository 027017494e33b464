export * from './classes';
export * from './cooling';
export * from './roomModel';
export * from './simulate';
export * from './periodic';
export * from './warmUp';
export * from './weather';
export { LOG_STEP_MINUTES, type EvenLog } from './loggedRoom';
export * from './measure';
export {
	gatedBy,
	LONGEST_LEAD,
	nightsOf,
	risesOf,
	setpointForRun,
	type Permission,
	type RiseLead
} from './leads';
export * from './proof';
export {
	dayOfPeak,
	peakOfDay,
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
export { atMostUnder, interlock, type Interlock } from './interlock';
export * from './year';
export * from './cost';
