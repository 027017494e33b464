import { computeRequest, fitResponse } from '$core/formats';
import { answer, computeFit, readBody, refuse } from '$lib/server/http';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ request }) => {
	const body = await readBody(request, computeRequest);
	if ('refusal' in body) return body.refusal;
	const computed = computeFit(body.value);
	return 'problem' in computed ? refuse(422, computed.problem) : answer(fitResponse, computed.value);
};
