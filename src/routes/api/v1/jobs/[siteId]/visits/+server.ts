import { createdResponse, endVisitRequest, visitsResponse } from '$core/formats';
import { answer, readBody, refuse, siteOfRoute } from '$lib/server/http';
import { endVisit, visitsOf } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ params }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	const visits = await visitsOf(found.db, params.siteId);
	return answer(visitsResponse, { visits: visits.map(({ id, visit }) => ({ id, visit })) });
};

export const POST: RequestHandler = async ({ params, request }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	const body = await readBody(request, endVisitRequest);
	if ('refusal' in body) return body.refusal;
	const ended = await endVisit(found.db, found.site, body.value);
	return ended.kind === 'kept'
		? answer(createdResponse, { id: ended.id }, 201)
		: refuse(409, `Not signed off. ${ended.sentences.join(' ')}`);
};
