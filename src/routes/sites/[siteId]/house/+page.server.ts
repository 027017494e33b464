import { heldWeeks } from '$lib/server/holds';
import { pageLoad } from '$lib/server/pages';
import { siteForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, depends }: PageServerLoadEvent) => {
	depends('fq:site');
	const { stored, zones } = await siteForPages(params.siteId);
	return { held: await heldWeeks(zones, stored) };
});
