import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { QueryTypes } from 'sequelize';
import { expect, it } from 'vitest';
import { siteSchema } from '$core/plan';
import { openDatabase } from '../db';
import { createSite, listSites } from '../store';
import { keepCopy, KEPT_COPIES } from '.';

it('keeps so many copies and no more, each of them whole, with what was there on its night', async () => {
	const folder = mkdtempSync(path.join(tmpdir(), 'fond-quarter-copies-'));
	const db = await openDatabase(folder);
	const site = (name: string) =>
		createSite(db, {
			site: siteSchema.parse({ name }),
			weather: null,
			visits: [],
			calls: [],
			profiles: [],
			zones: []
		});
	for (let night = 1; night <= KEPT_COPIES + 3; night++) {
		await site(`Site ${night}`);
		await keepCopy(db, new Date(Date.UTC(2026, 0, night, 2)));
	}
	const copies = readdirSync(path.join(folder, 'copies')).sort();
	expect(copies).toHaveLength(KEPT_COPIES);
	expect(copies[0]).toContain('2026-01-04');
	// another file of the folder is nobody's to remove, and no name of a copy is written over
	await expect(keepCopy(db, new Date(Date.UTC(2026, 0, 5, 2)))).rejects.toThrow();
	await db.close();

	const restored = mkdtempSync(path.join(tmpdir(), 'fond-quarter-restored-'));
	const { copyFileSync } = await import('node:fs');
	copyFileSync(path.join(folder, 'copies', copies[0]!), path.join(restored, 'fond-quarter.sqlite'));
	const old = await openDatabase(restored);
	expect(await old.sequelize.query('PRAGMA integrity_check', { type: QueryTypes.SELECT })).toEqual([
		{ integrity_check: 'ok' }
	]);
	expect((await listSites(old)).map((one) => one.name).sort()).toEqual([
		'Site 1',
		'Site 2',
		'Site 3',
		'Site 4'
	]);
	await old.close();
	for (const one of [folder, restored]) rmSync(one, { recursive: true, force: true });
});
