import type { Database } from './database';

/**
 * A mark of everything in the database: another after any change, whoever made it. `data_version` tells of commits by
 * other connections (each transaction has one of its own), `total_changes` of those by this one
 * (sqlite.org, pragma.html, data_version).
 */
async function stampOf(db: Database): Promise<string> {
	const rows = await db.query<{ version: number; changes: number }>(
		'SELECT data_version AS version, total_changes() AS changes FROM pragma_data_version'
	);
	return `${rows[0]!.version} ${rows[0]!.changes}`;
}

interface Kept {
	readonly stamp: string;
	readonly value: Promise<unknown>;
}
const kept = new WeakMap<Database, Map<string, Kept>>();

/**
 * What was computed from the database under a name, computed anew only when anything in it, or `also`, has changed since. Those who
 * ask while it is being computed share it; a failure is not kept. The value is shared: nobody may change it.
 */
export async function whileUnchanged<T>(
	db: Database,
	name: string,
	compute: () => Promise<T>,
	also = ''
): Promise<T> {
	const stamp = `${await stampOf(db)} ${also}`;
	const all = kept.get(db) ?? new Map<string, Kept>();
	kept.set(db, all);
	const had = all.get(name);
	if (had?.stamp === stamp) return had.value as Promise<T>;
	const value = compute();
	all.set(name, { stamp, value });
	value.catch(() => all.delete(name));
	return value;
}
