import { DAY_MINUTES } from '../week';
import type { Cause } from './cause';
import { answersTo } from './causes';
import type { Fact } from './facts';
import { agreement } from './log';
import { slipOf } from './makers/slips';
import { toldLikely } from './tells';
import { SLOT_MINUTES, SLOTS } from './worlds';

/** What is said though nothing of it is so: people mix things up (common practice). */
const NOISE = 0.04;
/** An answer before the control is right so often. */
const ANSWER_RIGHT = 0.9;
/** A time said is off by a quarter of an hour as a rule, and rounded. In minutes. */
const ROUNDED_MINUTES = 10;
const SPREAD_MINUTES = 20;

/** How loudly a log speaks: a week that goes with it by a tenth less is so many times less likely, in logarithms. */
const LOG_SPEAKS = 120;

/** A stretch is called cold, or too hot, where it is so for this share of it, one person sooner than another (common practice). */
const CALLED_SO = 0.28;
const CALLED_SPREAD = 0.05;

const EVERY_DAY = [0, 1, 2, 3, 4, 5, 6];

const slotsOf = (day: number, from: number, to: number): number[] => {
	const first = Math.floor((day * DAY_MINUTES + from) / SLOT_MINUTES);
	const last = Math.max(first + 1, Math.ceil((day * DAY_MINUTES + to) / SLOT_MINUTES));
	return Array.from({ length: last - first }, (_, i) => (first + i) % SLOTS);
};

/** How near the nearest change of a week to a time of some days is to it, from 0 to 1. */
function nearChange(week: Uint8Array, to: 0 | 1, days: readonly number[], at: number): number {
	const near = days.map((day) => {
		let best = 0;
		for (let s = -24; s <= 24; s++) {
			const i = (((day * DAY_MINUTES + at) / SLOT_MINUTES + s) | 0) + SLOTS;
			const [before, now] = [week[(i - 1) % SLOTS], week[i % SLOTS]];
			if (now !== to || before === to) continue;
			const minute = ((i % SLOTS) * SLOT_MINUTES) % DAY_MINUTES;
			const apart = Math.abs(minute - at);
			// over midnight too
			const off = Math.max(0, Math.min(apart, DAY_MINUTES - apart) - ROUNDED_MINUTES);
			best = Math.max(best, Math.exp(-off / SPREAD_MINUTES));
		}
		return best;
	});
	return near.reduce((sum, one) => sum + one, 0) / near.length;
}

/** Who names days means that it is not so on the others: it is said by so much less where it is. */
const ALSO_OTHERS = 0.7;

/** How likely something is said of some days that is so to the extent of `felt` on them, and on the others. */
function named(days: readonly number[], felt: (days: readonly number[]) => number): number {
	const others = EVERY_DAY.filter((day) => !days.includes(day));
	const so = felt(days) * (others.length === 0 ? 1 : 1 - ALSO_OTHERS * felt(others));
	return NOISE + (1 - 2 * NOISE) * so;
}

/** A display may show the room instead of what it is set to: so often what it shows tells nothing. */
const SHOWS_THE_ROOM = 0.2;
/** Degrees are read, and rounded, by so much beside; K. */
const READ_K = 0.6;

/** How likely a display shows so many degrees. */
function showsLikely(
	{ setC }: Cause,
	{ degrees, unit, days, at, of }: Extract<Fact, { kind: 'shows' }>
): number {
	// of the room's own figure a cause says nothing
	if (of === 'room') return 1;
	const other = of === 'set' ? NOISE : SHOWS_THE_ROOM;
	if (!setC) return other;
	const c = unit === 'F' ? (degrees - 32) / 1.8 : degrees;
	const slots = days.flatMap((day) => slotsOf(day, at ?? 0, at === null ? DAY_MINUTES : at + 1));
	const shows = slots.map((slot) => {
		const [from, to] = setC(slot);
		const off = Math.max(0, from - c, c - to) - READ_K;
		// somewhere in a wide range says less than the one figure
		return off > 0 ? Math.exp(-2 * off) : to - from > 1 ? 0.7 : 1;
	});
	// with no time said, it is seen so at some time of the day
	const so = shows.reduce((sum, one) => sum + one, 0) / shows.length;
	return other + (1 - other - NOISE) * (at === null ? Math.min(1, 3 * so) : so);
}

/** How likely it is said that the room is cold, too hot or as it should be; of other rooms nothing is known here. */
function feltLikely(cause: Cause, { what, days, from, to, where }: Extract<Fact, { kind: 'feels' }>): number {
	if (where !== undefined) return 1;
	const share = (of: readonly number[], want: number) => {
		const slots = of.flatMap((day) => slotsOf(day, from, to));
		return slots.filter((i) => cause.warm[i] === want).length / slots.length;
	};
	const called = (of: readonly number[], want: number) =>
		1 / (1 + Math.exp((CALLED_SO - share(of, want)) / CALLED_SPREAD));
	// nobody says that it is fine where it would be called cold at that time
	if (what === 'fine') return NOISE + (1 - 2 * NOISE) * (1 - called(days, 0) * (to - from < 1440 ? 1 : 0.6));
	return named(days, (of) => called(of, what === 'hot' ? 1 : 0));
}

