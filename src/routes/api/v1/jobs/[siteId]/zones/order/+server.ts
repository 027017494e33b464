import { orderRequest } from '$core/formats';
import { readBody, siteOfRoute } from '$lib/server/http';
import { orderZones } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

export const PUT: RequestHandler = async ({ params, request }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	const body = await readBody(request, orderRequest);
	if ('refusal' in body) return body.refusal;
	await orderZones(found.db, found.site, body.value.order);
	return new Response(null, { status: 204 });
};
