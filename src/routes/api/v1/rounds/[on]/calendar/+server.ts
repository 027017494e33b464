import { writeRoundCalendar } from '$core/formats';
import { database } from '$lib/server/db';
import { readRound, roundSites } from '$lib/server/jobs';
import { refuse } from '$lib/server/http';
import type { RequestHandler } from './$types';

/** A planned round as an iCalendar file: a whole day for each site. */
export const GET: RequestHandler = async ({ params }) => {
	const db = await database();
	const sites = await roundSites(db, params.on);
	if (sites.length === 0) return refuse(404, 'No clock is changed by hand on that date.');
	const round = await readRound(db, params.on);
	return new Response(writeRoundCalendar(params.on, sites, round, new Date()), {
		headers: {
			'content-type': 'text/calendar; charset=utf-8',
			'content-disposition': `attachment; filename="round-${params.on}.ics"`,
			'cache-control': 'no-store'
		}
	});
};
