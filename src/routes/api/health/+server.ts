import { json } from '@sveltejs/kit';
import { database } from '$lib/server/db';
import type { RequestHandler } from './$types';

/** Whether the program and its database answer, and the server's time; with the mark of whoever started it, so that they know it is this one. */
export const GET: RequestHandler = async () => {
	const headers = {
		'cache-control': 'no-store',
		'x-started-as': process.env.FOND_QUARTER_STARTED_AS ?? ''
	};
	try {
		await (await database()).query('SELECT 1 AS one');
		return json({ ok: true, nowMs: Date.now() }, { headers });
	} catch {
		return json({ ok: false, nowMs: Date.now() }, { status: 503, headers });
	}
};
