import { MINUTE_MS } from './spans';
import { Temporal } from 'temporal-polyfill';
import type { WallMinute } from './wallClock';

/** A change of a zone's offset from UTC. */
export interface Transition {
	/** The instant, in ms since the epoch. */
	readonly atMs: number;
	/** Minutes ahead of UTC before and after. */
	readonly beforeMinutes: number;
	readonly afterMinutes: number;
}

interface Year {
	readonly startOffset: number;
	readonly transitions: readonly Transition[];
}

const zonesRead = new Map<string, Map<number, Year>>();

const yearStarts = new Map<number, number>();

/** The instant (UTC) at which a year begins. */
function yearStart(year: number): number {
	let start = yearStarts.get(year);
	if (start === undefined) {
		start = Temporal.ZonedDateTime.from({ year, month: 1, day: 1, timeZone: 'UTC' }).epochMilliseconds;
		yearStarts.set(year, start);
	}
	return start;
}

function yearOf(ms: number): number {
	// a mean year brings it within one of the right one
	let year = 1970 + Math.floor(ms / 31_556_952_000);
	while (yearStart(year) > ms) year--;
	while (yearStart(year + 1) <= ms) year++;
	return year;
}

/** A zone's year (UTC), read from the tz database once and kept. */
function loadYear(timeZone: string, year: number): Year {
	let years = zonesRead.get(timeZone);
	if (!years) zonesRead.set(timeZone, (years = new Map()));
	const known = years.get(year);
	if (known) return known;
	const startMs = yearStart(year);
	const endMs = yearStart(year + 1);
	const offsetOf = (at: Temporal.ZonedDateTime) => at.offsetNanoseconds / 6e10;
	let at = Temporal.Instant.fromEpochMilliseconds(startMs).toZonedDateTimeISO(timeZone);
	const startOffset = offsetOf(at);
	const transitions: Transition[] = [];
	let before = startOffset;
	for (;;) {
		const next = at.getTimeZoneTransition('next');
		if (!next || next.epochMilliseconds >= endMs) break;
		const after = offsetOf(next);
		if (after !== before)
			transitions.push({ atMs: next.epochMilliseconds, beforeMinutes: before, afterMinutes: after });
		before = after;
		at = next;
	}
	const made = { startOffset, transitions };
	years.set(year, made);
	return made;
}

/** The changes of a zone's offset with fromMs ≤ instant < toMs, in order, from the run-time's tz database. */
export function transitionsBetween(timeZone: string, fromMs: number, toMs: number): Transition[] {
	const found: Transition[] = [];
	for (let year = yearOf(fromMs); year <= yearOf(toMs); year++)
		for (const change of loadYear(timeZone, year).transitions)
			if (change.atMs >= fromMs && change.atMs < toMs) found.push(change);
	return found;
}

/** Minutes ahead of UTC at an instant. */
export function offsetAt(timeZone: string, ms: number): number {
	const { startOffset, transitions } = loadYear(timeZone, yearOf(ms));
	let offset = startOffset;
	for (const change of transitions) if (change.atMs <= ms) offset = change.afterMinutes;
	return offset;
}

/** What a right clock shows at an instant, in wall minutes (whole: seconds are dropped). */
export function wallAt(timeZone: string, ms: number): WallMinute {
	return Math.floor(ms / MINUTE_MS + offsetAt(timeZone, ms));
}

/**
 * The instant at which a right clock shows these wall minutes: the earlier of two where the hour is
 * repeated; where it is skipped, as long after the jump as the time lies after its beginning (the
 * "compatible" rule of RFC 5545 and Temporal).
 */
export function instantOf(timeZone: string, wall: WallMinute): number {
	const asUtc = wall * MINUTE_MS;
	const day = 86_400_000;
	const before = offsetAt(timeZone, asUtc - day);
	const after = offsetAt(timeZone, asUtc + day);
	const found = [before, after]
		.map((offset) => asUtc - offset * MINUTE_MS)
		.filter((ms) => wallAt(timeZone, ms) === wall);
	return found.length > 0 ? Math.min(...found) : asUtc - before * MINUTE_MS;
}
