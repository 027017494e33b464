import { profilesFor } from '$lib/server/controls';
import { database } from '$lib/server/db';
import { siteForPages, zoneInList } from '$lib/server/jobs';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ params, depends }) => {
	depends('fq:site');
	const { stored, zones, removed } = await siteForPages(params.siteId);
	return {
		site: { id: stored.id, revision: stored.revision, ...stored.site },
		zones: zones.map((zone) => zoneInList(zone, stored)),
		removed: removed.map((zone) => ({ id: zone.id, name: zone.zone.name })),
		profiles: await profilesFor(await database(), stored)
	};
};
