import { addZoneRequest, createdResponse } from '$core/formats';
import { MOST_ZONES, nothingNoted } from '$core/plan';
import { siteKnowing } from '$lib/server/controls';
import { answer, readBody, refuse, siteOfRoute } from '$lib/server/http';
import { addZone } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params, request }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	const body = await readBody(request, addZoneRequest);
	if ('refusal' in body) return body.refusal;
	const { zone, after } = body.value;
	const site = await siteKnowing(found.db, found.site, zone.control);
	if (!site)
		return refuse(422, {
			path: 'zone.control',
			sentence: 'zone.control names a control that this site does not know.'
		});
	const id = await addZone(found.db, site, { ...zone, keyed: {}, onSite: nothingNoted }, after);
	return id ? answer(createdResponse, { id }, 201) : refuse(409, `A site holds at most ${MOST_ZONES} zones.`);
};
