import { firmSchema } from '$core/record';
import { database } from '$lib/server/db';
import { isPicture, readFirm, saveFirm } from '$lib/server/firm';
import { answer, readBody, refuse } from '$lib/server/http';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async () => answer(firmSchema, await readFirm(await database()));

export const PUT: RequestHandler = async ({ request }) => {
	const body = await readBody(request, firmSchema);
	if ('refusal' in body) return body.refusal;
	if (body.value.logo !== null && !isPicture(body.value.logo))
		return refuse(422, { path: 'logo', sentence: 'logo is not the picture that its name says.' });
	await saveFirm(await database(), body.value);
	return new Response(null, { status: 204 });
};
