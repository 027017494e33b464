import { conflictResponse, savedResponse, saveZoneRequest } from '$core/formats';
import { siteKnowing } from '$lib/server/controls';
import { answer, readBody, refuse, siteOfRoute } from '$lib/server/http';
import { removeZone, saveZone } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

const gone = () => refuse(404, 'This zone has been removed from the site.');

export const PUT: RequestHandler = async ({ params, request }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	const body = await readBody(request, saveZoneRequest);
	if ('refusal' in body) return body.refusal;
	const { revision, zone } = body.value;
	const site = await siteKnowing(found.db, found.site, zone.control);
	if (!site)
		return refuse(422, {
			path: 'zone.control',
			sentence: 'zone.control names a control that this site does not know.'
		});
	const saved = await saveZone(found.db, site, params.zoneId, revision, zone);
	if (saved.kind === 'saved') return answer(savedResponse, { revision: saved.revision });
	if (saved.kind === 'gone') return gone();
	return answer(
		conflictResponse,
		{
			error: { path: 'revision', sentence: 'Another window has changed this zone since you opened it.' },
			current: { revision: saved.current.revision, zone: saved.current.zone }
		},
		409
	);
};

export const DELETE: RequestHandler = async ({ params }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	return (await removeZone(found.db, found.site, params.zoneId))
		? new Response(null, { status: 204 })
		: gone();
};
