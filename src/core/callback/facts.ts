import { z } from 'zod';
import { DAY_MINUTES, WEEK_MINUTES } from '../week';

const minute = z.int().min(0).max(1439);
const days = z.array(z.int().min(0).max(6)).min(1).max(7);

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

/** What somebody of the household said, as a fact. Days from 0 = Monday, minutes of the day. */
export const factSchema = z.discriminatedUnion('kind', [
	/** The room was cold, or too hot, in a stretch of those days. */
	z.strictObject({
		kind: z.literal('feels'),
		what: z.enum(['cold', 'hot']),
		days,
		from: minute,
		to: z.int().min(1).max(1440)
	}),
	/** It was seen to come on, or to go off, at about that time. */
	z.strictObject({ kind: z.literal('turns'), to: z.enum(['on', 'off']), days, at: minute }),
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
		at: minute.nullable()
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
				if (a.what !== b.what && atOnce) return [i, j];
			}
		}
	return null;
}
