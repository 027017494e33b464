import { zoneForPages } from '$lib/server/jobs';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => {
	const { stored, profile } = await zoneForPages(params.siteId, params.zoneId);
	return { stored: { zone: stored.zone, revision: stored.revision }, profile };
};
