import ICAL from 'ical.js';
import {
	dayNumber,
	instantOf,
	localTime,
	summerTimeFrom,
	transitionsBetween,
	wallAt,
	weekdayOfDay,
	type RuleSide,
	DAY_MS
} from '../civil';
import { DAY_MINUTES, spansOf, WEEK_MINUTES, wrapWeek, type WeekSteps } from '../week';
import { aboveBand, timeline, type Layer, type Prepared } from '../run';
import { folded } from './foldedLines';
import { causeWords, stateWords } from '../words';

const WEEKDAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];

const compact = (local: string) => `${local.replaceAll('-', '').replaceAll(':', '')}00`;

function offsetText(minutes: number): string {
	const two = (n: number) => String(n).padStart(2, '0');
	const size = Math.abs(minutes);
	return `${minutes < 0 ? '-' : '+'}${two(Math.floor(size / 60))}${two(size % 60)}`;
}

function property(component: ICAL.Component, line: string): void {
	component.addProperty(ICAL.Property.fromString(line));
}

/**
 * The VTIMEZONE of a zone from a year on (RFC 5545 §3.6.5): by its rule where it has one, by its dates for twelve
 * years where it has not.
 */
function zoneComponent(timeZone: string, year: number): ICAL.Component {
	const zone = new ICAL.Component('vtimezone');
	property(zone, `TZID:${timeZone}`);
	// from the year before, so that an observance is in force on the first of January
	const startMs = Date.parse(`${year - 1}-01-01T00:00:00Z`);
	const add = (
		kind: 'standard' | 'daylight',
		start: string,
		before: number,
		after: number,
		more: string[]
	) => {
		const part = new ICAL.Component(kind);
		property(part, `DTSTART:${start}`);
		property(part, `TZOFFSETFROM:${offsetText(before)}`);
		property(part, `TZOFFSETTO:${offsetText(after)}`);
		for (const line of more) property(part, line);
		zone.addSubcomponent(part);
	};
	const changes = transitionsBetween(timeZone, startMs, startMs + 13 * 366 * DAY_MS);
	const first = wallAt(timeZone, startMs) - Math.floor(startMs / 60_000);
	if (changes.length === 0) {
		add('standard', '19700101T000000', first, first, []);
		return zone;
	}
	const shownAt = (change: (typeof changes)[number]) =>
		compact(localTime(Math.floor(change.atMs / 60_000 + change.beforeMinutes)));
	const rule = summerTimeFrom(timeZone, year - 1);
	if (rule.kind === 'rule') {
		const sides: [RuleSide, boolean][] = [
			[rule.forward, true],
			[rule.back, false]
		];
		for (const [side, forward] of sides) {
			const change = changes.find((one) => one.afterMinutes > one.beforeMinutes === forward)!;
			const nth = side.ordinal === 'last' ? '-1' : String(side.ordinal);
			add(forward ? 'daylight' : 'standard', shownAt(change), change.beforeMinutes, change.afterMinutes, [
				`RRULE:FREQ=YEARLY;BYMONTH=${side.month};BYDAY=${nth}${WEEKDAYS[side.weekday]}`
			]);
		}
		return zone;
	}
	for (const change of changes)
		add(
			change.afterMinutes > change.beforeMinutes ? 'daylight' : 'standard',
			shownAt(change),
			change.beforeMinutes,
			change.afterMinutes,
			[]
		);
	return zone;
}

/** A run of wall minutes, `from` included, `to` not. */
interface Stretch {
	readonly from: number;
	readonly to: number;
}

/** The stretches joined where they touch, in order. */
function joined(stretches: readonly Stretch[]): Stretch[] {
	const result: { from: number; to: number }[] = [];
	for (const { from, to } of [...stretches].sort((a, b) => a.from - b.from)) {
		const last = result.at(-1);
		if (last && from <= last.to) last.to = Math.max(last.to, to);
		else result.push({ from, to });
	}
	return result;
}

