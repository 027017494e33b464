import { pageLoad } from '$lib/server/pages';
import { database } from '$lib/server/db';
import { choiceOf, customerPageOf, linksOf, readFirm, signersOf, siteForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

/** As many zones as are written before the page comes; those of a larger site come after it. */
const AT_ONCE = 24;

export const load = pageLoad(async ({ params, url, depends }: PageServerLoadEvent) => {
	depends('fq:site', 'fq:links');
	const { stored, zones } = await siteForPages(params.siteId);
	const db = await database();
	const choice = choiceOf(url.searchParams);
	const signers = await signersOf(db, params.siteId);
	/** One dwelling's sheet by itself, with its links; null for all. */
	const asked = url.searchParams.get('dwelling');
	const dwelling = zones.some(({ zone }) => zone.dwelling === asked) ? asked : null;
	const shown = dwelling === null ? zones : zones.filter(({ zone }) => zone.dwelling === dwelling);
	const sheets = Promise.all(
		shown.map(async (zone) => ({
			id: zone.id,
			name: zone.zone.name,
			dwelling: zone.zone.dwelling,
			sheet: await customerPageOf(db, zone, stored, choice, signers(zone.zone.dwelling))
		}))
	);
	// what a page waits for may fail before it listens
	sheets.catch(() => undefined);
	return {
		choice,
		dwelling,
		links: dwelling === null ? [] : await linksOf(db, params.siteId),
		sheets: shown.length <= AT_ONCE ? await sheets : sheets,
		firm: await readFirm(db)
	};
});
