import { z } from 'zod';

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
	'which-days': ['every', 'some']
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
	/** An answer to a question. */
	z.strictObject({ kind: z.literal('answer'), question: z.enum(QUESTION_IDS), answer: z.string().max(24) })
]);
export type Fact = z.infer<typeof factSchema>;
