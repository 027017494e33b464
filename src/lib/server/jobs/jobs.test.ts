import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { QueryTypes } from 'sequelize';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { readJobFile, writeJobFile, type Job } from '$core/formats';
import { openDatabase, type Database } from '../db';
import { migrations } from '../db/migrations';
import {
	addZone,
	createSite,
	deleteSite,
	duplicateSite,
	findSite,
	listSites,
	noteKeyed,
	orderZones,
	purgeDeleted,
	readSiteAsJob,
	removeZone,
	replaceSite,
	restoreSite,
	restoreZone,
	saveZone,
	zonesOf
} from '.';

let folder: string;
let db: Database;

function demoJob(name = 'tallow-quay-workshops'): Job {
	const read = readJobFile(readFileSync(`demo/${name}.job.json`, 'utf8'));
	if (!read.ok) throw new Error(read.problem.sentence);
	return read.value;
}

async function siteWithZones() {
	const id = await createSite(db, demoJob());
	const site = (await findSite(db, id))!;
	return { id, site, zones: await zonesOf(db, site) };
}

beforeEach(async () => {
	folder = mkdtempSync(path.join(tmpdir(), 'fond-quarter-'));
	db = await openDatabase(path.join(folder, 'made', 'when missing'));
});

afterEach(async () => {
	await db.close();
	rmSync(folder, { recursive: true, force: true });
});

describe('the database', () => {
	it('is in write-ahead mode, keeps foreign keys, and refuses a zone without a site', async () => {
		const pragma = async (name: string) =>
			Object.values(
				(await db.sequelize.query(`PRAGMA ${name}`, { type: QueryTypes.SELECT }))[0] as object
			)[0];
		expect(await pragma('journal_mode')).toBe('wal');
		expect(await pragma('foreign_keys')).toBe(1);
		expect(await pragma('synchronous')).toBe(2);
		await expect(
			db.zones.create({
				id: 'z',
				siteId: 'none',
				position: 0,
				document: {},
				keyed: {},
				summary: null,
				revision: 1,
				createdAt: new Date(),
				updatedAt: new Date(),
				deletedAt: null
			})
		).rejects.toThrow();
	});

	it('migrates an empty database to the newest shape, once, and back', async () => {
		const names = () => db.sequelize.query('SELECT name FROM migrations', { type: QueryTypes.SELECT });
		expect(await names()).toEqual(migrations.map(({ name }) => ({ name })));
		const again = await openDatabase(path.join(folder, 'made', 'when missing'));
		expect(await names()).toHaveLength(migrations.length);
		await again.close();
		for (const migration of [...migrations].reverse()) await migration.down(db.sequelize.getQueryInterface());
		expect(await db.sequelize.getQueryInterface().showAllTables()).not.toContain('zones');
	});
});

describe('a site', () => {
	it('comes back from the database as the very job that went in, also after reopening', async () => {
		const { id } = await siteWithZones();
		await db.close();
		db = await openDatabase(path.join(folder, 'made', 'when missing'));
		expect(writeJobFile((await readSiteAsJob(db, id))!)).toBe(writeJobFile(demoJob()));
	});

	it('is deleted, listed as deleted, put back, and purged after 30 days', async () => {
		const { id } = await siteWithZones();
		expect(await deleteSite(db, id)).toBe(true);
		expect(await listSites(db)).toEqual([]);
		expect((await listSites(db, true)).map((site) => site.id)).toEqual([id]);
		expect(await readSiteAsJob(db, id)).toBeNull();
		expect(await restoreSite(db, id)).toBe(true);
		expect((await listSites(db))[0]).toMatchObject({ id, zones: 5, zonesKeyed: 0 });
		await deleteSite(db, id);
		await purgeDeleted(db, new Date(Date.now() + 29 * 86_400_000));
		expect(await findSite(db, id)).not.toBeNull();
		await purgeDeleted(db, new Date(Date.now() + 31 * 86_400_000));
		expect(await findSite(db, id)).toBeNull();
	});

	it('is duplicated without what was keyed, and replaced whole', async () => {
		const { id, site, zones } = await siteWithZones();
		await noteKeyed(db, site, zones[0]!.id, { 'setting/unit': '°C' });
		const copy = (await readSiteAsJob(db, (await duplicateSite(db, id))!))!;
		expect(copy.site.name).toBe('Tallow Quay Workshops (copy)');
		expect(copy.zones.every((zone) => Object.keys(zone.keyed).length === 0)).toBe(true);
		expect(await replaceSite(db, id, demoJob('osier-lane-reading-room'), null)).toBe(true);
		expect(writeJobFile((await readSiteAsJob(db, id))!)).toBe(
			writeJobFile(demoJob('osier-lane-reading-room'))
		);
	});
});

describe('a zone', () => {
	it('edited in two windows: the second to save is told, and what the first saved stands', async () => {
		const { site, zones } = await siteWithZones();
		const { id, zone } = zones[0]!;
		expect(await saveZone(db, site, id, 1, { ...zone, name: 'First' })).toEqual({
			kind: 'saved',
			revision: 2
		});
		const second = await saveZone(db, site, id, 1, { ...zone, name: 'Second' });
		expect(second).toMatchObject({ kind: 'conflict', current: { revision: 2, zone: { name: 'First' } } });
		expect(await saveZone(db, site, id, 2, { ...zone, name: 'Second' })).toEqual({
			kind: 'saved',
			revision: 3
		});
	});

	it('saved by ten windows at once takes exactly one', async () => {
		const { site, zones } = await siteWithZones();
		const { id, zone } = zones[0]!;
		const outcomes = await Promise.all(
			Array.from({ length: 10 }, (_, i) => saveZone(db, site, id, 1, { ...zone, name: `Window ${i}` }))
		);
		expect(outcomes.filter((one) => one.kind === 'saved')).toHaveLength(1);
	});

	it('takes keyed values from two devices at once and forgets one taken back', async () => {
		const { site, zones } = await siteWithZones();
		const { id } = zones[0]!;
		await Promise.all([noteKeyed(db, site, id, { a: '1', b: '2' }), noteKeyed(db, site, id, { c: '3' })]);
		expect(await noteKeyed(db, site, id, { b: null })).toEqual({ a: '1', c: '3' });
	});

	it('is added behind another, moved, removed and put back in its place', async () => {
		const { site, zones } = await siteWithZones();
		const added = (await addZone(db, site, { ...zones[1]!.zone, name: 'New', keyed: {} }, zones[1]!.id))!;
		const names = async () => (await zonesOf(db, site)).map(({ zone }) => zone.name);
		expect((await names()).indexOf('New')).toBe(2);
		await removeZone(db, site, added);
		expect(await names()).not.toContain('New');
		await restoreZone(db, site, added);
		expect((await names()).indexOf('New')).toBe(2);
		await orderZones(db, site, [added]);
		expect((await names())[0]).toBe('New');
		await removeZone(db, site, added);
		expect(await saveZone(db, site, added, 1, zones[0]!.zone)).toEqual({ kind: 'gone' });
	});
});
