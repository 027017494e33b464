import { database } from '$lib/server/db';
import { readFirm } from '$lib/server/firm';
import { checksOfZone, siteForPages } from '$lib/server/jobs';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, depends }) => {
	depends('fq:site');
	const { stored, zones } = await siteForPages(params.siteId);
	const firm = await readFirm(await database());
	return {
		checked: zones.map((zone) => ({
			id: zone.id,
			name: zone.zone.name,
			onSite: zone.onSite,
			checks: checksOfZone(zone, stored, firm)
		}))
	};
};
