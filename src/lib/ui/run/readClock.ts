import { clockAhead, wallAt } from '$core/civil';
import { quoted, timeOfDay } from '$core/formats';
import type { ClockReading } from '$core/plan';

/** A reading of a control's clock as it was typed. */
export interface TypedReading {
	/** What it shows, as people write a time. */
	readonly shows: string;
	/** The weekday it shows (0 = Monday); null where it was not looked at or is right. */
	readonly day: number | null;
	readonly set: boolean;
}

/** The reading of a typed time against the right one, or a sentence about what cannot be read. */
export function readClock(typed: TypedReading, timeZone: string, nowMs: number): ClockReading | string {
	const shown = timeOfDay(typed.shows);
	if (shown === null) return `${quoted(typed.shows)} is unclear. Write 06:30 or 6:30 pm.`;
	const ahead = clockAhead(typed.day, shown, wallAt(timeZone, nowMs));
	return {
		at: new Date(nowMs).toISOString(),
		errorSeconds: ahead.minutes * 60,
		daysAhead: ahead.days > 3 ? ahead.days - 7 : ahead.days,
		set: typed.set,
		lost: false
	};
}
