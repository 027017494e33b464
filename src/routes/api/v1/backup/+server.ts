import { readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { randomUUID } from 'node:crypto';
import { copyDatabase } from '$lib/server/backup';
import { database } from '$lib/server/db';
import type { RequestHandler } from './$types';

/** A consistent copy of the database, to be kept elsewhere. */
export const POST: RequestHandler = async () => {
	const file = path.join(tmpdir(), `fond-quarter-copy-${randomUUID()}.sqlite`);
	try {
		await copyDatabase(await database(), file);
		const day = new Date().toISOString().slice(0, 10);
		return new Response(new Uint8Array(readFileSync(file)), {
			headers: {
				'content-type': 'application/vnd.sqlite3',
				'content-disposition': `attachment; filename="fond-quarter-${day}.sqlite"`,
				'cache-control': 'no-store'
			}
		});
	} finally {
		rmSync(file, { force: true });
	}
};
