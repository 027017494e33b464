import { createdResponse } from '$core/formats';
import { answer, refuse } from '$lib/server/http';
import { database } from '$lib/server/db';
import { duplicateSite } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params }) => {
	const id = await duplicateSite(await database(), params.siteId);
	return id
		? answer(createdResponse, { id }, 201)
		: refuse(404, 'There is no such site, or it has been deleted.');
};
