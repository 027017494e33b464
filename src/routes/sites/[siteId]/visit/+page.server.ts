import { pageLoad } from '$lib/server/pages';
import { database } from '$lib/server/db';
import { picturesOf, readFirm, siteForPages, visitsOf } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, depends }: PageServerLoadEvent) => {
	depends('fq:site');
	const { stored, zones } = await siteForPages(params.siteId);
	const db = await database();
	const last = (await visitsOf(db, params.siteId)).at(-1)?.visit;
	return {
		nowMs: Date.now(),
		readBackStops: (await readFirm(db)).readBackStops,
		noted: Object.fromEntries(zones.map(({ id, onSite }) => [id, onSite])),
		keyed: Object.fromEntries(zones.map(({ id, keyed }) => [id, { ...keyed }])),
		/** The pictures of the visit that goes on. */
		pictures: (await picturesOf(db, params.siteId)).filter((one) => one.visitAt === null),
		/** The last visit that was ended, while nothing was noted since. */
		ended:
			last && stored.visitOpenSince === null
				? { at: last.at, who: last.who, signedOff: last.signedOff }
				: null
	};
});
