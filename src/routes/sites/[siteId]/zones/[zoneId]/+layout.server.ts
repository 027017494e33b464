import { pageLoad } from '$lib/server/pages';
import { zoneForPages } from '$lib/server/store';
import type { LayoutServerLoadEvent } from './$types';

/** What the head and the palette say about the zone; each page loads the zone itself, fresh. */
export const load = pageLoad(async ({ params }: LayoutServerLoadEvent) => {
	const { stored } = await zoneForPages(params.siteId, params.zoneId);
	return { zone: { id: stored.id, name: stored.zone.name } };
});
