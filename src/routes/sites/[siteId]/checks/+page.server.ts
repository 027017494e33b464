import { checksOfZone, siteForPages } from '$lib/server/jobs';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, depends }) => {
	depends('fq:site');
	const { stored, zones } = await siteForPages(params.siteId);
	return {
		checked: zones.map((zone) => ({
			id: zone.id,
			name: zone.zone.name,
			onSite: zone.onSite,
			checks: checksOfZone(zone, stored)
		}))
	};
};
