import { compute } from '$lib/server/compute';
import { pageLoad } from '$lib/server/pages';
import { zoneForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, depends }: PageServerLoadEvent) => {
	depends('fq:keyed');
	const { stored, profile, mark } = await zoneForPages(params.siteId, params.zoneId);
	return {
		stored: { keyed: stored.keyed },
		/** When the plan was saved last, and by whom. */
		planned: stored.planned,
		/** Another after every change of the site. */
		mark,
		card: (await compute('zoneCard', { zone: stored.zone, profile, keyed: stored.keyed })).card
	};
});
