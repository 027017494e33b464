import ICAL from 'ical.js';
import { findIana } from 'windows-iana';
import {
	dateOfDay,
	dayNumber,
	daysFromDate,
	daysInMonth,
	instantOf,
	isTimeZone,
	localTime,
	wallAt,
	wallMinute
} from '../civil';
import type { Booking } from '../plan';
import { DAY_MINUTES } from '../week';
import { quoted, type Read } from '../schema';
import { occurrences, OutOfBudget, readRule, type Budget } from './recurrence';

/** The largest calendar read, in characters: above 20 000 events. */
export const LARGEST_CALENDAR = 16_000_000;

/** The most occurrences taken from a calendar. */
const MOST_OCCURRENCES = 20_000;

/** How much of a whole file's recurrences is looked at: days and occurrences, a few seconds' worth. */
const MOST_LOOKED_AT = 8_000_000;

/** Years whose clock changes are counted; before and after, a zone keeps the offset that it has at the edge. */
const [FIRST_YEAR, LAST_YEAR] = [1970, 2100];
const yearWall = (year: number) => daysFromDate({ year, month: 1, day: 1 }) * DAY_MINUTES;
const [EARLIEST, LATEST] = [yearWall(FIRST_YEAR) + 2 * DAY_MINUTES, yearWall(LAST_YEAR)];

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

/** An event that was not taken. `date` is that of its beginning where it is written. */
export interface LeftOut {
	readonly name: string;
	readonly date: string;
	readonly why: string;
}
/** How many of what was left out are listed one by one. */
const MOST_LEFT_OUT = 200;

const refused = (sentence: string): Read<never> => ({ ok: false, problem: { path: '', sentence } });

/** Whether the day that a written date begins with is in the calendar. */
function isDay(written: string): boolean {
	const [year, month, day] = [written.slice(0, 4), written.slice(4, 6), written.slice(6, 8)].map(Number);
	return month! >= 1 && month! <= 12 && day! >= 1 && day! <= daysInMonth(year!, month!);
}

