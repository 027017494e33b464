import { boxWords } from '$core/words';
import { holdOf } from '$lib/server/holds';
import { pageLoad } from '$lib/server/pages';
import { zoneForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params }: PageServerLoadEvent) => {
	const { stored, channels, profile } = await zoneForPages(params.siteId, params.zoneId);
	return {
		/** What is noted at its control. */
		notes: stored.notes,
		box: boxWords(stored.zone, profile),
		/** The zones of its control in the order of its channels. */
		channels: channels.map(({ id }) => ({ id })),
		/** What the control is to hold. */
		hold: await holdOf(
			channels.map(({ zone }) => zone),
			profile
		)
	};
});
