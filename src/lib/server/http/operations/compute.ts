import type { z } from 'zod';
import { COMPUTED, type Computed } from '$core/formats';
import { compute } from '../../compute';
import { refuse } from '../answers';
import { operation, type Operation } from '../operation';

/** A question that is read, computed and written in a worker: what is sent along may be large. */
const computing = (path: string, name: Computed, summary: string) =>
	operation({
		path: `/api/v1/${path}`,
		method: 'post',
		id: name,
		summary,
		role: 'reader',
		takes: COMPUTED[name].takes as z.ZodType,
		gives: COMPUTED[name].gives as z.ZodType,
		sent: 'text',
		// a zone with a log beside it
		most: 1_000_000,
		async handle({ body: text, signal }) {
			const made = await compute('posted', { name, text, nowMs: Date.now() }, { signal });
			if (!('json' in made)) return refuse(made.status, made.problem);
			return new Response(made.json, { headers: { 'content-type': 'application/json' } });
		}
	});

/** Computation for one described zone or room: posted to, and nothing changes. */
export const computations: readonly Operation[] = [
	computing('fit', 'fit', 'The best program of every day grouping for a zone'),
	computing('key-in', 'keyIn', 'The values to key for a zone, in order'),
	computing('resolve', 'resolve', 'What a control does at a moment, what set it, until when, and why'),
	computing('timeline', 'timeline', 'What a control does over a time, event by event'),
	computing(
		'clock',
		'clock',
		"What to key into a control's clock, its place's summer time, what a power cut costs"
	),
	computing(
		'warm-up',
		'warmUp',
		'How long a described room takes to warm, against outdoor temperature and for each rise of its week'
	),
	computing(
		'simulate',
		'simulate',
		'A week of a described room under its program, and what it costs against other ways'
	),
	computing(
		'callback',
		'callback',
		'What may be the matter with a zone by what its household says, what to ask next, and what to do'
	)
];
