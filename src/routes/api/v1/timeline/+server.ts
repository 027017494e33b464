import { timelineRequest, timelineResponse } from '$core/formats';
import { answer, computeTimeline, readBody, refuse } from '$lib/server/http';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ request }) => {
	const body = await readBody(request, timelineRequest);
	if ('refusal' in body) return body.refusal;
	const computed = computeTimeline(body.value);
	return 'problem' in computed ? refuse(422, computed.problem) : answer(timelineResponse, computed.value);
};
