import { boxWords } from '$core/words';
import { compute } from '$lib/server/compute';
import { pageLoad } from '$lib/server/pages';
import { allowedOptions } from '$core/control';
import { menuWanted } from '$core/keying';
import { zoneForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params }: PageServerLoadEvent) => {
	const { stored, channels, profile } = await zoneForPages(params.siteId, params.zoneId);
	return {
		stored: { keyed: stored.keyed },
		profile,
		/** The entries of its own menus as they are to stand. */
		menu: menuWanted(
			channels.map(({ zone }) => zone),
			profile
		),
		box: boxWords(stored.zone, profile),
		/** The zones of its control in the order of its channels, with what each is to hold. */
		channels: await Promise.all(
			channels.map(async ({ id, zone }) => ({
				id,
				options: allowedOptions(profile, zone.options),
				program: (await compute('zoneFit', { zone, profile })).chosen.program
			}))
		)
	};
});