export interface CalendarRequest {
	/** The zone ready to run with a clock that is right. */
	readonly prepared: Prepared;
	/** The held week of its program. */
	readonly held: WeekSteps<number>;
	readonly heldCool: WeekSteps<number> | null;
	readonly name: string;
	/** Begins every UID; stays the same from one export to the next. */
	readonly uid: string;
	/** The first date, and how many days ahead exceptions are written out. */
	readonly fromDate: string;
	readonly days: number;
	readonly nowMs: number;
}

/**
 * A zone's week and its exceptions as an iCalendar file (RFC 5545): every period of the program as an event that
 * recurs weekly in the site's time zone; where an exception departs from it the occurrence is excluded (EXDATE) and
 * what holds instead stands as events of its own.
 */
export function writeCalendar({
	prepared,
	held,
	heldCool,
	name,
	uid,
	fromDate,
	days,
	nowMs
}: CalendarRequest): string {
	const { timeZone } = prepared.input;
	const firstDay = dayNumber(fromDate);
	const root = new ICAL.Component(['vcalendar', [], []]);
	property(root, 'VERSION:2.0');
	property(root, 'PRODID:-//Fond Quarter//Week of a heating control//EN');
	root.addPropertyWithValue('x-wr-calname', name);
	root.addSubcomponent(zoneComponent(timeZone, Number(fromDate.slice(0, 4))));
	const stamp = compact(localTime(Math.floor(nowMs / 60_000)));

	const given = new Map<string, number>();
	const unique = (id: string) => {
		const times = (given.get(id) ?? 0) + 1;
		given.set(id, times);
		return times === 1 ? id : `${id}-${times}`;
	};
	const event = (id: string, summary: string, from: number, to: number, more: string[] = []) => {
		const component = new ICAL.Component('vevent');
		property(component, `UID:${uid}-${id}@fond-quarter`);
		property(component, `DTSTAMP:${stamp}Z`);
		property(component, `DTSTART;TZID=${timeZone}:${compact(localTime(from))}`);
		property(component, `DTEND;TZID=${timeZone}:${compact(localTime(to))}`);
		component.addPropertyWithValue('summary', summary);
		for (const line of more) property(component, line);
		root.addSubcomponent(component);
	};

	// stretches of the week as it runs on ordinary days, the one over Sunday midnight whole
	const week = ordinaryWeek(held, heldCool, prepared);
	const periods = week.map((step, i) => {
		const next = week[i + 1]?.at ?? week[0]!.at + WEEK_MINUTES;
		return { ...step, length: next - step.at };
	});
	/** What the week holds at a wall minute. */
	const ordinaryAt = (wall: number) => {
		const at = wrapWeek(wall + MONDAY);
		return week.findLast((step) => step.at <= at) ?? week.at(-1)!;
	};
	/** Whether a stretch of the timeline is what the week holds all the while. */
	const isOrdinary = (from: number, to: number, heatC: number | null, coolC: number | null) => {
		const same = (at: number) => {
			const step = ordinaryAt(at);
			return step.heatC === heatC && step.coolC === coolC;
		};
		if (!same(from)) return false;
		const begin = wrapWeek(from + MONDAY);
		return week.every((step) => {
			const at = from + wrapWeek(step.at - begin);
			return at >= to || same(at);
		});
	};

	const fromMs = instantOf(timeZone, firstDay * DAY_MINUTES);
	const toMs = instantOf(timeZone, (firstDay + days) * DAY_MINUTES);
	const spans = timeline(prepared, fromMs, toMs);
	const wall = (ms: number) => wallAt(timeZone, ms);
	const departures = joined(
		spans
			.map((span) => ({ ...span, from: wall(span.fromMs), to: wall(span.toMs) }))
			.filter(
				({ by, from, to, heatC, coolC }) => !EVERY_DAY.includes(by) || !isOrdinary(from, to, heatC, coolC)
			)
	);
	const overlaps = (from: number, to: number) => departures.some((one) => one.from < to && from < one.to);

	const groups = new Map<
		string,
		{ minute: number; length: number; heatC: number; coolC: number | null; weekdays: number[] }
	>();
	for (const { at, length, heatC, coolC } of periods) {
		const minute = at % DAY_MINUTES;
		const key = [minute, length, heatC, coolC].join();
		const group = groups.get(key) ?? { minute, length, heatC, coolC, weekdays: [] };
		group.weekdays.push(Math.floor(at / DAY_MINUTES));
		groups.set(key, group);
	}

	const left: Stretch[] = [];
	for (const { minute, length, heatC, coolC, weekdays } of groups.values()) {
		let start = firstDay - 7;
		while (
			!weekdays.includes(weekdayOfDay(start)) ||
			start * DAY_MINUTES + minute + length <= firstDay * DAY_MINUTES
		)
			start++;
		const excluded: string[] = [];
		for (let day = start; day < firstDay + days; day++) {
			if (!weekdays.includes(weekdayOfDay(day))) continue;
			const from = day * DAY_MINUTES + minute;
			if (!overlaps(from, from + length)) continue;
			left.push({ from, to: from + length });
			excluded.push(compact(localTime(from)));
		}
		event(
			// what it is: the same in every export, so that importing it again doubles nothing
			`week-${weekdays.map((day) => WEEKDAYS[day]).join('')}-${clock(minute)}-${length}`,
			stateWords(prepared, heatC, coolC),
			start * DAY_MINUTES + minute,
			start * DAY_MINUTES + minute + length,
			[
				`RRULE:FREQ=WEEKLY;BYDAY=${weekdays.map((day) => WEEKDAYS[day]).join(',')}`,
				...(excluded.length > 0 ? [`EXDATE;TZID=${timeZone}:${excluded.join(',')}`] : [])
			]
		);
	}
	for (const stretch of joined(left))
		for (const span of spans) {
			const from = Math.max(wall(span.fromMs), stretch.from);
			const to = Math.min(wall(span.toMs), stretch.to);
			if (to <= from) continue;
			const cause =
				span.by === 'program' ? '' : ` (${causeWords(prepared, span.by, span.owned, span.exception)})`;
			event(
				// the hour that comes twice in autumn may begin two
				unique(`date-${compact(localTime(from))}-${span.exception ?? span.by}`),
				`${stateWords(prepared, span.heatC, span.coolC)}${cause}`,
				from,
				to
			);
		}
	return folded(root.toString());
}

