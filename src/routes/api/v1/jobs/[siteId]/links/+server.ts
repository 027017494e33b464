import { linkRequest, linkResponse, linksResponse } from '$core/formats';
import { answer, readBody, siteOfRoute } from '$lib/server/http';
import { createLink, linksOf } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ params }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	return answer(linksResponse, { links: [...(await linksOf(found.db, params.siteId))] });
};

export const POST: RequestHandler = async ({ params, request }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	const body = await readBody(request, linkRequest);
	if ('refusal' in body) return body.refusal;
	const { token, id, endsAt } = await createLink(found.db, params.siteId, body.value.days);
	return answer(linkResponse, { path: `/c/${token}`, id, endsAt }, 201);
};
