import { database } from '$lib/server/db';
import { pageLoad } from '$lib/server/pages';
import { dueList, openCallsInList } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

/** How many things due a site says at once: one at its head, three below. */
const SOONEST = 4;

export const load = pageLoad(async ({ params, depends }: PageServerLoadEvent) => {
	depends('fq:site');
	const due = (await dueList(await database())).filter((one) => one.siteId === params.siteId);
	return {
		calls: await openCallsInList(await database(), params.siteId),
		nowMs: Date.now(),
		due: due.slice(0, SOONEST),
		allDue: due.length
	};
});
