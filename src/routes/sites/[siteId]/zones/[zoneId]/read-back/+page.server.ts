import { compute } from '$lib/server/compute';
import { pageLoad } from '$lib/server/pages';
import { allowedOptions } from '$core/control';
import { zoneForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params }: PageServerLoadEvent) => {
	const { stored, profile } = await zoneForPages(params.siteId, params.zoneId);
	return {
		stored: { keyed: stored.keyed },
		profile,
		options: allowedOptions(profile, stored.zone.options),
		program: (await compute('zoneFit', { zone: stored.zone, profile })).chosen.program
	};
});
