import { error } from '@sveltejs/kit';
import { database } from '$lib/server/db';
import { findSite, findZone, profileOf } from '$lib/server/jobs';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ params, depends }) => {
	depends('fq:zone');
	const db = await database();
	const site = await findSite(db, params.siteId);
	if (!site) error(404, 'There is no such site.');
	const stored = await findZone(db, site, params.zoneId);
	if (!stored) error(404, 'There is no such zone on this site.');
	if (stored.deletedAt) error(404, `${stored.zone.name} has been removed. It can be put back from the board.`);
	return {
		zone: { id: stored.id, name: stored.zone.name },
		stored: { zone: stored.zone, keyed: stored.keyed, revision: stored.revision },
		profile: profileOf(stored.zone, site.profiles)
	};
};
