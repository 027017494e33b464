/**
 * Ten thousand random steps (STEPS) of desk, phone, office, import and restore against one site, several at once, held against a plain
 * model after every batch: how many steps a second, and where the two differ (nowhere). SEED chooses another run.
 */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { readJobFile } from '../src/core/formats';
import { openDatabase } from '../src/lib/server/db';
import { againstModel } from '../tests/support/siteModel';

const STEPS = Number(process.env.STEPS ?? 10_000);
const seed = Number(process.env.SEED ?? 20_261_126);
const job = (name: string) => {
	const read = readJobFile(readFileSync(`demo/${name}.job.json`, 'utf8'));
	if (!read.ok) throw new Error(read.problem.sentence);
	return read.value;
};
const folder = mkdtempSync(path.join(tmpdir(), 'fond-quarter-model-'));
const small = { ...job('tallow-quay-workshops'), visits: [] };
const started = performance.now();
const differs = await againstModel(
	() => openDatabase(folder),
	job('osier-lane-reading-room'),
	{ ...small, zones: small.zones.slice(0, 3) },
	STEPS,
	seed
);
const seconds = (performance.now() - started) / 1000;
rmSync(folder, { recursive: true, force: true });
console.log(
	`${STEPS} steps of seed ${seed}: ${differs ?? 'the database and the model are the same after each'}; ${(STEPS / seconds).toFixed(0)} steps a second, reading all of it each time`
);
if (differs) process.exit(1);
