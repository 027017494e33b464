import { pageLoad } from '$lib/server/pages';
import { zoneForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params }: PageServerLoadEvent) => {
	const { stored, profile } = await zoneForPages(params.siteId, params.zoneId);
	return { kept: { zone: stored.zone, revision: stored.revision }, profile };
});
