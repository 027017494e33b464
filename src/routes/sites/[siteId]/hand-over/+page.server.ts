import { pageLoad } from '$lib/server/pages';
import { database } from '$lib/server/db';
import { choiceOf, customerPageOf, lastSigner, readFirm, siteForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, url, depends }: PageServerLoadEvent) => {
	depends('fq:site');
	const { stored, zones } = await siteForPages(params.siteId);
	const db = await database();
	const choice = choiceOf(url.searchParams);
	const setUpBy = await lastSigner(db, params.siteId);
	return {
		choice,
		sheets: await Promise.all(
			zones.map(async (zone) => ({
				id: zone.id,
				name: zone.zone.name,
				sheet: await customerPageOf(db, zone, stored, choice, setUpBy)
			}))
		),
		firm: await readFirm(db)
	};
});
