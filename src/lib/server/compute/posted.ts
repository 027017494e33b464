import type { z } from 'zod';
import { COMPUTED, type Computed, type Problem } from '$core/formats';
import { held, readDocument } from '../http/document';
import { computeCallback } from './callback';
import { computeSimulate, computeWarmUp } from './room';
import { computeClock, computeResolve, computeTimeline } from './run';
import { computeFit, computeKeyIn } from './zone';

type Made<Name extends Computed> =
	{ value: z.input<(typeof COMPUTED)[Name]['gives']> } | { problem: Problem };
const makers: {
	[Name in Computed]: (request: z.output<(typeof COMPUTED)[Name]['takes']>, nowMs: number) => Made<Name>;
} = {
	fit: computeFit,
	keyIn: computeKeyIn,
	resolve: computeResolve,
	timeline: computeTimeline,
	clock: computeClock,
	warmUp: computeWarmUp,
	simulate: computeSimulate,
	callback: computeCallback
};

/** A question as it was sent. */
export interface Posted {
	readonly name: Computed;
	readonly text: string;
	readonly nowMs: number;
}
/** Its answer as it is sent back: a document, or why there is none. */
export type PostedAnswer =
	{ readonly json: string } | { readonly status: 400 | 422; readonly problem: Problem };

/** Reads what was posted, computes it, and writes the answer held against its schema. */
export function posted({ name, text, nowMs }: Posted): PostedAnswer {
	const { takes, gives } = COMPUTED[name];
	const read = readDocument(takes, text);
	if (!('value' in read)) return read;
	const made = (makers[name] as (request: unknown, nowMs: number) => Made<Computed>)(read.value, nowMs);
	if ('problem' in made) return { status: 422, problem: made.problem };
	return { json: JSON.stringify(held(gives, made.value)) };
}
