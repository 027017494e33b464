import { compute } from '$lib/server/compute';
import { pageLoad } from '$lib/server/pages';
import { feedingOf, siteForPages, zoneForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

/** The fit is there with the first picture; from then on a worker follows the edits. */
export const load = pageLoad(async ({ params }: PageServerLoadEvent) => {
	const { stored, profile } = await zoneForPages(params.siteId, params.zoneId);
	const { stored: site, zones } = await siteForPages(params.siteId);
	return {
		kept: { zone: stored.zone, revision: stored.revision },
		profile,
		feeding: await feedingOf(site, zones, stored.zone),
		firstFit: await compute('pricedFit', { zone: stored.zone, profile })
	};
});
