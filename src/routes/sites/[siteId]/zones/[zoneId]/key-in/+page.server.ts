import { boxWords } from '$core/words';
import { compute } from '$lib/server/compute';
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
		stored: { keyed: stored.keyed },
		/** When the plan was saved last, and by whom. */
		planned: stored.planned,
		/** Another after every change of the site. */
		mark,
		/** The zones of its control: what is keyed is noted at the first of them, for all. */
		channels: channels.map(({ id, zone }) => ({ id, name: zone.name, channel: zone.options.channel })),
		box: boxWords(stored.zone, profile),
		card: await compute('boxCard', {
			zones: channels.map(({ zone }) => zone),
			profile,
			keyed: stored.keyed
		})
	};
});
