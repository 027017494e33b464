import { onSiteRequest, onSiteResponse } from '$core/formats';
import { answer, readBody, refuse, siteOfRoute } from '$lib/server/http';
import { noteFields } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params, request }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	const body = await readBody(request, onSiteRequest);
	if ('refusal' in body) return body.refusal;
	const noted = await noteFields(found.db, found.site, params.zoneId, body.value.edits);
	if (noted.kind === 'gone') return refuse(404, 'This zone has been removed from the site.');
	if (noted.kind === 'refused') return refuse(422, noted.sentence);
	return answer(onSiteResponse, {
		onSite: noted.onSite,
		conflicts: noted.conflicts.map((one) => ({ ...one }))
	});
};
