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

/** All sites, as they are found; null where nobody answers. */
export async function findSites(): Promise<Found[] | null> {
	const answer = await call<{ jobs: { id: string; name: string; place: string; valuesLeft: number }[] }>(
		'GET',
		'/api/v1/jobs'
	);
	if (!answer.ok) return null;
	return answer.data.jobs.map((job) => ({
		label: job.name,
		detail:
			[job.place, job.valuesLeft > 0 ? `${job.valuesLeft} left to key` : ''].filter(Boolean).join(' · ') ||
			'site',
		to: `/sites/${job.id}`
	}));
}