/** What rules every day, and is in the week itself. */
const EVERY_DAY: readonly Layer[] = ['program', 'early-start', 'limits'];
/** Of wall minutes since 1970, which began on a Thursday. */
const MONDAY = 3 * DAY_MINUTES;
const clock = (minute: number) => compact(localTime(minute)).slice(9, 13);

interface WeekState {
	readonly at: number;
	readonly heatC: number;
	readonly coolC: number | null;
}

/** The week as it runs where nothing departs from it: the held week, each rise brought forward by an early start, never to before the change before it. */
function ordinaryWeek(
	held: WeekSteps<number>,
	heldCool: WeekSteps<number> | null,
	{ earlyMinutes, input: { profile } }: Prepared
): readonly WeekState[] {
	const marks = [...new Set([...held, ...(heldCool ?? [])].map((step) => step.at))].sort((a, b) => a - b);
	const states = marks.map((at): WeekState => ({
		at,
		heatC: valueIn(held, at),
		coolC: heldCool && valueIn(heldCool, at)
	}));
	if (earlyMinutes === 0 || states.length < 2) return states;
	const early = states.flatMap((state, i): WeekState[] => {
		const last = i + 1 === states.length;
		const next = states[last ? 0 : i + 1]!;
		if (next.heatC <= state.heatC) return [state];
		const rises = next.at + (last ? WEEK_MINUTES : 0);
		const at = Math.max(state.at, rises - earlyMinutes);
		const begun = { at: wrapWeek(at), heatC: next.heatC, coolC: aboveBand(state.coolC, next.heatC, profile) };
		return at > state.at ? [state, begun] : [begun];
	});
	// over Sunday midnight a rise may begin before the week does
	const sorted = early.sort((a, b) => a.at - b.at);
	return sorted.filter((state, i) => {
		const before = sorted[i - 1] ?? sorted.at(-1)!;
		return sorted.length === 1 || state.heatC !== before.heatC || state.coolC !== before.coolC;
	});
}

function valueIn(week: WeekSteps<number>, at: number): number {
	return spansOf(week).find((span) => span.from <= wrapWeek(at) && wrapWeek(at) < span.to)!.value;
}
