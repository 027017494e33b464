import { allowedOptions, type ControlProfile, type Program } from '../control';
import { startsEarlyIn, type Exception, type Zone } from '../plan';
import { clockFromReadings, type ControlClock } from './controlClock';
import { prepareRun, type Prepared } from './layers';

/** Where and when a zone runs, and what is only tried on it. */
export interface RunPlace {
	readonly timeZone: string;
	readonly nowMs: number;
	/** Exceptions that are tried beside the zone's own. */
	readonly tried?: readonly Exception[];
	/** Its clock; without one, as its readings tell. */
	readonly clock?: ControlClock;
}

/** A zone made ready to run its program at a place: its settings, its exceptions, its clock as it was last found. */
export function runOfZone(zone: Zone, profile: ControlProfile, program: Program, place: RunPlace): Prepared {
	const { timeZone, nowMs, tried = [] } = place;
	return prepareRun({
		profile,
		options: allowedOptions(profile, zone.options),
		levels: zone.levels,
		program,
		settings: zone.settings,
		startsEarly: startsEarlyIn(zone, profile),
		exceptions: tried.length === 0 ? zone.exceptions : [...zone.exceptions, ...tried],
		timeZone,
		clock: place.clock ?? clockFromReadings(profile, zone.clockReadings, timeZone, nowMs)
	});
}
