import { createdResponse, picturesResponse, readWith } from '$core/formats';
import { pictureAboutSchema } from '$core/record';
import { answer, bodyBytes, refuse, siteOfRoute } from '$lib/server/http';
import { addPicture, picturesOf } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ params }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	return answer(picturesResponse, { pictures: await picturesOf(found.db, params.siteId) });
};

export const POST: RequestHandler = async ({ params, request, url }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	const about = readWith(pictureAboutSchema, Object.fromEntries(url.searchParams));
	if (!about.ok) return refuse(422, about.problem);
	const body = await bodyBytes(request);
	if ('refusal' in body) return body.refusal;
	const added = await addPicture(found.db, params.siteId, body.bytes, {
		id: about.value.id,
		zoneName: about.value.zone,
		caption: about.value.caption
	});
	return 'refused' in added
		? refuse(422, { path: 'picture', sentence: added.refused })
		: answer(createdResponse, { id: added.id }, 201);
};
