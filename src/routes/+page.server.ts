import { database } from '$lib/server/db';
import { listSites } from '$lib/server/jobs';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ depends }) => {
	depends('fq:jobs');
	const db = await database();
	const [jobs, deleted] = await Promise.all([listSites(db), listSites(db, true)]);
	return { jobs, deleted };
};
