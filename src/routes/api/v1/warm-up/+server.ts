import { roomRequest, warmUpResponse } from '$core/formats';
import { answer, computeWarmUp, readBody, refuse } from '$lib/server/http';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ request }) => {
	const body = await readBody(request, roomRequest);
	if ('refusal' in body) return body.refusal;
	const computed = computeWarmUp(body.value);
	return 'problem' in computed ? refuse(422, computed.problem) : answer(warmUpResponse, computed.value);
};
