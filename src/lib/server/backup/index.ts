import { mkdirSync, readdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import type { Database } from '../db';

/** How many nightly copies are kept. */
export const KEPT_COPIES = 14;

const stamp = (now: Date) => now.toISOString().replace(/[:.]/g, '-').slice(0, 19);

/** Writes a consistent copy of a database in use into a file that is not there yet. */
export async function copyDatabase(db: Database, file: string): Promise<void> {
	mkdirSync(path.dirname(file), { recursive: true });
	await db.sequelize.query('VACUUM INTO :file', { replacements: { file } });
}

/** Writes a copy into the `copies` folder beside the database and removes the oldest past {@link KEPT_COPIES}. Returns its path. */
export async function keepCopy(db: Database, now = new Date()): Promise<string> {
	const folder = path.join(db.folder, 'copies');
	const file = path.join(folder, `fond-quarter-${stamp(now)}.sqlite`);
	await copyDatabase(db, file);
	const all = readdirSync(folder)
		.filter((name) => /^fond-quarter-.*\.sqlite$/.test(name))
		.sort();
	for (const old of all.slice(0, Math.max(0, all.length - KEPT_COPIES))) rmSync(path.join(folder, old));
	return file;
}

/** Keeps a copy every night at two by this machine's clock. Returns how to stop it. */
export function nightlyCopies(db: Database, ontrouble: (error: unknown) => void): () => void {
	let timer: ReturnType<typeof setTimeout>;
	const next = () => {
		const at = new Date();
		at.setHours(26, 0, 0, 0);
		const wait = (at.getTime() - Date.now()) % 86_400_000;
		timer = setTimeout(() => void keepCopy(db).catch(ontrouble).finally(next), wait);
		timer.unref();
	};
	next();
	return () => clearTimeout(timer);
}
