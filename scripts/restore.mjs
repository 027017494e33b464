/** `npm run restore -- copy.sqlite`: checks and tries a copy, keeps what is there beside it, and puts the copy in its place. Stop the program first. */
import { copyFileSync, existsSync, mkdirSync, mkdtempSync, renameSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import { ensureBuild, ensurePackages, freePort, NotStarted, root, say, startServer } from './setup.mjs';

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

/**
 * Runs statements on a database file.
 * @param {string} file
 * @param {string} sql
 * @returns {Promise<void>}
 */
const exec = (file, sql) =>
	new Promise((resolve, reject) => {
		const db = new sqlite3.Database(file);
		db.exec(sql, (/** @type {Error | null} */ error) => db.close(() => (error ? reject(error) : resolve())));
	});

/**
 * What stands in a database beside its pages: tables, indices, triggers and views.
 * @param {string} file
 * @returns {Promise<{ type: string, name: string, sql: string | null }[]>}
 */
const objectsOf = (file) =>
	new Promise((resolve, reject) => {
		const db = new sqlite3.Database(file, sqlite3.OPEN_READONLY);
		db.all(
			'SELECT type, name, sql FROM sqlite_master',
			(
				/** @type {Error | null} */ error,
				/** @type {{ type: string, name: string, sql: string | null }[]} */ rows
			) => db.close(() => (error ? reject(error) : resolve(rows)))
		);
	});

/**
 * Opens the database in a folder with this version of the program, which makes it where there is none and brings it up to date.
 * @param {string} folder
 */
async function open(folder) {
	const server = await startServer({
		data: folder,
		port: await freePort(),
		quiet: true,
		env: { HOST: '127.0.0.1', ORIGIN: undefined }
	});
	await server.stop();
	return path.join(folder, 'fond-quarter.sqlite');
}

/**
 * What stands in a database that the program itself never put there: it would act by itself with every edit.
 * @param {string} file
 * @param {string} own One that the program has just made.
 */
async function foreignIn(file, own) {
	const known = await objectsOf(own);
	return (await objectsOf(file)).filter(
		({ type, name, sql }) =>
			!known.some(
				(one) =>
					one.type === type && one.name === name && (type === 'table' || type === 'index' || one.sql === sql)
			)
	);
}

/** @param {string} sentence @returns {never} */
function leave(sentence) {
	console.error(`· ${sentence} Nothing was changed.`);
	process.exit(1);
}

const copy = process.argv[2];
if (!copy || !existsSync(copy)) leave('Name the copy: npm run restore -- path/to/copy.sqlite.');
const trouble = await troubleOf(copy);
if (trouble) leave(`${copy} was not put back: ${trouble}.`);
const data = process.env.FOND_QUARTER_DATA ?? path.join(root, 'data', 'own');
process.umask(0o077);
mkdirSync(data, { recursive: true, mode: 0o700 });
const file = path.join(data, 'fond-quarter.sqlite');
if (existsSync(file) && (await isInUse(file))) leave(`The program is running on ${data}: stop it first.`);

// tried first, where nobody else looks: this version of the program must open it and bring it up to date
ensureBuild();
const trial = mkdtempSync(path.join(data, 'restoring-'));
const tried = path.join(trial, 'fond-quarter.sqlite');
try {
	copyFileSync(copy, tried);
	await open(trial);
	const [foreign] = await foreignIn(tried, await open(path.join(trial, 'own')));
	if (foreign) {
		rmSync(trial, { recursive: true, force: true });
		leave(
			`${copy} was not put back: it has the ${foreign.type} "${foreign.name}", which is not of this program.`
		);
	}
	// nobody is signed in by an old copy, and no link that has ended since begins again
	const live = existsSync(file)
		? `ATTACH '${file.replaceAll("'", "''")}' AS present;
			UPDATE links SET revokedAt = datetime('now') || '.000 +00:00' WHERE revokedAt IS NULL AND hash NOT IN
				(SELECT hash FROM present.links WHERE revokedAt IS NULL);
			DETACH present;`
		: `UPDATE links SET revokedAt = datetime('now') || '.000 +00:00' WHERE revokedAt IS NULL;`;
	await exec(tried, `${live} DELETE FROM sessions;`);
} catch (error) {
	rmSync(trial, { recursive: true, force: true });
	if (!(error instanceof NotStarted)) console.error(error instanceof Error ? error.message : error);
	leave(`${copy} was not put back: this version of the program cannot open it.`);
}
const stamp = new Date().toISOString().replace(/[:.]/g, '-');
if (existsSync(file)) {
	for (const side of ['', '-wal', '-shm'])
		if (existsSync(file + side)) renameSync(file + side, `${file}.before-${stamp}${side}`);
	say(`what was there is kept as ${path.basename(file)}.before-${stamp}`);
}
renameSync(tried, file);
rmSync(trial, { recursive: true, force: true });
say(`${copy} was checked, tried and put back into ${data}. Everybody signs in anew.`);
