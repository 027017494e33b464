import { DAY_MINUTES, WEEK_MINUTES } from '../week';
import { SLOT_MINUTES, SLOTS } from './causes';
import type { Fact } from './facts';

/** A logger's readings, five minutes apart, with the wall's minute since 1970 of each. */
export interface Logged {
	readonly minutes: readonly number[];
	readonly roomC: readonly number[];
	/** The share of the step that follows in which it heated; NaN where nobody can tell. */
	readonly heating: readonly number[];
	/** Where a part of it begins that stands for itself. */
	readonly starts: readonly number[];
}

/** Heating that follows a pause of so long, and warms the room by so much within so long, is a start; anything else is the control's own cycling. */
const PAUSE_MINUTES = 40;
const LEAST_RISE_K = 0.4;
const RISE_WITHIN_MINUTES = 90;

/** When a logged room began to be heated anew, in minutes since 1970 on the wall. */
export function startsOfLog({ minutes, roomC, heating, starts }: Logged): number[] {
	const found: number[] = [];
	let lastHeated = -Infinity;
	const parts = new Set(starts);
	for (let i = 0; i < minutes.length; i++) {
		// what was before a gap nobody knows
		if (parts.has(i)) lastHeated = minutes[i]!;
		if (!(heating[i]! >= 0.5)) continue;
		const at = minutes[i]!;
		const paused = at - lastHeated >= PAUSE_MINUTES;
		lastHeated = at;
		if (!paused) continue;
		let highest = roomC[i]!;
		for (
			let j = i;
			j < minutes.length && minutes[j]! - at <= RISE_WITHIN_MINUTES && (j === i || !parts.has(j));
			j++
		)
			highest = Math.max(highest, roomC[j]!);
		if (highest - roomC[i]! >= LEAST_RISE_K) found.push(at);
	}
	return found;
}

/** Minutes since 1970 on the wall fell on a Thursday first. */
const MONDAY_BEFORE = 3 * DAY_MINUTES;
const ofWeek = (minute: number): number =>
	(((Math.round(minute) + MONDAY_BEFORE) % WEEK_MINUTES) + WEEK_MINUTES) % WEEK_MINUTES;

type LogFact = Extract<Fact, { kind: 'log' }>;

/** The most starts that are looked at: those of the last weeks. */
const MOST_STARTS = 400;

/** A log as a fact: when the room began to be heated. null where it never did, or where the log says no dates. */
export function factOfLog(log: Logged): LogFact | null {
	const [first, last] = [log.minutes[0], log.minutes.at(-1)];
	if (first === undefined || last === undefined || Number.isNaN(first)) return null;
	const starts = startsOfLog(log).slice(-MOST_STARTS);
	if (starts.length === 0) return null;
	return {
		kind: 'log',
		starts: starts.map(ofWeek),
		from: ofWeek(first),
		minutes: Math.max(1, Math.round(last - first))
	};
}

/** When a week of heat begins to heat, in minutes of the week, and how many minutes each minute slot is from the nearest of them. */
function startsOfWeek(heats: Uint8Array): number[] {
	const found: number[] = [];
	for (let i = 0; i < SLOTS; i++)
		if (heats[i] && !heats[(i + SLOTS - 1) % SLOTS]) found.push(i * SLOT_MINUTES);
	return found;
}

/** A start is another by so many minutes as a rule, by the logger's steps and the control's own. */
const SPREAD_MINUTES = 15;
const near = (minutes: number) => Math.exp(-((Math.max(0, minutes - 5) / SPREAD_MINUTES) ** 2));
const between = (a: number, b: number) => {
	const apart = Math.abs(a - b) % WEEK_MINUTES;
	return Math.min(apart, WEEK_MINUTES - apart);
};
const nearest = (at: number, of: readonly number[]) =>
	of.reduce((best, one) => Math.min(best, between(at, one)), WEEK_MINUTES);

