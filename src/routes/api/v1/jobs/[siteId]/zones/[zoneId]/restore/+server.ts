import { refuse, siteOfRoute } from '$lib/server/http';
import { restoreZone } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	return (await restoreZone(found.db, found.site, params.zoneId))
		? new Response(null, { status: 204 })
		: refuse(404, 'There is no removed zone to put back.');
};
