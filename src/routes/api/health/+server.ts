import { json } from '@sveltejs/kit';
import { QueryTypes } from 'sequelize';
import { database } from '$lib/server/db';
import type { RequestHandler } from './$types';

/** Whether the program and its database answer, and the server's time. */
export const GET: RequestHandler = async () => {
	try {
		const db = await database();
		await db.sequelize.query('SELECT 1', { type: QueryTypes.SELECT });
		return json({ ok: true, nowMs: Date.now() }, { headers: { 'cache-control': 'no-store' } });
	} catch {
		return json({ ok: false, nowMs: Date.now() }, { status: 503, headers: { 'cache-control': 'no-store' } });
	}
};