/** How well starts agree with those of a week, from 0 to 1: how many of each have one of the other beside them (the harmonic mean of both shares). `shift` is put onto the week's. */
function agreementOf(
	starts: readonly number[],
	week: readonly number[],
	{ from, minutes }: LogFact,
	shift = 0
): number {
	const moved = week.map((at) => (((at + shift) % WEEK_MINUTES) + WEEK_MINUTES) % WEEK_MINUTES);
	const covered = moved.filter(
		(at) => minutes >= WEEK_MINUTES || (at - from + WEEK_MINUTES) % WEEK_MINUTES < minutes
	);
	if (starts.length === 0 || covered.length === 0) return starts.length === covered.length ? 1 : 0;
	const mean = (of: readonly number[], other: readonly number[]) =>
		of.reduce((sum, at) => sum + near(nearest(at, other)), 0) / of.length;
	const [right, seen] = [mean(starts, moved), mean(covered, starts)];
	return right + seen === 0 ? 0 : (2 * right * seen) / (right + seen);
}

/** How well a log's starts agree with a week of heat, from 0 to 1. */
export const agreement = (heats: Uint8Array, fact: LogFact): number =>
	agreementOf(fact.starts, startsOfWeek(heats), fact);

/** A log held against a week: by how much it runs late, how surely, and which of its starts no program asked for. */
export interface LogMatch {
	/** Minutes by which the room is heated later than planned, from -720 to 720; negative for sooner. */
	readonly shiftMinutes: number;
	/** Days by which it is, from 0 to 6. */
	readonly days: number;
	/** How well log and week agree so, from 0 to 1. */
	readonly agrees: number;
	/** How much better than any other hour of any day, from 0 to 1. */
	readonly confidence: number;
	/** Starts that no program asked for, in minutes of the week: hands, boosts, another heat. */
	readonly byHand: readonly number[];
	/** Planned starts, in minutes of the week, at which nothing came. */
	readonly missed: readonly number[];
}

/** A start that is further from every planned one is nobody's. */
const APART_MINUTES = 45;
/** Shifts nearer than this are one and the same. */
const SAME_MINUTES = 50;

/** A log held against the week that was planned, by every shift of ten minutes and every day. null where the week never begins to heat. */
export function matchLog(planned: Uint8Array, fact: LogFact): LogMatch | null {
	const week = startsOfWeek(planned);
	if (week.length === 0) return null;
	let best = { agrees: -1, shift: 0 };
	const all: { agrees: number; shift: number }[] = [];
	for (let day = 0; day < 7; day++)
		for (let minutes = -720; minutes < 720; minutes += SLOT_MINUTES) {
			const shift = day * DAY_MINUTES + minutes;
			const one = { agrees: agreementOf(fact.starts, week, fact, shift), shift };
			all.push(one);
			// of two that agree alike, the smaller is so
			const smaller = Math.abs(minutes) + day * DAY_MINUTES < Math.abs(best.shift);
			if (one.agrees > best.agrees + 1e-9 || (one.agrees > best.agrees - 1e-9 && smaller)) best = one;
		}
	// a week that is alike every day says nothing of its days
	const other = all
		.filter(
			({ shift }) => between(shift % DAY_MINUTES, best.shift % DAY_MINUTES) % DAY_MINUTES >= SAME_MINUTES
		)
		.reduce((most, { agrees }) => Math.max(most, agrees), 0);
	const days = Math.round(best.shift / DAY_MINUTES);
	const moved = week.map((at) => (at + best.shift + WEEK_MINUTES) % WEEK_MINUTES);
	return {
		shiftMinutes: best.shift - days * DAY_MINUTES,
		days,
		agrees: best.agrees,
		confidence: Math.max(0, best.agrees - other),
		byHand: fact.starts.filter((at) => nearest(at, moved) > APART_MINUTES),
		missed: moved.filter(
			(at) =>
				nearest(at, fact.starts) > APART_MINUTES &&
				(fact.minutes >= WEEK_MINUTES || (at - fact.from + WEEK_MINUTES) % WEEK_MINUTES < fact.minutes)
		)
	};
}
