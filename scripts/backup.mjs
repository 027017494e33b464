/** `npm run backup -- [copy.sqlite]`: writes a consistent copy of the database, also while the program runs. */
import { existsSync, mkdirSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import { ensurePackages, root, say } from './setup.mjs';

ensurePackages();
const sqlite3 = createRequire(import.meta.url)('sqlite3');
const data = process.env.FOND_QUARTER_DATA ?? path.join(root, 'data', 'own');
const file = path.join(data, 'fond-quarter.sqlite');
if (!existsSync(file)) {
	console.error(`· There is no database in ${data}.`);
	process.exit(1);
}
const copy = path.resolve(
	process.argv[2] ??
		path.join(
			data,
			'copies',
			`fond-quarter-${new Date().toISOString().replace(/[:.]/g, '-').slice(0, 19)}.sqlite`
		)
);
if (existsSync(copy)) {
	console.error(`· ${copy} is there already; nothing was written.`);
	process.exit(1);
}
process.umask(0o077);
mkdirSync(path.dirname(copy), { recursive: true, mode: 0o700 });
const db = new sqlite3.Database(file);
db.configure('busyTimeout', 10_000);
db.run('VACUUM INTO ?', [copy], (/** @type {Error | null} */ error) => {
	if (error) {
		console.error(`· No copy was written: ${error.message}`);
		process.exit(1);
	}
	db.close();
	// whoever puts it back lets nobody in by it
	const written = new sqlite3.Database(copy);
	written.exec('PRAGMA secure_delete = ON; DELETE FROM sessions;', (/** @type {Error | null} */ failed) =>
		written.close(() => {
			if (failed) {
				rmSync(copy, { force: true });
				console.error(`· No copy was written: ${failed.message}`);
				process.exit(1);
			}
			say(`a copy was written to ${copy}`);
		})
	);
});
