import { profileOf } from '$core/control';
import { compute } from '$lib/server/compute';
import { pageLoad } from '$lib/server/pages';
import { feedingOf, governorOf, siteForPages, zoneForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, depends }: PageServerLoadEvent) => {
	// what the control holds follows what was changed, once it is saved
	depends('fq:site');
	const { stored, profile } = await zoneForPages(params.siteId, params.zoneId);
	const { chosen } = await compute('zoneFit', { zone: stored.zone, profile });
	const { stored: site, zones } = await siteForPages(params.siteId);
	const governor = governorOf(site, zones, stored.zone);
	const governs = governor && { zone: governor.zone, profile: profileOf(governor.zone, site.profiles) };
	return {
		/** What governs its source: what that does at the moment in question is asked too. */
		governor: governs && {
			...governs,
			program: (await compute('zoneFit', governs)).chosen.program
		},
		feeding: await feedingOf(site, zones, stored.zone),
		kept: { zone: stored.zone, revision: stored.revision },
		profile,
		program: chosen.program,
		held: chosen.held,
		/** The server's clock: the right time, as far as this program knows. */
		nowMs: Date.now()
	};
});
