import { siteForPages } from '$lib/server/jobs';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, depends }) => {
	depends('fq:site');
	const { zones } = await siteForPages(params.siteId);
	return { noted: Object.fromEntries(zones.map(({ id, onSite }) => [id, onSite])) };
};
