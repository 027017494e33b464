import { pageLoad } from '$lib/server/pages';
import { historyOf, ownProfilesFor, siteForPages, siteMark, zonesInList } from '$lib/server/store';
import { database } from '$lib/server/db';
import type { LayoutServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, depends }: LayoutServerLoadEvent) => {
	depends('fq:site');
	const { stored, zones, removed } = await siteForPages(params.siteId);
	return {
		site: { id: stored.id, revision: stored.revision, ...stored.site },
		mark: siteMark(stored),
		zones: await zonesInList(await database(), stored, zones),
		/** Its visits and calls, as its places say them. */
		history: await historyOf(await database(), stored),
		removed: removed.map((zone) => ({ id: zone.id, name: zone.zone.name })),
		/** Those that do not ship: the site's own copies and the installation's. */
		ownProfiles: await ownProfilesFor(await database(), stored)
	};
});
