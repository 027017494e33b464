import { pageLoad } from '$lib/server/pages';
import { dateOfDay, wallAt } from '$core/civil';
import { database } from '$lib/server/db';
import { listSites, nextDue, openCallsInList } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

/** How many sites are sent at once; the others when they are asked for. */
const AT_ONCE = 60;

/** What cannot wait first, then what is to be keyed, then the rest; among each what is due sooner, then the latest touched. */
export const load = pageLoad(async ({ depends, url }: PageServerLoadEvent) => {
	depends('fq:jobs');
	const db = await database();
	const [jobs, deleted, due, calls] = await Promise.all([
		listSites(db),
		listSites(db, true),
		nextDue(db),
		openCallsInList(db)
	]);
	const calling = new Set(calls.map(({ siteId }) => siteId));
	const today = dateOfDay(Math.floor(wallAt('UTC', Date.now()) / 1440));
	const asked = (url.searchParams.get('name') ?? '').trim().slice(0, 80);
	const words = asked.toLowerCase().split(/\s+/).filter(Boolean);
	const rank = { now: 0, key: 1, done: 2 } as const;
	const every = jobs
		.map((job) => {
			const next = due.get(job.id);
			const part: keyof typeof rank =
				(next && next.on <= today) || job.visitOpenSince !== null || calling.has(job.id)
					? 'now'
					: job.zones === 0 || job.valuesLeft > 0
						? 'key'
						: 'done';
			return {
				...job,
				part,
				next: next ? { on: next.on, late: next.late, zone: next.zoneName, sentence: next.sentence } : null
			};
		})
		.sort((a, b) => {
			const [on, other] = [a.next?.on ?? '9999', b.next?.on ?? '9999'];
			return rank[a.part] - rank[b.part] || (on < other ? -1 : on > other ? 1 : 0);
		});
	const listed = every.filter((job) =>
		words.every((word) => `${job.name} ${job.place}`.toLowerCase().includes(word))
	);
	const open = jobs.filter((job) => job.valuesLeft > 0);
	return {
		jobs: url.searchParams.get('all') === '1' ? listed : listed.slice(0, AT_ONCE),
		found: listed.length,
		all: jobs.length,
		asked,
		now: every.filter((job) => job.part === 'now').length,
		valuesLeft: open.reduce((sum, job) => sum + job.valuesLeft, 0),
		sitesLeft: open.length,
		deleted,
		calls,
		nowMs: Date.now(),
		today
	};
});
