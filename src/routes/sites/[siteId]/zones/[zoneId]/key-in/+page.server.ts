import { zoneCard } from '$core/keying';
import { zoneForPages } from '$lib/server/jobs';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, depends }) => {
	depends('fq:keyed');
	const { stored, profile } = await zoneForPages(params.siteId, params.zoneId);
	return { stored: { keyed: stored.keyed }, card: zoneCard(stored.zone, profile, stored.keyed).card };
};
