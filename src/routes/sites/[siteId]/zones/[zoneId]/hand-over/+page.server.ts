import { pageLoad } from '$lib/server/pages';
import { error } from '@sveltejs/kit';
import { database } from '$lib/server/db';
import {
	choiceOf,
	customerPageOf,
	findSite,
	signersOf,
	linksOf,
	readFirm,
	zoneForPages
} from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, url, depends }: PageServerLoadEvent) => {
	depends('fq:links');
	const { stored } = await zoneForPages(params.siteId, params.zoneId);
	const db = await database();
	const site = await findSite(db, params.siteId);
	if (!site) error(404, 'There is no such site.');
	const choice = choiceOf(url.searchParams);
	return {
		sheet: await customerPageOf(
			db,
			stored,
			site,
			choice,
			(await signersOf(db, params.siteId))(stored.zone.dwelling)
		),
		choice,
		firm: await readFirm(db),
		links: await linksOf(db, params.siteId)
	};
});
