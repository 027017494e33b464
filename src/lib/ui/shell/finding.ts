import { call } from '../call';

/** Something that is found by its words. */
export interface Found {
	readonly label: string;
	readonly detail: string;
	/** Other words that it is found by. */
	readonly also?: string;
	/** Whether one is there already. */
	readonly here?: boolean;
	/** Where it leads, or what it does. */
	readonly to: string | (() => void);
}

/** All sites as people count their names, each leading to its overview, with `asked` behind its address; null where nobody answers. */
export async function findSites(asked = ''): Promise<Found[] | null> {
	const answer = await call<{ jobs: { id: string; name: string; place: string; valuesLeft: number }[] }>(
		'GET',
		'/api/v1/jobs'
	);
	if (!answer.ok) return null;
	// House 2 before House 10
	const { compare } = new Intl.Collator('en', { numeric: true });
	const jobs = [...answer.data.jobs].sort((a, b) => compare(a.name, b.name));
	return jobs.map((job) => ({
		label: job.name,
		detail:
			[job.place, job.valuesLeft > 0 ? `${job.valuesLeft} left to key` : ''].filter(Boolean).join(' · ') ||
			'site',
		to: `/sites/${job.id}${asked}`
	}));
}
