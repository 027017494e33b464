import { compute } from '$lib/server/compute';
import { pageLoad } from '$lib/server/pages';
import { zoneForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

/** The fit is there with the first picture; from then on a worker follows the edits. */
export const load = pageLoad(async ({ params }: PageServerLoadEvent) => {
	const { stored, profile } = await zoneForPages(params.siteId, params.zoneId);
	return {
		kept: { zone: stored.zone, revision: stored.revision },
		profile,
		firstFit: await compute('pricedFit', { zone: stored.zone, profile })
	};
});
