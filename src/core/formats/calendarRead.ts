import ICAL from 'ical.js';
import { dateOfDay, dayNumber, instantOf, localTime, wallAt, wallMinute } from '../civil';
import type { Booking } from '../plan';
import { DAY_MINUTES } from '../week';
import { quoted, type Read } from '../schema';
import { brokenLine, lineOf } from './calendarLines';
import { dateOf, isCancelled, nameOf, seriesOf, uidOf, type LeftOut } from './calendarSeries';
import { UTC, wallOf, zonesOfCalendar } from './calendarZones';
import {
	endOfRule,
	occurrences,
	OutOfBudget,
	readRule,
	type Budget,
	type RecurrenceRule
} from './recurrence';

/** The largest calendar read, in characters: above 20 000 events. */
export const LARGEST_CALENDAR = 16_000_000;

/** The most occurrences taken from a calendar. */
const MOST_OCCURRENCES = 20_000;

/** How much of a whole file's recurrences is looked at: days and occurrences, a few seconds' worth. */
const MOST_LOOKED_AT = 8_000_000;

/** A whole day in a calendar: a public holiday, a closed day. */
export interface CalendarDay {
	readonly name: string;
	readonly date: string;
}

/** What a calendar holds between two dates, in local time at the site. */
export interface CalendarContent {
	readonly bookings: readonly Booking[];
	readonly days: readonly CalendarDay[];
	/** What was taken in a way that a person should know, in sentences. */
	readonly notes: readonly string[];
	/** What was left out, and why; of very many the first. */
	readonly leftOut: readonly LeftOut[];
}

/** How many of what was left out are listed one by one. */
const MOST_LEFT_OUT = 200;

const refused = (sentence: string): Read<never> => ({ ok: false, problem: { path: '', sentence } });

class Refused extends Error {}

/** The rules of events under names of their own, so that they come as they are written: one that cannot be read is no reason to refuse the file. */
const rulesAside = (text: string) =>
	text.replace(/^BEGIN:VEVENT[\s\S]*?^END:VEVENT/gim, (event) =>
		event.replace(/^(RRULE|EXRULE)(?=[;:])/gim, 'X-AS-WRITTEN-$1')
	);
const rulesOf = (event: ICAL.Component, name: 'rrule' | 'exrule') =>
	event.getAllProperties(`x-as-written-${name}`).map((property) => String(property.getFirstValue()));

/**
 * What a calendar (RFC 5545) holds from one local date to another (not included), in local time at the site.
 * Recurrences are expanded, also endless ones, with their exclusions, additions and changed occurrences. Times
 * without a zone are taken as local at the site, and that is said. What cannot be taken, an event marked as free, one without an end, one whose rule has parts that are not known, is listed with why; a zone that is neither known nor described is told. Refused with the line: broken folding, an end
 * without its beginning, a file that is no calendar or too large.
 * Nothing is taken of a file that is refused. Recurrences have one budget for the whole file, so that no file keeps anybody waiting for
 * long; `onshare` hears how much of it is read.
 */
export function readCalendar(
	text: string,
	siteZone: string,
	fromDate: string,
	toDate: string,
	onshare: (share: number) => void = () => {}
): Read<CalendarContent> {
	if (text.length > LARGEST_CALENDAR)
		return refused(`The calendar is too large: at most ${LARGEST_CALENDAR / 1e6} MB are read.`);
	// old programs end lines in their own way
	const plain = text.replace(/^\uFEFF/, '').replace(/\r\n?|\n/g, '\r\n');
	if (!/^\s*BEGIN:VCALENDAR/i.test(plain))
		return refused('Line 1: a calendar file begins with BEGIN:VCALENDAR.');
	const broken = brokenLine(plain);
	if (broken) return refused(`Line ${broken.line} ${broken.words}.`);
	let roots: ICAL.Component[];
	try {
		const parsed: unknown = ICAL.parse(rulesAside(plain.replace(/^\s*$/gm, '').trim()));
		const every = Array.isArray((parsed as unknown[])[0]) ? (parsed as unknown[]) : [parsed];
		roots = every.map((one) => new ICAL.Component(one as string));
	} catch (error) {
		return refused(
			`The calendar cannot be read: ${error instanceof Error && error.name === 'ParserError' ? error.message : 'it is broken'}.`
		);
	}
	try {
		return { ok: true, value: contentOf(roots, plain, siteZone, fromDate, toDate, onshare) };
	} catch (error) {
		if (error instanceof Refused) return refused(error.message);
		if (error instanceof OutOfBudget)
			return refused('Its events recur more often, or are more, than can be read: take a part of it.');
		return refused('The calendar cannot be read: a date, a time or a length in it makes no sense.');
	}
}

