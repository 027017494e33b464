import { compute } from '$lib/server/compute';
import { pageLoad } from '$lib/server/pages';
import { apartFrom, zoneForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params }: PageServerLoadEvent) => {
	const { stored, profile } = await zoneForPages(params.siteId, params.zoneId);
	const { chosen } = await compute('zoneFit', { zone: stored.zone, profile });
	return {
		/** The zone, without the looks at its clock that are noted on site: those are the page's to add to. */
		planned: apartFrom(stored.onSite, stored.zone),
		onSite: stored.onSite,
		profile,
		program: chosen.program,
		held: chosen.held,
		/** The server's clock: the right time, as far as this program knows. */
		nowMs: Date.now()
	};
});
