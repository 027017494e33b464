import { refuse, siteOfRoute } from '$lib/server/http';
import { revokeLink } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

export const DELETE: RequestHandler = async ({ params }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	return (await revokeLink(found.db, params.siteId, params.linkId))
		? new Response(null, { status: 204 })
		: refuse(404, 'There is no such link, or it has ended already.');
};
