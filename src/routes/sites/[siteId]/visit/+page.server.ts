import { lastWhole } from '$core/record';
import { pageLoad } from '$lib/server/pages';
import { database } from '$lib/server/db';
import { callsOf, picturesOf, readFirm, siteForPages, unfedOf, visitsOf } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, depends }: PageServerLoadEvent) => {
	depends('fq:site');
	const { stored, zones } = await siteForPages(params.siteId);
	const db = await database();
	const last = lastWhole(await visitsOf(db, params.siteId)) ?? null;
	return {
		nowMs: Date.now(),
		/** What zones ask in vain, by their ids. */
		unfed: await unfedOf(stored, zones),
		readBackStops: (await readFirm(db)).readBackStops,
		noted: Object.fromEntries(zones.map(({ id, onSite }) => [id, onSite])),
		/** What is noted at the control of each zone. */
		notes: Object.fromEntries(zones.map(({ id, notes }) => [id, notes])),
		/** Calls that are still open: a visit begins with them. */
		calls: (await callsOf(db, params.siteId)).filter(({ closedAt }) => closedAt === null),
		/** The pictures of the visit that goes on. */
		pictures: (await picturesOf(db, params.siteId)).filter((one) => one.visitAt === null),
		/** The last visit that was ended, and whether nothing was noted since. */
		last: last && {
			id: last.id,
			at: last.visit.at,
			who: last.visit.who,
			signedOff: last.visit.signedOff,
			isLatest: stored.visitOpenSince === null
		}
	};
});
