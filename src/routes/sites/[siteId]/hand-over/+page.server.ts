import { pageLoad } from '$lib/server/pages';
import { database } from '$lib/server/db';
import { choiceOf, customerPageOf, lastSigner, readFirm, siteForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

/** As many zones as are written before the page comes; those of a larger site come after it. */
const AT_ONCE = 24;

export const load = pageLoad(async ({ params, url, depends }: PageServerLoadEvent) => {
	depends('fq:site');
	const { stored, zones } = await siteForPages(params.siteId);
	const db = await database();
	const choice = choiceOf(url.searchParams);
	const setUpBy = await lastSigner(db, params.siteId);
	const sheets = Promise.all(
		zones.map(async (zone) => ({
			id: zone.id,
			name: zone.zone.name,
			dwelling: zone.zone.dwelling,
			sheet: await customerPageOf(db, zone, stored, choice, setUpBy)
		}))
	);
	// what a page waits for may fail before it listens
	sheets.catch(() => undefined);
	return {
		choice,
		sheets: zones.length <= AT_ONCE ? await sheets : sheets,
		firm: await readFirm(db)
	};
});
