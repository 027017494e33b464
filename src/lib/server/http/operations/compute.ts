import {
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
	warmUpResponse
} from '$core/formats';
import { type Operation } from './operation';

/** Computation for one described zone or room. */
export const compute: readonly Operation[] = [
	{
		path: '/api/v1/fit',
		method: 'post',
		id: 'fit',
		summary: 'The best program of every day grouping for a zone',
		takes: computeRequest,
		gives: fitResponse,
		refusals: [400, 413, 422]
	},
	{
		path: '/api/v1/key-in',
		method: 'post',
		id: 'keyIn',
		summary: 'The values to key for a zone, in order',
		takes: computeRequest,
		gives: keyInResponse,
		refusals: [400, 413, 422]
	},
	{
		path: '/api/v1/resolve',
		method: 'post',
		id: 'resolve',
		summary: 'What a control does at a moment, what set it, until when, and why',
		takes: resolveRequest,
		gives: resolveResponse,
		refusals: [400, 413, 422]
	},
	{
		path: '/api/v1/timeline',
		method: 'post',
		id: 'timeline',
		summary: 'What a control does over a time, event by event',
		takes: timelineRequest,
		gives: timelineResponse,
		refusals: [400, 413, 422]
	},
	{
		path: '/api/v1/clock',
		method: 'post',
		id: 'clock',
		summary: "What to key into a control's clock, its place's summer time, what a power cut costs",
		takes: clockRequest,
		gives: clockResponse,
		refusals: [400, 413, 422]
	},
	{
		path: '/api/v1/warm-up',
		method: 'post',
		id: 'warmUp',
		summary:
			'How long a described room takes to warm, against outdoor temperature and for each rise of its week',
		takes: roomRequest,
		gives: warmUpResponse,
		refusals: [400, 413, 422]
	},
	{
		path: '/api/v1/simulate',
		method: 'post',
		id: 'simulate',
		summary: 'A week of a described room under its program, and what it costs against other ways',
		takes: roomRequest,
		gives: simulateResponse,
		refusals: [400, 413, 422]
	}
];
