import { pageLoad } from '$lib/server/pages';
import { feedingOf, siteForPages, zoneForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params }: PageServerLoadEvent) => {
	const { stored, profile } = await zoneForPages(params.siteId, params.zoneId);
	const { stored: site, zones } = await siteForPages(params.siteId);
	return {
		kept: { zone: stored.zone, revision: stored.revision },
		profile,
		/** What feeds the room, and when it may run. */
		feeding: await feedingOf(site, zones, stored.zone)
	};
});
