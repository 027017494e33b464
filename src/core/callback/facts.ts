import { z } from 'zod';
import { clockAhead } from '../civil';
import { oneLine } from '../schema';
import { DAY_MINUTES, WEEK_MINUTES } from '../week';

const minute = z.int().min(0).max(1439);
const day = z.int().min(0).max(6);
const text = oneLine(40);
const days = z.array(day).min(1).max(7);

/** The questions that can be asked, by telephone or before the control, with what can be answered to each. */
export const QUESTIONS = {
	'clock-shows': ['right', 'hour-ahead', 'hour-behind', 'another-time', 'another-day', 'blank'],
	mode: ['program', 'manual', 'off', 'away'],
	since: ['always', 'clocks-changed', 'power', 'visitors', 'colder'],
	rooms: ['this', 'all'],
	'heater-asked': ['hot', 'cold'],
	lamp: ['as-usual', 'out-or-blinks'],
	'which-days': ['every', 'some'],
	'set-to': ['as-planned', 'lower', 'higher'],
	water: ['yes', 'no'],
	keys: ['work', 'locked']
} as const;
export type QuestionId = keyof typeof QUESTIONS;
export const QUESTION_IDS = Object.keys(QUESTIONS) as QuestionId[];

/** What happened before it was so, as people name it. */
export const EVENTS = [
	'always',
	'changed',
	'clocks-changed',
	'power-cut',
	'batteries',
	'visitors',
	'somebody',
	'tradesmen',
	'new-tenants',
	'covered',
	'new-floor',
	'moved',
	'back',
	'colder'
] as const;
/** Only in such weather, or only while that is so. */
export const ONLY_WHEN = ['frost', 'mild', 'sun', 'wind', 'water', 'holiday'] as const;

/** What somebody of the household said, as a fact. Days from 0 = Monday, minutes of the day. */
export const factSchema = z.discriminatedUnion('kind', [
	/** The room was cold, too hot, as it should be or slow to warm in a stretch of those days; elsewhere than in the room of the call where `where` says so. */
	z.strictObject({
		kind: z.literal('feels'),
		what: z.enum(['cold', 'hot', 'fine', 'slow']),
		days,
		from: minute,
		to: z.int().min(1).max(1440),
		where: text.optional()
	}),
	/** What its clock shows against the time that it is: minutes by which it is ahead (negative: behind), null where no figure was said. */
	z.strictObject({
		kind: z.literal('clock'),
		is: z.enum(['right', 'fast', 'slow', 'wrong', 'blinks']),
		aheadMinutes: z.int().min(-720).max(720).nullable()
	}),
	/** By how many days its weekday is ahead, from 0 (right) to 6; null where it is only said to be wrong. */
	z.strictObject({ kind: z.literal('weekday'), aheadDays: z.int().min(0).max(6).nullable() }),
	/** On a day it does what belongs to another; null where the day was not named. */
	z.strictObject({ kind: z.literal('like-day'), runs: day, on: day.nullable() }),
	/** Its starts, its ends or both come late by so many minutes (negative: early). */
	z.strictObject({
		kind: z.literal('shift'),
		lateMinutes: z.int().min(-720).max(720),
		of: z.enum(['starts', 'ends', 'all'])
	}),
	/** A word, a symbol or a step on its display, or that nothing is on it; or that this is not to be seen. */
	z.strictObject({
		kind: z.literal('sign'),
		as: z.enum(['word', 'symbol', 'step', 'nothing', 'faint']),
		what: text,
		seen: z.boolean()
	}),
	/** A lamp as it was described; it means what its control's own table says. */
	z.strictObject({
		kind: z.literal('lamp'),
		where: text,
		colour: text,
		is: z.enum(['steady', 'blinking', 'out'])
	}),
	/** What its keys do: work, nothing, stop at a figure, or what was set goes back by itself, after so many minutes. */
	z.strictObject({
		kind: z.literal('keys'),
		do: z.enum(['work', 'dead', 'stop', 'back']),
		degrees: z.number().min(-30).max(120).nullable(),
		afterMinutes: z.int().min(1).max(1440).nullable()
	}),
	/** How a heater is; whether all of them, and whether the control calls meanwhile. */
	z.strictObject({
		kind: z.literal('heater'),
		which: text,
		is: z.enum(['hot', 'lukewarm', 'cold', 'top-cold']),
		all: z.boolean(),
		asked: z.boolean()
	}),
	/** What makes the heat. */
	z.strictObject({ kind: z.literal('source'), is: z.enum(['runs', 'off', 'fault']) }),
	/** Since when, and whether that is sure. */
	z.strictObject({ kind: z.literal('since'), event: z.enum(EVENTS), sure: z.boolean() }),
	z.strictObject({ kind: z.literal('only-when'), what: z.enum(ONLY_WHEN) }),
	/** Degrees that its display does not show: outside, the most that is reached, a thermometer of their own. */
	z.strictObject({
		kind: z.literal('degrees'),
		of: z.enum(['outdoors', 'reaches', 'measured']),
		degrees: z.number().min(-40).max(120),
		unit: z.enum(['C', 'F'])
	}),
	/** It goes on and off again and again, so many times an hour; null where nobody counted. */
	z.strictObject({ kind: z.literal('cycles'), perHour: z.number().min(0).max(120).nullable() }),
	z.strictObject({ kind: z.literal('noise'), what: text }),
	/** Who lives there, or who it was heard from. */
	z.strictObject({
		kind: z.literal('who'),
		who: z.enum(['old', 'ill', 'infant', 'child', 'tenant', 'second-hand'])
	}),
	/** What they did, want, expect or think, and what grows: told on, and weighs nothing by itself. */
	z.strictObject({
		kind: z.literal('aside'),
		about: z.enum(['did', 'wish', 'planned', 'opinion', 'trend']),
		what: z.string().max(120)
	}),
	/** It was seen to come on, or to go off, at about that time; or half a day on, where morning or evening was not said. */
	z.strictObject({
		kind: z.literal('turns'),
		to: z.enum(['on', 'off']),
		days,
		at: minute,
		either: z.literal(true).optional()
	}),
	/** A logger's file: the room's usual week by ten minutes in °C (null: not logged), and how well the planned week goes with it at its best shift, from 0 to 1. */
	z.strictObject({
		kind: z.literal('log'),
		roomC: z.array(z.number().min(-30).max(60).nullable()).length(WEEK_MINUTES / 10),
		best: z.number().min(0).max(1)
	}),
	/** Its display showed so many degrees, in that unit, on some of those days; at a time of the day, or null where none was said. */
	z.strictObject({
		kind: z.literal('shows'),
		degrees: z.number().min(-30).max(120),
		unit: z.enum(['C', 'F']),
		days,
		at: minute.nullable(),
		/** Which of its figures it was; not said where absent. */
		of: z.enum(['set', 'room']).optional()
	}),
	/** An answer to a question. */
	z.strictObject({ kind: z.literal('answer'), question: z.enum(QUESTION_IDS), answer: z.string().max(24) })
]);
export type Fact = z.infer<typeof factSchema>;

