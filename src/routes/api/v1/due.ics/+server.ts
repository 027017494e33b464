import { writeDueCalendar } from '$core/formats';
import { database } from '$lib/server/db';
import { dueList } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

/** What is due as an iCalendar file of whole days. */
export const GET: RequestHandler = async () =>
	new Response(writeDueCalendar(await dueList(await database()), new Date()), {
		headers: {
			'content-type': 'text/calendar; charset=utf-8',
			'content-disposition': 'attachment; filename="due.ics"',
			'cache-control': 'no-store'
		}
	});
