import { DAY_MINUTES } from '../week';
import type { Cause, CauseKind } from './cause';
import { answersTo } from './causes';
import { SLOT_MINUTES, SLOTS } from './worlds';
import { QUESTION_IDS, type Fact, type QuestionId } from './facts';
import { toldLikely } from './tells';
import { agreement } from './log';
import { slipOf } from './makers/slips';

/** A cause without its world: what it is called by, and its weight before anything was said. */
export type Named = Pick<Cause, 'id' | 'kind' | 'figure' | 'prior'>;

/** A cause with what it is worth after what was said: shares sum to one. */
export interface Ranked<Of extends Named = Cause> {
	readonly cause: Of;
	readonly share: number;
	/** For each fact, by its place: how likely it is said where this is the matter, from 0 to 1. */
	readonly explains: readonly number[];
}

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
function showsLikely({ setC }: Cause, { degrees, unit, days, at }: Extract<Fact, { kind: 'shows' }>): number {
	if (!setC) return SHOWS_THE_ROOM;
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
	return SHOWS_THE_ROOM + (1 - SHOWS_THE_ROOM - NOISE) * (at === null ? Math.min(1, 3 * so) : so);
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

/** One mouth's second word about how it feels and when it runs counts less: both come of one impression (fitted on drawn calls: with 0.6 and with 1 fewer of 300 are first). */
const SECOND_WORD = 0.8;
/** What the facts of a call count for, by their places: the first of those that are felt and seen fully, the others less. */
function countsOf(facts: readonly Fact[]): number[] {
	let before = 0;
	return facts.map(({ kind }) =>
		kind === 'feels' || kind === 'turns' || kind === 'shift' ? (before++ === 0 ? 1 : SECOND_WORD) : 1
	);
}

/** Causes by what they are worth after facts, the likeliest first (Bayes' rule). */
export function rank(causes: readonly Cause[], facts: readonly Fact[]): Ranked[] {
	const counts = countsOf(facts);
	const weighed = causes.map((cause) => {
		const explains = facts.map((fact) => likelihood(cause, fact));
		const weight = explains.reduce((product, one, i) => product * one ** counts[i]!, cause.prior);
		return { cause, explains, weight };
	});
	const sum = weighed.reduce((all, { weight }) => all + weight, 0);
	return weighed
		.map(({ cause, explains, weight }) => ({ cause, explains, share: weight / sum }))
		.sort((a, b) => b.share - a.share);
}

/** Causes of which the figure is all that tells them apart: ranked as one, by all of their figures. */
const SUMMED: readonly CauseKind[] = ['clock-off', 'weekday-off', 'day-not-copied', 'step-slip'];
/** What is likely by what is the matter, each with its likeliest figure; the likeliest first. Shares sum to one. */
export function byMatter<Of extends Named>(ranked: readonly Ranked<Of>[]): Ranked<Of>[] {
	const found = new Map<string, Ranked<Of>>();
	for (const one of ranked) {
		const key = SUMMED.includes(one.cause.kind) ? one.cause.kind : one.cause.id;
		const first = found.get(key);
		found.set(key, first ? { ...first, share: first.share + one.share } : one);
	}
	return [...found.values()].sort((a, b) => b.share - a.share);
}

const entropy = (shares: readonly number[]): number =>
	shares.reduce((sum, p) => (p > 0 ? sum - p * Math.log2(p) : sum), 0);

/** What a question costs: one by telephone is cheap, a look at the display dearer, at the receiver or a heater dearer still. */
const COSTS: Readonly<Record<QuestionId, number>> = {
	since: 1,
	rooms: 1,
	'which-days': 1,
	water: 1,
	'set-to': 1.4,
	'clock-shows': 1.4,
	mode: 1.4,
	keys: 1.4,
	lamp: 1.8,
	'heater-asked': 2
};

/** A question with what it is expected to tell, in bits, and what is likeliest after each answer. */
export interface Asking<Of extends Named = Cause> {
	readonly question: QuestionId;
	readonly gainBits: number;
	readonly answers: readonly { readonly answer: string; readonly share: number; readonly likeliest: Of }[];
}

/** What a question is expected to tell of causes that are worth so much. */
export function gainOf(ranked: readonly Ranked[], question: QuestionId): Asking {
	const before = entropy(ranked.map(({ share }) => share));
	const answers = answersTo(question).map((answer) => {
		const fact: Fact = { kind: 'answer', question, answer };
		const joint = ranked.map(({ cause, share }) => share * likelihood(cause, fact));
		const share = joint.reduce((sum, one) => sum + one, 0);
		const after = joint.map((one) => one / share);
		return {
			answer,
			share,
			after: entropy(after),
			likeliest: ranked[after.indexOf(Math.max(...after))]!.cause
		};
	});
	const expected = answers.reduce((sum, { share, after }) => sum + share * after, 0);
	return {
		question,
		gainBits: before - expected,
		answers: answers.map(({ answer, share, likeliest }) => ({ answer, share, likeliest }))
	};
}

/** One cause is likely enough to act on. */
export const LIKELY_ENOUGH = 0.85;
/** Less than this is not worth a question, in bits. */
const LEAST_GAIN_BITS = 0.08;

/** The next question: that which tells most for what it costs. null where one cause is likely enough, or nothing more can be told so. */
export function nextQuestion(
	ranked: readonly Ranked[],
	facts: readonly Fact[],
	known: readonly QuestionId[] = []
): Asking | null {
	if ((byMatter(ranked)[0]?.share ?? 0) >= LIKELY_ENOUGH) return null;
	const asked = new Set<QuestionId>([
		...known,
		...facts.flatMap((fact) => (fact.kind === 'answer' ? [fact.question] : []))
	]);
	const open = QUESTION_IDS.filter((id) => !asked.has(id)).map((id) => gainOf(ranked, id));
	const best = open.reduce<Asking | null>(
		(a, b) => (a === null || b.gainBits / COSTS[b.question] > a.gainBits / COSTS[a.question] ? b : a),
		null
	);
	return best && best.gainBits >= LEAST_GAIN_BITS ? best : null;
}

/** Two causes at once, with what they are worth against every single one. */
export interface RankedPair<Of extends Named = Cause> {
	readonly causes: readonly [Of, Of];
	/** Against the likeliest single cause: above 1 where the two explain more than any one. */
	readonly odds: number;
	readonly explains: readonly number[];
}

/** So little of a fact is not explained. */
const UNEXPLAINED = 0.15;
/** Pairs are looked for among the likeliest of each kind, so many. */
const PAIRED_KINDS = 12;

/** The likeliest two causes at once, where the likeliest single one leaves something unexplained and two explain more than it; null else. */
export function likeliestPair(ranked: readonly Ranked[], facts: readonly Fact[]): RankedPair | null {
	const [first] = ranked;
	if (!first || first.explains.every((one) => one >= UNEXPLAINED)) return null;
	const kinds = new Map(ranked.toReversed().map((one) => [one.cause.kind, one.cause]));
	// the best of a kind for each fact alone too: what is to be explained beside the first may be rare
	const explained = new Map(ranked.map(({ cause, explains }) => [cause, explains]));
	const best = facts.flatMap((_, i) =>
		ranked
			.map(({ cause, explains }) => ({ cause, worth: cause.prior * explains[i]! }))
			.sort((a, b) => b.worth - a.worth)
			.slice(0, 3)
			.map(({ cause }) => cause)
	);
	const among = [...new Set([...[...kinds.values()].slice(-PAIRED_KINDS), ...best])].filter(
		({ kind }) => kind !== 'other'
	);
	const sum = ranked.reduce((all, { cause }) => all + cause.prior, 0);
	const single = first.explains.reduce((product, one) => product * one, first.cause.prior / sum);
	let found: RankedPair | null = null;
	for (const [i, a] of among.entries())
		for (const b of among.slice(i + 1)) {
			if (a.kind === b.kind) continue;
			const explains = facts.map((_, f) => Math.max(explained.get(a)![f]!, explained.get(b)![f]!));
			const weight = explains.reduce((product, one) => product * one, (a.prior * b.prior) / sum ** 2);
			if (weight > (found?.odds ?? 1) * single)
				found = { causes: a.prior >= b.prior ? [a, b] : [b, a], odds: weight / single, explains };
		}
	return found;
}