/** What a clock that is so many minutes fast (negative: slow) shows, as it is answered; people read within two minutes. */
export function clockAnswer(errorMinutes: number): (typeof QUESTIONS)['clock-shows'][number] {
	const within = (minutes: number) => Math.abs(errorMinutes - minutes) <= 2;
	if (within(0)) return 'right';
	if (within(60)) return 'hour-ahead';
	if (within(-60)) return 'hour-behind';
	return within(Math.round(errorMinutes / DAY_MINUTES) * DAY_MINUTES) ? 'another-day' : 'another-time';
}

/** What is told by a clock that shows a day (0 = Monday; null: none is shown) and a minute of it at a moment of the wall. */
export function shownClock(shownDay: number | null, shownMinute: number, wall: number): Fact[] {
	const { minutes, days } = clockAhead(shownDay, shownMinute, wall);
	const isRight = Math.abs(minutes) <= 2;
	const is = isRight ? 'right' : minutes > 0 ? 'fast' : 'slow';
	const clock: Fact = { kind: 'clock', is, aheadMinutes: isRight ? 0 : minutes };
	return shownDay === null ? [clock] : [clock, { kind: 'weekday', aheadDays: days }];
}

/** What can be said by a choice beside when it is cold and when it runs. */
export const FURTHER_FACTS: readonly Fact[] = [
	{ kind: 'answer', question: 'rooms', answer: 'this' },
	{ kind: 'answer', question: 'rooms', answer: 'all' },
	...(['hot', 'lukewarm', 'cold', 'top-cold'] as const).map(
		(is) => ({ kind: 'heater', which: 'radiators', is, all: true, asked: false }) as const
	),
	{ kind: 'heater', which: 'radiators', is: 'cold', all: false, asked: false },
	...(['runs', 'off', 'fault'] as const).map((is) => ({ kind: 'source', is }) as const),
	{ kind: 'answer', question: 'water', answer: 'yes' },
	{ kind: 'answer', question: 'water', answer: 'no' },
	...EVENTS.map((event) => ({ kind: 'since', event, sure: true }) as const),
	...(['dead', 'stop', 'back', 'work'] as const).map(
		(what) => ({ kind: 'keys', do: what, degrees: null, afterMinutes: null }) as const
	),
	...(['red', 'green'] as const).flatMap((colour) =>
		(['steady', 'blinking'] as const).map((is) => ({ kind: 'lamp', where: 'receiver', colour, is }) as const)
	),
	{ kind: 'lamp', where: 'receiver', colour: '', is: 'out' },
	...ONLY_WHEN.map((what) => ({ kind: 'only-when', what }) as const),
	{ kind: 'cycles', perHour: null },
	{ kind: 'noise', what: 'gurgling' },
	...(['old', 'ill', 'infant', 'tenant', 'second-hand'] as const).map(
		(who) => ({ kind: 'who', who }) as const
	)
];

/** An answer to a question, as a fact. */
export const answered = (question: QuestionId, answer: string): Fact => ({
	kind: 'answer',
	question,
	answer
});

/** Whether a fact says that somebody lives there whom cold harms soonest. */
export const saysFrail = (fact: Fact): boolean =>
	fact.kind === 'who' && (fact.who === 'old' || fact.who === 'ill' || fact.who === 'infant');

/** As many things can be said of one call. */
export const MOST_FACTS = 50;

const overlap = (a: { from: number; to: number }, b: { from: number; to: number }) =>
	Math.min(a.to, b.to) - Math.max(a.from, b.from);

/** The first two facts that cannot both be so, by their places: cold and too hot at one time, or two answers to one question. null where all can. */
export function contradiction(facts: readonly Fact[]): readonly [number, number] | null {
	for (let j = 1; j < facts.length; j++)
		for (let i = 0; i < j; i++) {
			const [a, b] = [facts[i]!, facts[j]!];
			if (a.kind === 'answer' && b.kind === 'answer') {
				if (a.question === b.question && a.answer !== b.answer) return [i, j];
			} else if (a.kind === 'feels' && b.kind === 'feels') {
				const atOnce = a.days.some((day) => b.days.includes(day)) && overlap(a, b) >= 60;
				const both = new Set([a.what, b.what]);
				// slow goes with cold; two rooms, and who sits elsewhere, are no contradiction
				if (both.size === 2 && !both.has('slow') && a.where === b.where && atOnce) return [i, j];
			}
		}
	return null;
}
