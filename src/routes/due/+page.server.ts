import { pageLoad } from '$lib/server/pages';
import { dateOfDay, wallAt } from '$core/civil';
import { DUE_KINDS, type Due } from '$core/words';
import { database } from '$lib/server/db';
import { dueCounts, dueList, roundDates } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

/** How many entries are sent at once; the others when they are asked for. */
const AT_ONCE = 150;
const KINDS = Object.keys(DUE_KINDS) as Due['kind'][];

export const load = pageLoad(async ({ url }: PageServerLoadEvent) => {
	const db = await database();
	const [all, counts, rounds] = await Promise.all([dueList(db), dueCounts(db), roundDates(db)]);
	const kind = KINDS.find((one) => one === url.searchParams.get('kind')) ?? null;
	const due = kind === null ? all : all.filter((one) => one.kind === kind);
	return {
		due: url.searchParams.get('all') === '1' ? due : due.slice(0, AT_ONCE),
		found: due.length,
		last: due.at(-1)?.on ?? '',
		kind,
		all: counts.all,
		counts: counts.kinds,
		late: counts.late,
		next: counts.next,
		rounds: rounds.filter((round) => round.left + round.unseen > 0),
		today: dateOfDay(Math.floor(wallAt('UTC', Date.now()) / 1440))
	};
});
