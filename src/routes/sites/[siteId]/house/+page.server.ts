import { compute } from '$lib/server/compute';
import { pageLoad } from '$lib/server/pages';
import { profileOf, siteForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, depends }: PageServerLoadEvent) => {
	depends('fq:site');
	const { stored, zones } = await siteForPages(params.siteId);
	return {
		/** What each zone's control holds, in °C, or 0 and 1. */
		held: Object.fromEntries(
			await Promise.all(
				zones.map(async ({ id, zone }) => {
					const fit = await compute('zoneFit', { zone, profile: profileOf(zone, stored.profiles) });
					return [id, fit.chosen.held] as const;
				})
			)
		)
	};
});
