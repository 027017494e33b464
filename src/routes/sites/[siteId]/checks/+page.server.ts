import { pageLoad } from '$lib/server/pages';
import { database } from '$lib/server/db';
import { checksOfZone, readFirm, siteForPages, unfedOf } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, url, depends }: PageServerLoadEvent) => {
	depends('fq:site');
	const { stored, zones } = await siteForPages(params.siteId);
	const firm = await readFirm(await database());
	const unfed = await unfedOf(stored, zones);
	/** Only what is to be said of one dwelling; null for the whole site. */
	const dwelling = url.searchParams.get('dwelling');
	const own = dwelling === null ? zones : zones.filter(({ zone }) => zone.dwelling === dwelling);
	return {
		dwelling: own.length > 0 ? dwelling : null,
		checked: (own.length > 0 ? own : zones).map((zone) => ({
			id: zone.id,
			name: zone.zone.name,
			onSite: zone.onSite,
			checks: checksOfZone(zone, stored, firm, Date.now(), unfed)
		}))
	};
});