/** Begins and ends that do not match, and lines that neither continue nor name anything: the first, by its line. */
function brokenLine(text: string): { line: number; words: string } | null {
	const open: string[] = [];
	const lines = text.split(/\r\n|\n|\r/);
	for (const [i, raw] of lines.entries()) {
		const line = i + 1;
		if (raw === '' || /^[ \t]/.test(raw)) {
			if (i === 0 && raw !== '') return { line, words: 'continues a line, but there is none before it' };
			continue;
		}
		const name = /^([A-Za-z0-9-]+)(?:;(?:[^:"]|"[^"]*")*)?:/.exec(raw);
		if (!name)
			return {
				line,
				words: 'neither continues the line before it nor names anything: was it folded without a space?'
			};
		const property = name[1]!.toUpperCase();
		const value = raw
			.slice(raw.indexOf(':') + 1)
			.trim()
			.toUpperCase();
		if (/^(DTSTART|DTEND|RECURRENCE-ID|EXDATE|RDATE)$/.test(property)) {
			const lost = value.split(/[,/]/).find((one) => /^\d{8}/.test(one) && !isDay(one));
			if (lost) return { line, words: `names a day that does not exist: ${lost.slice(0, 8)}` };
		}
		if (property === 'BEGIN') open.push(value);
		if (property === 'END') {
			const last = open.pop();
			if (last !== value)
				return {
					line,
					words: last ? `ends ${value}, but ${last} is open` : `ends ${value}, which was never begun`
				};
		}
	}
	return open.length > 0
		? { line: lines.length, words: `is the last, and ${open.at(-1)} was never ended: the file is cut short` }
		: null;
}

/** The line on which an event with this UID stands; null where it cannot be told. */
function lineOf(text: string, needle: string): number | null {
	const at = text.indexOf(needle);
	return at < 0 ? null : text.slice(0, at).split(/\r\n|\n|\r/).length;
}

const wallOf = ({ year, month, day, hour, minute }: ICAL.Time): number =>
	daysFromDate({ year, month, day }) * DAY_MINUTES + hour * 60 + minute;

/** How a written time becomes an instant: by UTC, by a zone's name, by the file's own description, or as it stands at the site. */
type Zone = {
	readonly instant: (wall: number) => number;
	readonly wall: (ms: number) => number;
	readonly floating: boolean;
};

class Refused extends Error {}

const isCancelled = (event: ICAL.Component) =>
	String(event.getFirstPropertyValue('status') ?? '').toUpperCase() === 'CANCELLED';

/** Which version of an event this is: later ones are greater. */
function versionOf(event: ICAL.Component): string {
	const sequence = Number(event.getFirstPropertyValue('sequence') ?? 0);
	const stamp = String(
		event.getFirstPropertyValue('last-modified') ?? event.getFirstPropertyValue('dtstamp') ?? ''
	);
	return `${String(Number.isFinite(sequence) ? sequence : 0).padStart(9, '0')} ${stamp}`;
}

/** A time zone by its name: of the tz database, of a path that ends with one, or of Windows (CLDR). Null where it is none. */
function zoneNamed(name: string): string | null {
	if (isTimeZone(name)) return name;
	const parts = name.split('/');
	const ending = [parts.slice(-2).join('/'), parts.slice(-3).join('/')].find(
		(one) => one !== name && one.includes('/') && isTimeZone(one)
	);
	if (ending) return ending;
	const [windows] = findIana(name);
	return windows && isTimeZone(windows) ? windows : null;
}

/**
 * What a calendar (RFC 5545) holds from one local date to another (not included), in local time at the site.
 * Recurrences are expanded, also endless ones, with their exclusions, additions and changed occurrences. Times
 * without a zone are taken as local at the site, and that is said. Refused with the line: broken folding, an end
 * without its beginning, a zone that is neither known nor described, a file that is no calendar or too large.
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
	const plain = text.replace(/^\uFEFF/, '');
	if (!/^\s*BEGIN:VCALENDAR/i.test(plain))
		return refused('Line 1: a calendar file begins with BEGIN:VCALENDAR.');
	const broken = brokenLine(plain);
	if (broken) return refused(`Line ${broken.line} ${broken.words}.`);
	let roots: ICAL.Component[];
	try {
		const parsed: unknown = ICAL.parse(plain.replace(/^\s*$/gm, '').trim());
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
	const described = new Map<string, ICAL.Timezone>();
	const all = (name: string) => roots.flatMap((root) => root.getAllSubcomponents(name));
	for (const component of all('vtimezone')) {
		const zone = new ICAL.Timezone(component);
		described.set(zone.tzid, zone);
	}
	const from = instantOf(siteZone, wallMinute(`${fromDate}T00:00`));
	const to = instantOf(siteZone, wallMinute(`${toDate}T00:00`));
	let floating = 0;
	const leftOut: LeftOut[] = [];

	const zones = new Map<string, Zone>();
	const named = (name: string): Zone => ({
		instant(wall) {
			const near = Math.min(LATEST, Math.max(EARLIEST, wall));
			return instantOf(name, near) + (wall - near) * 60_000;
		},
		wall(ms) {
			const near = Math.min(LATEST * 60_000, Math.max(EARLIEST * 60_000, ms));
			return wallAt(name, near) + Math.floor((ms - near) / 60_000);
		},
		floating: false
	});
	const [fromDay, toDay] = [dayNumber(fromDate), dayNumber(toDate)];
	const zoneOf = (property: ICAL.Property, time: ICAL.Time): Zone => {
		if (time.zone === ICAL.Timezone.utcTimezone) return named('UTC');
		const tzid = property.getFirstParameter('tzid') as string | undefined;
		if (!tzid) return { ...named(siteZone), floating: true };
		const known = zones.get(tzid);
		if (known) return known;
		let zone: Zone;
		const own = described.get(tzid);
		const byName = zoneNamed(tzid);
		if (byName) zone = named(byName);
		else if (own) {
			const offset = (wall: number) => {
				const time = ICAL.Time.fromDateTimeString(`${localTime(wall)}:00`);
				time.zone = own;
				return own.utcOffset(time) / 60;
			};
			zone = {
				instant: (wall) => (wall - offset(wall)) * 60_000,
				wall: (ms) => {
					const utc = Math.floor(ms / 60_000);
					return utc + offset(utc + offset(utc));
				},
				floating: false
			};
		} else {
			const line = lineOf(text, `TZID=${tzid}`) ?? lineOf(text, tzid);
			throw new Refused(
				`${line ? `Line ${line}` : 'An event'} names the time zone "${tzid.slice(0, 60)}", which is neither known nor described in the file.`
			);
		}
		zones.set(tzid, zone);
		return zone;
	};

	/** How far an event that a series goes on as lies after the occurrence it takes the place of, how long it is (ms, or days), and its name. */
	const spanOf = (event: ICAL.Component, at: number) => {
		const property = event.getFirstProperty('dtstart');
		const start = property?.getFirstValue() as ICAL.Time | undefined;
		const [begin, end] = [property && start ? place(property, start) : at, event.getFirstProperty('dtend')];
		const length = event.getFirstPropertyValue('duration') as ICAL.Duration | null;
		const lasts = end
			? place(end, end.getFirstValue() as ICAL.Time) - begin
			: length
				? length.toSeconds() * (start?.isDate ? 1 / 86_400 : 1000)
				: start?.isDate
					? 1
					: 0;
		return { shift: begin - at, length: lasts, name: nameOf(event) };
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
				leaveOut(name, localTime(wallAt(siteZone, start)).slice(0, 10), 'it has no length');
		} else if (start < to && end > from)
			bookings.push({
				name,
				from: localTime(wallAt(siteZone, Math.max(start, from))),
				to: localTime(wallAt(siteZone, Math.min(end, to)))
			});
	};

	const leaveOut = (name: string, date: string, why: string) => void leftOut.push({ name, date, why });
	const uidOf = (event: ICAL.Component) => String(event.getFirstPropertyValue('uid') ?? '');
	const nameOf = (event: ICAL.Component) =>
		String(event.getFirstPropertyValue('summary') ?? '')
			.replace(/\s+/g, ' ')
			.trim()
			.slice(0, 120) || 'Booking';
	const dateOf = (event: ICAL.Component) => {
		const start = event.getFirstPropertyValue('dtstart');
		return start instanceof ICAL.Time ? dateOfDay(Math.floor(wallOf(start) / DAY_MINUTES)) : '';
	};
	const place = (property: ICAL.Property, time: ICAL.Time) =>
		time.isDate ? Math.floor(wallOf(time) / DAY_MINUTES) : zoneOf(property, time).instant(wallOf(time));

	/** Events by what they are: of one that stands there several times, the version that is written last (RFC 5545 §3.8.7.4). */
	const latest = new Map<string, ICAL.Component>();
	let unnamed = 0;
	for (const event of all('vevent')) {
		const uid = uidOf(event);
		const changes = event.getFirstProperty('recurrence-id');
		const which = changes ? String(changes.getFirstValue()) : '';
		const key = uid === '' ? `no uid ${unnamed++}` : `${uid} ${which}`;
		const had = latest.get(key);
		if (!had) {
			latest.set(key, event);
			continue;
		}
		const newer = versionOf(event) >= versionOf(had) ? event : had;
		const older = newer === event ? had : event;
		leaveOut(nameOf(older), dateOf(older), 'a later version of it is in the file');
		latest.set(key, newer);
	}
	const events = [...latest.values()];
	/** Changed occurrences: by UID the instants (or days) at which the series has another of its own. */
	const changed = new Map<string, Set<number>>();
	/** Series that go on otherwise from an occurrence on (RANGE=THISANDFUTURE), by UID, in order. */
	const onward = new Map<string, { readonly at: number; readonly event: ICAL.Component }[]>();
	for (const event of events) {
		const property = event.getFirstProperty('recurrence-id');
		if (!property) continue;
		const uid = uidOf(event);
		const at = place(property, property.getFirstValue() as ICAL.Time);
		if (String(property.getFirstParameter('range') ?? '').toUpperCase() === 'THISANDFUTURE')
			onward.set(
				uid,
				[...(onward.get(uid) ?? []), { at, event }].sort((a, b) => a.at - b.at)
			);
		else changed.set(uid, (changed.get(uid) ?? new Set<number>()).add(at));
	}

	const series = new Set(
		events.filter((event) => !event.getFirstProperty('recurrence-id')).map((event) => uidOf(event))
	);
	const hasSeries = (uid: string) => series.has(uid);

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
		const ranged = event.getFirstProperty('recurrence-id')?.getFirstParameter('range');
		// what goes on otherwise is laid over its series
		if (String(ranged ?? '').toUpperCase() === 'THISANDFUTURE' && hasSeries(uid)) continue;
		const name = nameOf(event);
		const start = startProperty.getFirstValue() as ICAL.Time;
		const allDay = start.isDate;
		const zone = zoneOf(startProperty, start);
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
		const others = isChange
			? []
			: (onward.get(uid) ?? []).map((one) => ({ ...one, ...spanOf(one.event, one.at) }));
		const occur = (wall: number, end = endOf(wall)) => {
			const begin = beginOf(wall);
			if (excluded.has(begin) || excludedDays.has(Math.floor(wall / DAY_MINUTES))) return;
			const other = others.filter((one) => one.at <= begin).at(-1);
			if (!other) take(name, begin, end, allDay);
			else if (!isCancelled(other.event))
				take(other.name, begin + other.shift, begin + other.shift + other.length, allDay);
		};
		const seen = new Set<number>();
		const once = (wall: number, end?: number) => {
			if (seen.has(wall)) return;
			seen.add(wall);
			occur(wall, end);
		};
		const rules = event.getAllProperties('rrule').map((property) => property.getFirstValue() as ICAL.Recur);
		if (rules.length === 0) once(first);
		/** The longest that an occurrence reaches back: what begins before the time asked for may still reach into it. */
		const reach = allDay
			? (endOf(first) - first / DAY_MINUTES) * DAY_MINUTES
			: Math.ceil((endOf(first) - beginOf(first)) / 60_000);
		const slack = 2 * DAY_MINUTES;
		for (const recur of rules) {
			const until = recur.until;
			// an end given in UTC is brought to the event's own wall clock, on which the series runs
			const last = !until
				? Infinity
				: !until.isDate && until.zone === ICAL.Timezone.utcTimezone && !allDay
					? zone.wall(named('UTC').instant(wallOf(until)))
					: wallOf(until) + (until.isDate ? DAY_MINUTES - 1 : 0);
			const rule = readRule(recur.toString().replace(/;?UNTIL=[^;]*/i, ''));
			if ('wrong' in rule) throw new Refused(`${quoted(name)} cannot be read: ${rule.wrong}.`);
			const [low, high] = [fromDay * DAY_MINUTES - reach - slack, toDay * DAY_MINUTES + slack];
			for (const wall of occurrences(rule, first, last, low, high, budget)) once(wall);
		}
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
