/** `npm run restore -- copy.sqlite`: checks a copy, keeps what is there beside it, and puts the copy in its place. Stop the program first. */
import { copyFileSync, existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import { ensurePackages, root, say } from './setup.mjs';

ensurePackages();
const sqlite3 = createRequire(import.meta.url)('sqlite3');

/**
 * What is wrong with a database file; null for nothing.
 * @param {string} file
 * @returns {Promise<string | null>}
 */
function troubleOf(file) {
	return new Promise((resolve) => {
		const db = new sqlite3.Database(file, sqlite3.OPEN_READONLY, (/** @type {Error | null} */ opened) => {
			if (opened) return resolve(opened.message);
			db.get(
				'PRAGMA integrity_check',
				(/** @type {Error | null} */ error, /** @type {{ integrity_check: string }} */ row) => {
					if (error || row.integrity_check !== 'ok')
						return db.close(() => resolve(error ? error.message : row.integrity_check));
					db.get(
						"SELECT count(*) AS n FROM sqlite_master WHERE name IN ('sites','zones')",
						(/** @type {Error | null} */ failed, /** @type {{ n: number }} */ found) =>
							db.close(() => resolve(failed ? failed.message : found.n === 2 ? null : 'it holds no sites'))
					);
				}
			);
		});
	});
}

/**
 * Whether some program has a database open.
 * @param {string} file
 * @returns {Promise<boolean>}
 */
function isInUse(file) {
	return new Promise((resolve) => {
		const db = new sqlite3.Database(file);
		db.exec(
			'PRAGMA locking_mode = EXCLUSIVE; SELECT count(*) FROM sqlite_master;',
			(/** @type {(Error & { code?: string }) | null} */ error) =>
				db.close(() => resolve(error?.code === 'SQLITE_BUSY'))
		);
	});
}

const copy = process.argv[2];
if (!copy || !existsSync(copy)) {
	console.error('· Name the copy: npm run restore -- path/to/copy.sqlite');
	process.exit(1);
}
const trouble = await troubleOf(copy);
if (trouble) {
	console.error(`· ${copy} was not put back: ${trouble}. Nothing was changed.`);
	process.exit(1);
}
const data = process.env.FOND_QUARTER_DATA ?? path.join(root, 'data', 'own');
mkdirSync(data, { recursive: true });
const file = path.join(data, 'fond-quarter.sqlite');
if (existsSync(file) && (await isInUse(file))) {
	console.error(`· The program is running on ${data}: stop it first. Nothing was changed.`);
	process.exit(1);
}
const stamp = new Date().toISOString().replace(/[:.]/g, '-');
copyFileSync(copy, `${file}.new`);
if (existsSync(file)) {
	renameSync(file, `${file}.before-${stamp}`);
	say(`what was there is kept as ${path.basename(file)}.before-${stamp}`);
}
for (const side of ['-wal', '-shm'])
	if (existsSync(file + side)) {
		copyFileSync(file + side, `${file}.before-${stamp}${side}`);
		rmSync(file + side);
	}
renameSync(`${file}.new`, file);
say(`${copy} was checked and put back into ${data}.`);
