import { dueResponse } from '$core/formats';
import { database, whileUnchanged } from '$lib/server/db';
import { answer } from '$lib/server/http';
import { dueList } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

/** With thousands of entries the text is kept until anything changes, or the hour does. */
export const GET: RequestHandler = async () => {
	const db = await database();
	const due = await dueList(db);
	const text = await whileUnchanged(
		db,
		'due text',
		() => answer(dueResponse, { due: [...due] }).text(),
		String(Math.floor(Date.now() / 3_600_000))
	);
	return new Response(text, { headers: { 'content-type': 'application/json' } });
};
