import { expandProgram, profileOf } from '$core/control';
import { askingOf } from '$core/house';
import { lastRight } from '$core/run';
import { offsetAt } from '$core/civil';
import { compute } from '$lib/server/compute';
import { pageLoad } from '$lib/server/pages';
import { database } from '$lib/server/db';
import { callsOf, governorOf, outcomesOf, siteForPages, zoneForPages } from '$lib/server/store';
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
	const db = await database();
	return {
		/** The calls about this zone, and those about the whole house. */
		calls: (await callsOf(db, params.siteId)).filter(
			({ zoneId }) => zoneId === null || zoneId === params.zoneId
		),
		/** What earlier calls of this firm turned out to be. */
		counts: (await outcomesOf(db)).counts,
		called: {
			zone: stored.zone,
			profile,
			program,
			onSite: stored.onSite,
			governor:
				governs &&
				askingOf(
					governs.zone,
					governs.profile,
					expandProgram(
						(await compute('zoneFit', governs)).chosen.program,
						governs.profile.temperature?.minC ?? 0
					)
				),
			/** What a clock that is changed by hand is ahead by, if nobody has changed it since it was last seen right. */
			missedChangeMinutes:
				seen && profile.habits.clock.summerTime === 'by-hand'
					? offsetAt(timeZone, Date.parse(seen.at)) - offsetAt(timeZone, Date.now())
					: 0
		}
	};
});
