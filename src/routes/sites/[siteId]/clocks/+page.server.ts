import { siteForPages } from '$lib/server/jobs';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, depends }) => {
	depends('fq:site');
	const { zones } = await siteForPages(params.siteId);
	return {
		/** The server's clock: the right time, as far as this program knows. */
		nowMs: Date.now(),
		noted: Object.fromEntries(zones.map(({ id, onSite }) => [id, onSite]))
	};
};
