import { expandProgram } from '$core/control';
import { lastRight } from '$core/run';
import { offsetAt } from '$core/civil';
import { compute } from '$lib/server/compute';
import { pageLoad } from '$lib/server/pages';
import { governorOf, profileOf, siteForPages, zoneForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, depends }: PageServerLoadEvent) => {
	depends('fq:site');
	const { stored, profile } = await zoneForPages(params.siteId, params.zoneId);
	const { stored: site, zones } = await siteForPages(params.siteId);
	const governor = governorOf(site, zones, stored.zone);
	const governs = governor && { zone: governor.zone, profile: profileOf(governor.zone, site.profiles) };
	const program = (await compute('zoneFit', { zone: stored.zone, profile })).chosen.program;
	const seen = lastRight(stored.zone.clockReadings);
	const { timeZone } = site.site;
	return {
		called: {
			zone: stored.zone,
			profile,
			program,
			onSite: stored.onSite,
			governor: governs && {
				isSwitch: governs.profile.temperature === null,
				held: expandProgram(
					(await compute('zoneFit', governs)).chosen.program,
					governs.profile.temperature?.minC ?? 0
				)
			},
			/** What a clock that is changed by hand is ahead by, if nobody has changed it since it was last seen right. */
			missedChangeMinutes:
				seen && profile.habits.clock.summerTime === 'by-hand'
					? offsetAt(timeZone, Date.parse(seen.at)) - offsetAt(timeZone, Date.now())
					: 0
		}
	};
});
