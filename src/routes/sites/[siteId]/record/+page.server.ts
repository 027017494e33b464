import { pageLoad } from '$lib/server/pages';
import { database } from '$lib/server/db';
import { callsOf, leftZone, picturesOf, readFirm, siteForPages, unfedOf, visitsOf } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, depends }: PageServerLoadEvent) => {
	depends('fq:site');
	const { stored, zones } = await siteForPages(params.siteId);
	const now = Date.now();
	const db = await database();
	const firm = await readFirm(db);
	const unfed = await unfedOf(stored, zones);
	return {
		visits: await visitsOf(db, params.siteId),
		calls: await callsOf(db, params.siteId),
		pictures: await picturesOf(db, params.siteId),
		visitOpenSince: stored.visitOpenSince,
		/** As everything stands now, for comparing the last visit with it. */
		now: zones.map((zone) => leftZone(zone, stored, firm, now, unfed)),
		nowMs: now
	};
});
