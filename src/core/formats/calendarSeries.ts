import ICAL from 'ical.js';
import { dateOfDay } from '../civil';
import { DAY_MINUTES } from '../week';
import { wallOf } from './calendarZones';

/** An event that was not taken. `date` is that of its beginning where it is written. */
export interface LeftOut {
	readonly name: string;
	readonly date: string;
	readonly why: string;
}

export const uidOf = (event: ICAL.Component) => String(event.getFirstPropertyValue('uid') ?? '');
export const nameOf = (event: ICAL.Component) =>
	String(event.getFirstPropertyValue('summary') ?? '')
		.replace(/\s+/g, ' ')
		.trim()
		.slice(0, 120) || 'Booking';
export const dateOf = (event: ICAL.Component) => {
	const start = event.getFirstPropertyValue('dtstart');
	return start instanceof ICAL.Time ? dateOfDay(Math.floor(wallOf(start) / DAY_MINUTES)) : '';
};
export const isCancelled = (event: ICAL.Component) =>
	String(event.getFirstPropertyValue('status') ?? '').toUpperCase() === 'CANCELLED';

/** Which version of an event this is: later ones are greater. */
function versionOf(event: ICAL.Component): string {
	const sequence = Number(event.getFirstPropertyValue('sequence') ?? 0);
	const stamp = String(
		event.getFirstPropertyValue('last-modified') ?? event.getFirstPropertyValue('dtstamp') ?? ''
	);
	return `${String(Number.isFinite(sequence) ? sequence : 0).padStart(9, '0')} ${stamp}`;
}

/** Of events that stand there several times the version that is written last (RFC 5545 §3.8.7.4), in their order; `older` hears of the others. */
function latestVersions(
	events: readonly ICAL.Component[],
	older: (event: ICAL.Component) => void
): ICAL.Component[] {
	const latest = new Map<string, ICAL.Component>();
	for (const [i, event] of events.entries()) {
		const uid = uidOf(event);
		const which = String(event.getFirstPropertyValue('recurrence-id') ?? '');
		const key = uid === '' ? `no uid ${i}` : `${uid} ${which}`;
		const had = latest.get(key);
		const newer = !had || versionOf(event) >= versionOf(had) ? event : had;
		if (had) older(newer === event ? had : event);
		latest.set(key, newer);
	}
	return [...latest.values()];
}

/** The place of an occurrence: its instant, or (whole days) its day. */
type Place = (property: ICAL.Property, time: ICAL.Time) => number;

/** The events of a file, each once, and what its series have that is changed. */
export interface CalendarSeries {
	/** What is read by itself: series, single events, and changed occurrences; not what a series goes on as. */
	readonly events: readonly ICAL.Component[];
	/** By UID the places at which a series has another occurrence of its own. */
	readonly changed: ReadonlyMap<string, ReadonlySet<number>>;
	/** By UID as what a series goes on from a place on (RANGE=THISANDFUTURE), in order. */
	readonly onward: ReadonlyMap<string, readonly { readonly at: number; readonly event: ICAL.Component }[]>;
}

/** Sorts the events of a file by what they are to each other. */
export function seriesOf(
	every: readonly ICAL.Component[],
	place: Place,
	older: (event: ICAL.Component) => void
): CalendarSeries {
	const events = latestVersions(every, older);
	const isChange = (event: ICAL.Component) => event.getFirstProperty('recurrence-id') !== null;
	const series = new Set(events.filter((event) => !isChange(event)).map(uidOf));
	const changed = new Map<string, Set<number>>();
	const onward = new Map<string, { readonly at: number; readonly event: ICAL.Component }[]>();
	const laidOver = new Set<ICAL.Component>();
	for (const event of events.filter(isChange)) {
		const property = event.getFirstProperty('recurrence-id')!;
		const uid = uidOf(event);
		const at = place(property, property.getFirstValue() as ICAL.Time);
		const goesOn = String(property.getFirstParameter('range') ?? '').toUpperCase() === 'THISANDFUTURE';
		if (goesOn && series.has(uid)) {
			laidOver.add(event);
			onward.set(
				uid,
				[...(onward.get(uid) ?? []), { at, event }].sort((a, b) => a.at - b.at)
			);
		} else changed.set(uid, (changed.get(uid) ?? new Set<number>()).add(at));
	}
	return { events: events.filter((event) => !laidOver.has(event)), changed, onward };
}
