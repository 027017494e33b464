import { keyedRequest, keyedResponse } from '$core/formats';
import { answer, readBody, refuse, siteOfRoute } from '$lib/server/http';
import { noteKeyed } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params, request }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	const body = await readBody(request, keyedRequest);
	if ('refusal' in body) return body.refusal;
	const keyed = await noteKeyed(found.db, found.site, params.zoneId, body.value.changes);
	return keyed
		? answer(keyedResponse, { keyed: { ...keyed } })
		: refuse(404, 'This zone has been removed from the site.');
};
