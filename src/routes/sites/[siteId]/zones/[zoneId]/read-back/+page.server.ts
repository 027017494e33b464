import { allowedOptions } from '$core/control';
import { fitZone } from '$core/fit';
import { zoneForPages } from '$lib/server/jobs';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => {
	const { stored, profile } = await zoneForPages(params.siteId, params.zoneId);
	return {
		stored: { keyed: stored.keyed },
		profile,
		options: allowedOptions(profile, stored.zone.options),
		program: fitZone(stored.zone, profile).chosen.program
	};
};
