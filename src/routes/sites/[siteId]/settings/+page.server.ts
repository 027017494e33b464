import { pageLoad } from '$lib/server/pages';
import { siteForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, depends }: PageServerLoadEvent) => {
	depends('fq:site');
	const { zones } = await siteForPages(params.siteId);
	return { noted: Object.fromEntries(zones.map(({ id, onSite }) => [id, onSite])) };
});
