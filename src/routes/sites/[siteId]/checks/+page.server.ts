import { pageLoad } from '$lib/server/pages';
import { database } from '$lib/server/db';
import { checksOfZone, readFirm, siteForPages, unfedOf } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, depends }: PageServerLoadEvent) => {
	depends('fq:site');
	const { stored, zones } = await siteForPages(params.siteId);
	const firm = await readFirm(await database());
	const unfed = await unfedOf(stored, zones);
	return {
		checked: zones.map((zone) => ({
			id: zone.id,
			name: zone.zone.name,
			onSite: zone.onSite,
			checks: checksOfZone(zone, stored, firm, Date.now(), unfed)
		}))
	};
});
