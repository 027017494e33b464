import { zoneForPages } from '$lib/server/jobs';
import { pricedFit } from '$lib/workers/pricedFit';
import type { PageServerLoad } from './$types';

/** The fit is there with the first picture; from then on a worker follows the edits. */
export const load: PageServerLoad = async ({ params }) => {
	const { stored, profile } = await zoneForPages(params.siteId, params.zoneId);
	return {
		stored: { zone: stored.zone, revision: stored.revision },
		profile,
		firstFit: pricedFit(stored.zone, profile)
	};
};
