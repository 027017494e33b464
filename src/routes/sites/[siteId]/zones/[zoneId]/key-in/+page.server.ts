import { allowedOptions } from '$core/control';
import { fitZone } from '$core/fit';
import { keyCard } from '$core/keying';
import { zoneForPages } from '$lib/server/jobs';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, depends }) => {
	depends('fq:keyed');
	const { stored, profile } = await zoneForPages(params.siteId, params.zoneId);
	const { chosen } = fitZone(stored.zone, profile);
	return {
		stored: { keyed: stored.keyed },
		card: keyCard(
			profile,
			allowedOptions(profile, stored.zone.options),
			chosen.grouping,
			chosen.program,
			stored.keyed
		)
	};
};
