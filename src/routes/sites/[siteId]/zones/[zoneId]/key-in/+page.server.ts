import { boxWords } from '$core/words';
import { holdOf } from '$lib/server/holds';
import { pageLoad } from '$lib/server/pages';
import { database } from '$lib/server/db';
import { alikeOf, findSite, zoneForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, depends }: PageServerLoadEvent) => {
	depends('fq:keyed');
	const { stored, channels, profile, mark } = await zoneForPages(params.siteId, params.zoneId);
	const db = await database();
	const site = (await findSite(db, params.siteId))!;
	return {
		/** Other controls of the same kind: those with the very same card are ticked off one by one. */
		alike: await alikeOf(db, site, stored),
		/** What is noted at its control: at the first of its zones, for all. */
		notes: stored.notes,
		/** When the plan was saved last, and by whom. */
		planned: stored.planned,
		/** Another after every change of the site. */
		mark,
		channels: channels.map(({ id, zone }) => ({ id, name: zone.name, channel: zone.options.channel })),
		box: boxWords(stored.zone, profile),
		/** What the control is to hold: the card is made of it where it is keyed, with a connection or without. */
		hold: await holdOf(
			channels.map(({ zone }) => zone),
			profile
		)
	};
});
