import { shippedProfiles } from '$core/control';
import { controlsResponse, createdResponse, readControlFile } from '$core/formats';
import { createControl, listControls } from '$lib/server/controls';
import { database } from '$lib/server/db';
import { answer, bodyText, refuse } from '$lib/server/http';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async () => {
	const own = await listControls(await database());
	return answer(controlsResponse, {
		controls: [
			...own.map(({ id, revision, profile }) => ({ id, name: profile.name, own: true, revision, profile })),
			...shippedProfiles.map((profile) => ({
				id: profile.id,
				name: profile.name,
				own: false,
				revision: null,
				profile
			}))
		]
	});
};

export const POST: RequestHandler = async ({ request }) => {
	const body = await bodyText(request);
	if ('refusal' in body) return body.refusal;
	const read = readControlFile(body.text);
	if (!read.ok) return refuse(422, read.problem);
	return answer(createdResponse, { id: await createControl(await database(), read.value) }, 201);
};
