import { pageLoad } from '$lib/server/pages';
import { error } from '@sveltejs/kit';
import { database } from '$lib/server/db';
import {
	choiceOf,
	customerPageOf,
	findSite,
	lastSigner,
	readFirm,
	siteOfLink,
	zonesOf
} from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, url, setHeaders }: PageServerLoadEvent) => {
	setHeaders({ 'cache-control': 'no-store', 'x-robots-tag': 'noindex, nofollow' });
	const db = await database();
	const siteId = await siteOfLink(db, params.token);
	const site = siteId ? await findSite(db, siteId) : null;
	if (!site || site.deletedAt)
		error(404, 'This link has ended. Ask whoever set up your heating for a new one.');
	const choice = choiceOf(url.searchParams);
	const signer = await lastSigner(db, site.id);
	const zones = await zonesOf(db, site);
	return {
		token: params.token,
		/** The rooms' names in the order of their pages. */
		rooms: zones.map(({ zone }) => zone.name),
		sheets: await Promise.all(zones.map((zone) => customerPageOf(db, zone, site, choice, signer))),
		firm: await readFirm(db),
		large: choice.large
	};
});
