import { clockRequest, clockResponse } from '$core/formats';
import { answer, computeClock, readBody, refuse } from '$lib/server/http';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ request }) => {
	const body = await readBody(request, clockRequest);
	if ('refusal' in body) return body.refusal;
	const computed = computeClock(body.value, Date.now());
	return 'problem' in computed ? refuse(422, computed.problem) : answer(clockResponse, computed.value);
};
