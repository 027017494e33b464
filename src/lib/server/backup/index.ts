import { chmodSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import sqlite3 from 'sqlite3';
import type { Database } from '../db';

/** How many nightly copies are kept. */
export const KEPT_COPIES = 14;

const stamp = (now: Date) => now.toISOString().replace(/[:.]/g, '-').slice(0, 19);

/** Takes everybody's sign-in out of a copy: whoever puts it back lets nobody in by it. */
function withoutSessions(file: string): Promise<void> {
	return new Promise((resolve, reject) => {
		const copy = new sqlite3.Database(file, (opened) => {
			if (opened) return reject(opened);
			copy.exec('PRAGMA secure_delete = ON; DELETE FROM sessions;', (error) =>
				copy.close((closed) => ((error ?? closed) ? reject(error ?? closed) : resolve()))
			);
		});
	});
}

/** Writes a consistent copy of a database in use into a file that is not there yet, without anybody's sign-in, for its owner's eyes alone. */
export async function copyDatabase(db: Database, file: string): Promise<void> {
	mkdirSync(path.dirname(file), { recursive: true, mode: 0o700 });
	await db.sequelize.query('VACUUM INTO :file', { replacements: { file } });
	chmodSync(file, 0o600);
	await withoutSessions(file);
}

/** A consistent copy of the database as bytes. It stands in a folder of its own beside the database while it is made, never in a shared one. */
export async function copyForOffice(db: Database): Promise<Uint8Array<ArrayBuffer>> {
	const folder = mkdtempSync(path.join(db.folder, 'copying-'));
	try {
		const file = path.join(folder, 'copy.sqlite');
		await copyDatabase(db, file);
		return new Uint8Array(readFileSync(file));
	} finally {
		rmSync(folder, { recursive: true, force: true });
	}
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
