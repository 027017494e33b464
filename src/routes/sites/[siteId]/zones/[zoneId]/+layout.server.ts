import { pageLoad } from '$lib/server/pages';
import { zoneForPages } from '$lib/server/store';
import type { LayoutServerLoadEvent } from './$types';

/** The zone that its views work on; each view loads what it shows beside, fresh. */
export const load = pageLoad(async ({ params, depends }: LayoutServerLoadEvent) => {
	depends('fq:site');
	const { stored, profile } = await zoneForPages(params.siteId, params.zoneId);
	return {
		zone: { id: stored.id, name: stored.zone.name },
		kept: { zone: stored.zone, revision: stored.revision },
		profile
	};
});