function contentOf(
	roots: readonly ICAL.Component[],
	text: string,
	siteZone: string,
	fromDate: string,
	toDate: string,
	onshare: (share: number) => void
): CalendarContent {
	const budget: Budget = { left: MOST_LOOKED_AT };
	const all = (name: string) => roots.flatMap((root) => root.getAllSubcomponents(name));
	const from = instantOf(siteZone, wallMinute(`${fromDate}T00:00`));
	const to = instantOf(siteZone, wallMinute(`${toDate}T00:00`));
	let floating = 0;
	const leftOut: LeftOut[] = [];

	const [fromDay, toDay] = [dayNumber(fromDate), dayNumber(toDate)];
	/** Zones that are not known, each with what is in it. */
	const strange = new Map<string, Set<string>>();
	const zoneOf = zonesOfCalendar(all('vtimezone'), siteZone, (tzid) => strange.set(tzid, new Set()));
	const place = (property: ICAL.Property, time: ICAL.Time) =>
		time.isDate ? Math.floor(wallOf(time) / DAY_MINUTES) : zoneOf(property, time).instant(wallOf(time));

	/** As what a series goes on from an occurrence on: how far after that one, by the series' own clock, how long (ms, or days), and its name. */
	const goneOnAs = (
		{ at, event }: { at: number; event: ICAL.Component },
		wallOfPlace: (at: number) => number
	) => {
		const property = event.getFirstProperty('dtstart');
		const start = property?.getFirstValue() as ICAL.Time | undefined;
		const begin = property && start ? place(property, start) : at;
		const end = event.getFirstProperty('dtend');
		const length = event.getFirstPropertyValue('duration') as ICAL.Duration | null;
		const lasts = end
			? place(end, end.getFirstValue() as ICAL.Time) - begin
			: length
				? length.toSeconds() * (start?.isDate ? 1 / 86_400 : 1000)
				: start?.isDate
					? 1
					: 0;
		return { at, event, shift: wallOfPlace(begin) - wallOfPlace(at), length: lasts, name: nameOf(event) };
	};

	const bookings: Booking[] = [];
	const days: CalendarDay[] = [];
	const take = (name: string, start: number, end: number, allDay: boolean) => {
		if (bookings.length + days.length >= MOST_OCCURRENCES)
			throw new Refused(
				`The calendar holds more than ${MOST_OCCURRENCES} occurrences between ${fromDate} and ${toDate}: take a shorter time.`
			);
		if (allDay) {
			// a day that ends when it begins is that day: so some programs write one
			end = Math.max(end, start + 1);
			// of a long one only what lies in the time asked for
			for (let day = Math.max(start, fromDay); day < Math.min(end, toDay); day++)
				days.push({ name, date: dateOfDay(day) });
			return;
		}
		if (end <= start) {
			if (start >= from && start < to)
				leaveOut(name, localTime(wallAt(siteZone, start)).slice(0, 10), 'it has no end');
		} else if (start < to && end > from)
			bookings.push({
				name,
				from: localTime(wallAt(siteZone, Math.max(start, from))),
				to: localTime(wallAt(siteZone, Math.min(end, to)))
			});
	};

	const leaveOut = (name: string, date: string, why: string) => void leftOut.push({ name, date, why });
	const { events, changed, onward } = seriesOf(all('vevent'), place, (event) =>
		leaveOut(nameOf(event), dateOf(event), 'a later version of it is in the file')
	);

	for (const [index, event] of events.entries()) {
		if (index % 50 === 0) onshare(index / events.length);
		const startProperty = event.getFirstProperty('dtstart');
		const uid = uidOf(event);
		if (!startProperty) {
			const line = uid ? lineOf(text, uid) : null;
			throw new Refused(`${line ? `The event at line ${line}` : 'An event'} has no beginning (DTSTART).`);
		}
		if (isCancelled(event)) {
			// of the past nobody wants to hear
			if (dateOf(event) >= fromDate) leaveOut(nameOf(event), dateOf(event), 'it is cancelled');
			continue;
		}
		const name = nameOf(event);
		const start = startProperty.getFirstValue() as ICAL.Time;
		const allDay = start.isDate;
		const zone = zoneOf(startProperty, start);
		strange.get(String(startProperty.getFirstParameter('tzid') ?? ''))?.add(name);
		if (String(event.getFirstPropertyValue('transp') ?? '').toUpperCase() === 'TRANSPARENT' && !allDay) {
			leaveOut(name, dateOf(event), 'it is marked as free: it keeps nothing busy');
			continue;
		}
		if (zone.floating && !allDay) floating++;
		const first = wallOf(start);
		const endProperty = event.getFirstProperty('dtend');
		const length = event.getFirstPropertyValue('duration') as ICAL.Duration | null;
		/** The end of an occurrence that begins at a wall minute of its zone: nominal for days, exact for times. */
		const endOf = (wall: number): number => {
			if (allDay) {
				const begin = wall / DAY_MINUTES;
				if (endProperty)
					return begin + (wallOf(endProperty.getFirstValue() as ICAL.Time) - first) / DAY_MINUTES;
				return begin + (length ? Math.max(1, Math.round(length.toSeconds() / 86_400)) : 1);
			}
			const begin = zone.instant(wall);
			if (endProperty) {
				const end = endProperty.getFirstValue() as ICAL.Time;
				return begin + zoneOf(endProperty, end).instant(wallOf(end)) - zone.instant(first);
			}
			return begin + (length ? length.toSeconds() * 1000 : 0);
		};
		const beginOf = (wall: number) => (allDay ? wall / DAY_MINUTES : zone.instant(wall));
		/** Occurrences that are left out: by their instant (or day), or by the local date that a day names for an event with times, or a time for one of whole days. */
		const excluded = new Set<number>();
		const excludedDays = new Set<number>();
		for (const property of event.getAllProperties('exdate'))
			for (const value of property.getValues()) {
				const time = value as ICAL.Time;
				if (time.isDate === allDay) excluded.add(place(property, time));
				else if (allDay) excluded.add(Math.floor(wallOf(time) / DAY_MINUTES));
				else excludedDays.add(Math.floor(wallOf(time) / DAY_MINUTES));
			}
		const isChange = event.getFirstProperty('recurrence-id') !== null;
		if (!isChange) for (const at of changed.get(uid) ?? []) excluded.add(at);
		const wallOfPlace = (at: number) => (allDay ? at * DAY_MINUTES : zone.wall(at));
		const others = isChange ? [] : (onward.get(uid) ?? []).map((one) => goneOnAs(one, wallOfPlace));
		const occur = (wall: number, end = endOf(wall)) => {
			const begin = beginOf(wall);
			if (excluded.has(begin) || excludedDays.has(Math.floor(wall / DAY_MINUTES))) return;
			const other = others.findLast((one) => one.at <= begin);
			if (!other) return take(name, begin, end, allDay);
			const moved = beginOf(wall + other.shift);
			if (!isCancelled(other.event)) take(other.name, moved, moved + other.length, allDay);
		};
		const seen = new Set<number>();
		const once = (wall: number, end?: number) => {
			if (seen.has(wall)) return;
			seen.add(wall);
			occur(wall, end);
		};
		const rules = rulesOf(event, 'rrule');
		const against = rulesOf(event, 'exrule');
		const wrong = [...rules, ...against].flatMap((text) => {
			const rule = readRule(text);
			return 'wrong' in rule ? [rule.wrong] : [];
		});
		if (wrong.length > 0) {
			leaveOut(name, dateOf(event), wrong[0]!);
			continue;
		}
		if (rules.length === 0) once(first);
		/** The longest that an occurrence reaches back: what begins before the time asked for may still reach into it. */
		const reach = allDay
			? (endOf(first) - first / DAY_MINUTES) * DAY_MINUTES
			: Math.ceil((endOf(first) - beginOf(first)) / 60_000);
		// what it goes on as may lie later, or earlier
		const shifts = others.map(
			(one) => one.shift + Math.ceil(one.length / (allDay ? 1 / DAY_MINUTES : 60_000))
		);
		const slack = 2 * DAY_MINUTES;
		const [later, earlier] = [Math.max(0, ...shifts), Math.max(0, ...others.map((one) => -one.shift))];
		const low = fromDay * DAY_MINUTES - Math.max(reach, later) - slack;
		const high = toDay * DAY_MINUTES + earlier + slack;
		const walls = (text: string) => {
			const until = endOfRule(text);
			// an end given in UTC is brought to the event's own wall clock, on which the series runs
			const last = !until
				? Infinity
				: until.utc && !allDay
					? zone.wall(UTC.instant(until.wall))
					: until.wall + (until.day ? DAY_MINUTES - 1 : 0);
			return occurrences(readRule(text) as RecurrenceRule, first, last, low, high, budget);
		};
		// what an old rule (EXRULE, RFC 2445) leaves out
		for (const text of against) for (const wall of walls(text)) excluded.add(beginOf(wall));
		for (const text of rules) for (const wall of walls(text)) once(wall);
		for (const property of event.getAllProperties('rdate'))
			for (const value of property.getValues())
				if (value instanceof ICAL.Time)
					once(value.isDate ? wallOf(value) : zone.wall(zoneOf(property, value).instant(wallOf(value))));
				else if (value instanceof ICAL.Period) {
					const begin = zoneOf(property, value.start).instant(wallOf(value.start));
					const end = value.end
						? zoneOf(property, value.end).instant(wallOf(value.end))
						: begin + (value.duration?.toSeconds() ?? 0) * 1000;
					once(zone.wall(begin), end);
				}
	}

	const notes: string[] = [];
	if (floating > 0)
		notes.push(
			`${floating === 1 ? 'One event has' : `${floating} events have`} no time zone: taken as local time here.`
		);
	for (const [tzid, names] of strange)
		if (names.size > 0)
			notes.push(
				`The time zone ${quoted(tzid)} is neither known nor described in the file: what is in it (${[...names].slice(0, 5).join(', ')}${names.size > 5 ? ' …' : ''}) is taken as local time here.`
			);
	const byTime =
		<T>(key: (one: T) => string) =>
		(a: T, b: T) =>
			key(a) < key(b) ? -1 : key(a) > key(b) ? 1 : 0;
	return {
		bookings: bookings.sort(byTime((one) => one.from)),
		days: days.sort(byTime((one) => one.date)),
		notes,
		leftOut: leftOut.slice(0, MOST_LEFT_OUT)
	};
}
