import type { z } from 'zod';
import {
	callbackRequest,
	callbackResponse,
	clockRequest,
	clockResponse,
	computeRequest,
	fitResponse,
	keyInResponse,
	resolveRequest,
	resolveResponse,
	roomRequest,
	simulateResponse,
	timelineRequest,
	timelineResponse,
	warmUpResponse,
	type Problem
} from '$core/formats';
import { compute, type TaskInput, type TaskName } from '../../compute';
import { refuse } from '../answers';
import { operation, type Asked, type Operation } from '../operation';

/** Hands a request to the computation of a name, and answers with what it gave or why it could not. */
const by =
	<Name extends TaskName, Body>(name: Name, given: (body: Body) => TaskInput<Name>) =>
	async ({ body, signal }: Asked<Body>) => {
		const made = (await compute(name, given(body), { signal })) as { value: never } | { problem: Problem };
		return 'problem' in made ? refuse(422, made.problem) : made.value;
	};

const computing = <Takes extends z.ZodType, Gives extends z.ZodType, Name extends TaskName>(
	path: string,
	id: Name,
	summary: string,
	takes: Takes,
	gives: Gives,
	given: (body: z.output<Takes>) => TaskInput<Name> = (body) => body as TaskInput<Name>
) =>
	operation({
		path: `/api/v1/${path}`,
		method: 'post',
		id,
		summary,
		role: 'reader',
		takes,
		// a zone with a log beside it
		most: 1_000_000,
		gives,
		handle: by(id, given) as never
	});

/** Computation for one described zone or room: posted to, and nothing changes. */
export const computations: readonly Operation[] = [
	computing('fit', 'fit', 'The best program of every day grouping for a zone', computeRequest, fitResponse),
	computing('key-in', 'keyIn', 'The values to key for a zone, in order', computeRequest, keyInResponse),
	computing(
		'resolve',
		'resolve',
		'What a control does at a moment, what set it, until when, and why',
		resolveRequest,
		resolveResponse
	),
	computing(
		'timeline',
		'timeline',
		'What a control does over a time, event by event',
		timelineRequest,
		timelineResponse
	),
	computing(
		'clock',
		'clock',
		"What to key into a control's clock, its place's summer time, what a power cut costs",
		clockRequest,
		clockResponse,
		(request) => ({ request, nowMs: Date.now() })
	),
	computing(
		'warm-up',
		'warmUp',
		'How long a described room takes to warm, against outdoor temperature and for each rise of its week',
		roomRequest,
		warmUpResponse
	),
	computing(
		'simulate',
		'simulate',
		'A week of a described room under its program, and what it costs against other ways',
		roomRequest,
		simulateResponse
	),
	computing(
		'callback',
		'callback',
		'What may be the matter with a zone by what its household says, what to ask next, and what to do',
		callbackRequest,
		callbackResponse
	)
];
