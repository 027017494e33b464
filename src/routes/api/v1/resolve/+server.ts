import { resolveRequest, resolveResponse } from '$core/formats';
import { answer, computeResolve, readBody, refuse } from '$lib/server/http';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ request }) => {
	const body = await readBody(request, resolveRequest);
	if ('refusal' in body) return body.refusal;
	const computed = computeResolve(body.value);
	return 'problem' in computed ? refuse(422, computed.problem) : answer(resolveResponse, computed.value);
};
