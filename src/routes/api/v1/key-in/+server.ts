import { computeRequest, keyInResponse } from '$core/formats';
import { answer, computeKeyIn, readBody, refuse } from '$lib/server/http';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ request }) => {
	const body = await readBody(request, computeRequest);
	if ('refusal' in body) return body.refusal;
	const computed = computeKeyIn(body.value);
	return 'problem' in computed ? refuse(422, computed.problem) : answer(keyInResponse, computed.value);
};
