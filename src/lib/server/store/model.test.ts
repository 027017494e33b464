import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, it } from 'vitest';
import { demoJob } from '../../../../tests/support/database';
import { againstModel } from '../../../../tests/support/siteModel';
import { openDatabase } from '../db';

/** Ten thousand are in bench/model.bench.ts. */
it('holds what a plain model holds, whoever writes at once: desk, phone, office, import and restore', async () => {
	const job = demoJob('osier-lane-reading-room');
	const other = demoJob('tallow-quay-workshops');
	for (const seed of [20_261_126, 4711]) {
		const folder = mkdtempSync(path.join(tmpdir(), 'fond-quarter-model-'));
		const small = { ...other, zones: other.zones.slice(0, 3), visits: [] };
		expect(await againstModel(() => openDatabase(folder), job, small, 150, seed)).toBeNull();
		rmSync(folder, { recursive: true, force: true });
	}
}, 120_000);
