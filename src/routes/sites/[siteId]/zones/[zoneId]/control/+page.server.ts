import { compute } from '$lib/server/compute';
import { pageLoad } from '$lib/server/pages';
import { zoneForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, depends }: PageServerLoadEvent) => {
	depends('fq:keyed');
	const { stored, channels, profile } = await zoneForPages(params.siteId, params.zoneId);
	return {
		/** The zones that hang on the same control, with this one, in the order of its channels. */
		channels: channels.map(({ id, zone }) => ({ id, zone })),
		card: await compute('boxCard', {
			zones: channels.map(({ zone }) => zone),
			profile
		}),
		/** Values that are still to key at it. */
		left: stored.summary.left
	};
});
