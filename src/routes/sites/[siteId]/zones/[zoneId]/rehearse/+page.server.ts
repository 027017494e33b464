import { boxWords } from '$core/words';
import { compute } from '$lib/server/compute';
import { pageLoad } from '$lib/server/pages';
import { zoneForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params }: PageServerLoadEvent) => {
	const { stored, channels, profile } = await zoneForPages(params.siteId, params.zoneId);
	return {
		/** A control that governs more than one zone is rehearsed as one. */
		name: channels.length > 1 ? boxWords(stored.zone, profile) : stored.zone.name,
		/** The room that it heats there. */
		room: stored.zone.room,
		/** What hangs on it, for an exercise. */
		hanging: channels.map(({ zone }) => zone),
		card: await compute('boxCard', { zones: channels.map(({ zone }) => zone), profile })
	};
});
