import { allowedOptions } from '$core/control';
import { fitZone } from '$core/fit';
import { zoneForPages } from '$lib/server/jobs';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => {
	const { stored, profile } = await zoneForPages(params.siteId, params.zoneId);
	const { chosen } = fitZone(stored.zone, profile);
	return {
		stored: { zone: stored.zone },
		profile,
		held: chosen.held,
		heldCool: chosen.heldCool,
		misfit: chosen.misfit,
		options: allowedOptions(profile, stored.zone.options),
		nowMs: Date.now()
	};
};