/** A clock is read within two minutes and told within ten. */
const TOLD_MINUTES = 10;
/** How likely its clock is said to be so far ahead. */
function clockLikely(cause: Cause, { is, aheadMinutes }: Extract<Fact, { kind: 'clock' }>): number {
	const ahead = cause.kind === 'clock-off' ? cause.figure : 0;
	// a clock that was lost shows anything
	if (cause.kind === 'factory-week') return is === 'blinks' ? 0.8 : aheadMinutes === null ? 0.3 : 0.1;
	if (is === 'blinks') return ahead === 0 ? NOISE : 0.2;
	if (is === 'wrong') return ahead === 0 ? NOISE : 1 - NOISE;
	if (aheadMinutes === null) return ahead !== 0 && ahead > 0 === (is === 'fast') ? 1 - NOISE : NOISE;
	const off = Math.abs(aheadMinutes - ahead);
	return NOISE + (1 - 2 * NOISE) * Math.exp(-Math.max(0, off - 2) / TOLD_MINUTES);
}

/** How likely its starts or ends are said to come so late: a clock moves both, a slip one of them, a room that is slow only what is felt. */
function shiftLikely(cause: Cause, { lateMinutes, of }: Extract<Fact, { kind: 'shift' }>): number {
	const near = (late: number) =>
		NOISE + (1 - 2 * NOISE) * Math.exp(-Math.max(0, Math.abs(lateMinutes - late) - 10) / 20);
	switch (cause.kind) {
		case 'clock-off':
			return near(-cause.figure);
		case 'step-slip':
			return of === 'all' ? NOISE : near(slipOf(cause.figure).minutes) * 0.8;
		case 'slow-room':
		case 'source-later':
			return of === 'ends' ? NOISE : lateMinutes > 0 ? 0.5 : NOISE;
		case 'starts-early':
			return of === 'ends' ? NOISE : lateMinutes < 0 ? 0.7 : NOISE;
		case 'somebody-changed':
		case 'other':
			return 0.15;
		default:
			return NOISE;
	}
}

/** How likely a fact is said where a cause is the matter, from 0 to 1. */
export function likelihood(cause: Cause, fact: Fact): number {
	if (cause.anyWeek !== null && (fact.kind === 'feels' || fact.kind === 'turns')) return cause.anyWeek;
	switch (fact.kind) {
		case 'feels':
			return fact.what === 'slow' ? toldLikely(cause.kind, fact) : feltLikely(cause, fact);
		case 'turns': {
			const to = fact.to === 'on' ? 1 : 0;
			const halves = fact.either ? [fact.at, (fact.at + DAY_MINUTES / 2) % DAY_MINUTES] : [fact.at];
			return named(fact.days, (days) =>
				// who says that it comes on can mean that it gets warm
				Math.max(
					...halves.flatMap((at) => [
						nearChange(cause.heats, to, days, at),
						nearChange(cause.warm, to, days, at) * 0.7
					])
				)
			);
		}
		case 'shows':
			return showsLikely(cause, fact);
		case 'clock':
			return clockLikely(cause, fact);
		case 'weekday': {
			const ahead = cause.kind === 'weekday-off' ? cause.figure : 0;
			if (fact.aheadDays === null) return ahead === 0 ? NOISE : 1 - NOISE;
			return ahead === fact.aheadDays ? 1 - NOISE : NOISE;
		}
		case 'like-day': {
			if (cause.kind === 'weekday-off') return fact.on === null ? 0.4 : NOISE + 0.5;
			if (cause.kind !== 'day-not-copied') return NOISE;
			const runs = cause.figure < 10 ? (cause.figure + 5) % 7 : (cause.figure % 10) - 1;
			return runs === fact.runs ? 1 - NOISE : 2 * NOISE;
		}
		case 'shift':
			return shiftLikely(cause, fact);
		case 'log':
			return Math.exp(-LOG_SPEAKS * Math.max(0, fact.best - agreement(cause.levels, fact)));
		case 'answer': {
			const expected = cause.answers[fact.question];
			const all = answersTo(fact.question);
			if (expected === undefined) return 1 / all.length;
			return fact.answer === expected ? ANSWER_RIGHT : (1 - ANSWER_RIGHT) / (all.length - 1);
		}
		default:
			return toldLikely(cause.kind, fact);
	}
}
