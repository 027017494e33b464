import { dateOfDay, dayNumber, wallMinute, weekdayOfDay } from '../civil';
import { buildWeek, DAY_MINUTES, WEEK_DAYS, WEEK_MINUTES, type WeekSteps } from '../week';
import type { Booking } from './exceptions';
import { leadAt, noLead, type Lead } from './lead';

/** Stretches of one day in minutes from its midnight, in order, apart from one another. */
export type DayStretches = readonly (readonly [from: number, to: number])[];

/** The dates of bookings, Monday of the first week to Sunday of the last, each with its booked stretches. */
export interface BookedDay {
	readonly date: string;
	readonly weekday: number;
	readonly stretches: DayStretches;
	/** When it has to be warm for them: from the lead before each. */
	readonly warm: DayStretches;
	readonly names: readonly string[];
}

function merged(stretches: readonly (readonly [number, number])[]): DayStretches {
	const sorted = [...stretches].sort((a, b) => a[0] - b[0]);
	const result: [number, number][] = [];
	for (const [from, to] of sorted) {
		const last = result.at(-1);
		if (last && from <= last[1]) last[1] = Math.max(last[1], to);
		else result.push([from, to]);
	}
	return result;
}

/**
 * Every date of the weeks in which something is booked. Bookings past midnight reach into the next day, and so does the
 * lead of one that begins soon after it into the day before.
 */
export function bookedDays(bookings: readonly Booking[], lead: Lead = noLead): BookedDay[] {
	if (bookings.length === 0) return [];
	type Stretches = [number, number][];
	const byDay = new Map<number, { stretches: Stretches; warm: Stretches; names: string[] }>();
	for (const { name, from, to } of bookings) {
		const [start, end] = [wallMinute(from), wallMinute(to)];
		const first = Math.floor(start / DAY_MINUTES);
		const early = start - leadAt(lead, weekdayOfDay(first) * DAY_MINUTES + start - first * DAY_MINUTES);
		for (let day = Math.floor(early / DAY_MINUTES); day * DAY_MINUTES < end; day++) {
			const base = day * DAY_MINUTES;
			const entry = byDay.get(day) ?? { stretches: [], warm: [], names: [] };
			const within = (minute: number) => Math.min(Math.max(minute - base, 0), DAY_MINUTES);
			entry.warm.push([within(early), within(end)]);
			if (within(start) < within(end)) entry.stretches.push([within(start), within(end)]);
			if (!entry.names.includes(name)) entry.names.push(name);
			byDay.set(day, entry);
		}
	}
	const days = [...byDay.keys()];
	const first = Math.min(...days);
	const last = Math.max(...days);
	const monday = first - weekdayOfDay(first);
	const sunday = last + (WEEK_DAYS - 1 - weekdayOfDay(last));
	return Array.from({ length: sunday - monday + 1 }, (_, i) => {
		const day = monday + i;
		const entry = byDay.get(day);
		return {
			date: dateOfDay(day),
			weekday: weekdayOfDay(day),
			stretches: merged(entry?.stretches ?? []),
			warm: merged(entry?.warm ?? []),
			names: entry?.names ?? []
		};
	});
}

/** The Monday of the week of a date, both as `YYYY-MM-DD`. */
export const mondayOf = (date: string): string => dateOfDay(dayNumber(date) - weekdayOfDay(dayNumber(date)));

/** The date so many weeks after another. */
export const weeksAfter = (date: string, weeks: number): string =>
	dateOfDay(dayNumber(date) + weeks * WEEK_DAYS);

/** Just what is booked in the week of a Monday, as a wanted week of level ids: warm from each booking's start to its end. */
export function weekFrom(
	bookings: readonly Booking[],
	monday: string,
	warm: string,
	rest: string
): WeekSteps<string> {
	const days = bookedDays(bookings).filter(({ date }) => mondayOf(date) === monday);
	return warmWeek(
		days.map(({ stretches }) => stretches),
		warm,
		rest
	);
}

/** A week that is warm in the stretches of its days from Monday on, and rests between. */
function warmWeek(days: readonly DayStretches[], warm: string, rest: string): WeekSteps<string> {
	const steps = days.flatMap((stretches, weekday) =>
		stretches.flatMap(([from, to]) => [
			{ at: weekday * DAY_MINUTES + from, value: warm },
			{ at: weekday * DAY_MINUTES + to, value: rest }
		])
	);
	// an end at midnight gives way to a beginning there
	return buildWeek(
		[{ at: 0, value: rest }, ...steps].sort(
			(a, b) => (a.at % WEEK_MINUTES) - (b.at % WEEK_MINUTES) || (a.value === warm ? 1 : -1)
		)
	);
}

/** Minutes of `wanted` that `had` leaves out, and minutes of `had` outside `wanted`. */
export function daysApart(wanted: DayStretches, had: DayStretches): { missing: number; spare: number } {
	const length = (stretches: DayStretches) => stretches.reduce((sum, [from, to]) => sum + to - from, 0);
	let both = 0;
	for (const [a, b] of wanted) for (const [c, d] of had) both += Math.max(0, Math.min(b, d) - Math.max(a, c));
	return { missing: length(wanted) - both, spare: length(had) - both };
}

/** Stretches of `wanted` that `had` leaves out. */
export function stretchesMissing(wanted: DayStretches, had: DayStretches): DayStretches {
	return wanted.flatMap(([from, to]) => {
		const left: [number, number][] = [];
		let at = from;
		for (const [a, b] of merged(had)) {
			if (b <= at || a >= to) continue;
			if (a > at) left.push([at, a]);
			at = Math.max(at, b);
		}
		if (at < to) left.push([at, to]);
		return left;
	});
}

/** Warm minutes of a day without a booking that are let pass: a control's step rounds a booking's ends. */
export const PASSED_OVER_MINUTES = 30;

/** What a minute without warmth weighs against a minute heated for nobody, between patterns that serve as many dates. */
const MISSING_WEIGHT = 4;

/**
 * The weekly pattern that bookings follow best: for each weekday, of all patterns seen on it and the empty day,
 * the one that serves the most of its dates, so that the fewest are left to set by hand; of those the one that
 * leaves least out and heats least for nobody. Warm from each booking's start to its end. `since` (a date) leaves
 * out what lies before.
 */
export function weekOfBookings(
	bookings: readonly Booking[],
	warm: string,
	rest: string,
	since = '2000-01-01'
): WeekSteps<string> {
	const days = bookedDays(bookings).filter((day) => dayNumber(day.date) >= dayNumber(since));
	const patternOf: DayStretches[] = [];
	for (let weekday = 0; weekday < WEEK_DAYS; weekday++) {
		const seen = days.filter((day) => day.weekday === weekday).map((day) => day.stretches);
		const patterns = new Map<string, DayStretches>([['[]', []]]);
		for (const stretches of seen) patterns.set(JSON.stringify(stretches), stretches);
		const costOf = (pattern: DayStretches) =>
			seen.reduce((sum, wanted) => {
				const { missing, spare } = daysApart(wanted, pattern);
				const off = missing > 0 || spare > PASSED_OVER_MINUTES;
				// a date off weighs more than all the minutes of all dates
				return sum + MISSING_WEIGHT * missing + spare + (off ? 1e9 : 0);
			}, 0);
		let best: DayStretches = [];
		let least = Infinity;
		for (const pattern of patterns.values()) {
			const cost = costOf(pattern);
			if (cost < least) [best, least] = [pattern, cost];
		}
		patternOf.push(best);
	}
	return warmWeek(patternOf, warm, rest);
}
