import { zoneForPages } from '$lib/server/jobs';
import type { LayoutServerLoad } from './$types';

/** What the head and the palette say about the zone; each page loads the zone itself, fresh. */
export const load: LayoutServerLoad = async ({ params }) => {
	const { stored } = await zoneForPages(params.siteId, params.zoneId);
	return { zone: { id: stored.id, name: stored.zone.name } };
};
