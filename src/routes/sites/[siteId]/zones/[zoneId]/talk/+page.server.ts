import { pageLoad } from '$lib/server/pages';
import { zoneForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params }: PageServerLoadEvent) => {
	const { stored, profile } = await zoneForPages(params.siteId, params.zoneId);
	return {
		profile,
		planned: stored.zone,
		/** What is noted at its control: where its week is known the way through it is too. */
		notes: stored.notes,
		nowMs: Date.now()
	};
});
