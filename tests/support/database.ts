import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach } from 'vitest';
import { readJobFile, type Job } from '$core/formats';
import { openDatabase, type Database } from '../../src/lib/server/db';
import { createSite, findSite, zonesOf } from '../../src/lib/server/store';

/** A test file that imports this has a new database, in a folder of its own, for each of its tests. */
export let db: Database;
let folder: string;

const there = () => path.join(folder, 'made', 'when missing');

beforeEach(async () => {
	folder = mkdtempSync(path.join(tmpdir(), 'fond-quarter-'));
	db = await openDatabase(there());
});

afterEach(async () => {
	await db.close();
	rmSync(folder, { recursive: true, force: true });
});

/** Closes the database and opens it again, as a new start does. */
export async function reopen(): Promise<void> {
	await db.close();
	db = await openDatabase(there());
}

/** A second connection to the same database. */
export const another = () => openDatabase(there());

/** A job of the demo. */
export function demoJob(name = 'tallow-quay-workshops'): Job {
	const read = readJobFile(readFileSync(`demo/${name}.job.json`, 'utf8'));
	if (!read.ok) throw new Error(read.problem.sentence);
	return read.value;
}

/** A site of the demo in the database, with its zones. */
export async function siteWithZones(job = demoJob()) {
	const id = await createSite(db, job);
	const site = (await findSite(db, id))!;
	return { id, site, zones: await zonesOf(db, site) };
}
