import { pageLoad } from '$lib/server/pages';
import { error } from '@sveltejs/kit';
import { database } from '$lib/server/db';
import { choiceOf, customerPageOf, signersOf, readFirm, zonesOfLink } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

/** As many rooms as come at once: a page for a phone. */
const AT_ONCE = 12;

export const load = pageLoad(async ({ params, url, setHeaders }: PageServerLoadEvent) => {
	setHeaders({ 'cache-control': 'no-store', 'x-robots-tag': 'noindex, nofollow' });
	const db = await database();
	const opened = await zonesOfLink(db, params.token);
	if (!opened) error(404, 'Link expired. Ask your installer for a new one.');
	const { site, zones } = opened;
	const choice = choiceOf(url.searchParams);
	const signers = await signersOf(db, site.id);
	const asked = Math.floor(Number(url.searchParams.get('from') ?? 0) / AT_ONCE) * AT_ONCE;
	const from = asked > 0 && asked < zones.length ? asked : 0;
	return {
		token: params.token,
		/** The rooms' names in the order of their pages. */
		rooms: zones.map(({ zone }) => zone.name),
		sheets: await Promise.all(
			zones
				.slice(from, from + AT_ONCE)
				.map((zone) => customerPageOf(db, zone, site, choice, signers(zone.zone.dwelling)))
		),
		/** Which rooms these are, from which on, and where others begin. */
		from,
		begins: Array.from({ length: Math.ceil(zones.length / AT_ONCE) }, (_, i) => i * AT_ONCE),
		firm: await readFirm(db),
		large: choice.large
	};
});
