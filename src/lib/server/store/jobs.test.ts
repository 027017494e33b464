import { QueryTypes } from 'sequelize';
import { describe, expect, it } from 'vitest';
import { writeJobFile } from '$core/formats';
import type { Note } from '$core/keying';
import { keptWeather, nothingNoted, YEAR_HOURS } from '$core/plan';
import { another, db, demoJob, reopen, siteWithZones } from '../../../../tests/support/database';
import { migrations } from '../db/migrations';
import {
	addZone,
	deleteSite,
	dueList,
	duplicateSite,
	endVisit,
	findSite,
	importSite,
	jobText,
	listSites,
	noteFields,
	noteAtControl,
	orderZones,
	purgeDeleted,
	readSiteAsJob,
	removeZone,
	replaceSite,
	restoreSite,
	restoreZone,
	saveWeather,
	saveZone,
	search,
	changeSite,
	zonesOf
} from '.';

const unitKeyed: Note = { what: 'keyed', goals: [{ of: 'option', id: 'unit', position: 0 }] };

describe('a house copied, and a file taken in twice', () => {
	it('carries its plan alone: no clock readings, absences, keyed values, notes or visits', async () => {
		const job = demoJob();
		const { id, site, zones } = await siteWithZones({
			...job,
			zones: job.zones.map((zone) => ({
				...zone,
				clockReadings: [
					{ at: '2026-11-01T10:00:00Z', errorSeconds: -60, daysAhead: 0, set: false, lost: false }
				],
				exceptions: [
					{
						kind: 'absence',
						id: 'a',
						leave: '2026-12-01T10:00',
						back: '2026-12-05T10:00',
						setpointC: 7,
						note: ''
					},
					{ kind: 'hold', id: 'h', from: '2026-12-01T10:00', until: null, setpointC: 20 },
					{ kind: 'special-day', id: 's', date: '2026-12-25', runs: { like: 6 }, note: '' }
				]
			}))
		});
		await noteAtControl(db, site, zones[0]!.id, [unitKeyed]);
		const copy = (await findSite(db, (await duplicateSite(db, id))!))!;
		const copied = await zonesOf(db, copy);
		expect(copied.map(({ zone }) => zone.name)).toEqual(zones.map(({ zone }) => zone.name));
		for (const { zone, notes, onSite } of copied)
			expect([
				zone.clockReadings,
				zone.bookings,
				zone.exceptions.map((one) => one.kind),
				notes,
				onSite
			]).toEqual([[], [], ['special-day'], null, nothingNoted]);
		expect((await readSiteAsJob(db, copy.id))!.visits).toEqual([]);
	});

	it('the same job file imported twice is said, and named apart', async () => {
		const job = demoJob();
		expect((await importSite(db, job)).note).toBeNull();
		const second = await importSite(db, job);
		expect(second.note).toBe(
			'A site called Tallow Quay Workshops is here already: this one is called Tallow Quay Workshops (2).'
		);
		expect((await findSite(db, second.id))!.site.name).toBe('Tallow Quay Workshops (2)');
		expect((await importSite(db, job)).note).toContain('Tallow Quay Workshops (3)');
	});
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
			db.write((tx) =>
				tx.zones.create({
					id: 'z',
					siteId: 'none',
					position: 0,
					boxId: 'none',
					document: {},
					onSite: {},
					summary: null,
					revision: 1,
					createdAt: new Date(),
					updatedAt: new Date(),
					deletedAt: null,
					plannedAt: null,
					plannedBy: null
				})
			)
		).rejects.toThrow();
	});

	it('closes after the writes that were begun, not under them', async () => {
		const other = await another();
		const late = (key: string) =>
			other.write(async (tx) => {
				await new Promise((resolve) => setTimeout(resolve, 30));
				await tx.settings.put({ key, document: {}, revision: 1 });
			});
		const both = [late('first'), late('second')];
		await other.close();
		await Promise.all(both);
		for (const key of ['first', 'second']) expect(await db.settings.get(key)).not.toBeNull();
	});

	it('migrates an empty database to the newest shape, once, and back', async () => {
		const names = () => db.sequelize.query('SELECT name FROM migrations', { type: QueryTypes.SELECT });
		expect(await names()).toEqual(migrations.map(({ name }) => ({ name })));
		const again = await another();
		expect(await names()).toHaveLength(migrations.length);
		await again.close();
		for (const migration of [...migrations].reverse()) await migration.down(db.sequelize.getQueryInterface());
		expect(await db.sequelize.getQueryInterface().showAllTables()).not.toContain('zones');
	});
});

describe('what came in with a later version', () => {
	it('finds the words of a database of the version before', async () => {
		const before = migrations.slice(0, 5);
		const later = migrations.slice(5);
		const q = db.sequelize.getQueryInterface();
		for (const migration of [...later].reverse()) await migration.down(q);
		await db.sequelize.query('DELETE FROM migrations WHERE name NOT IN (:names)', {
			replacements: { names: before.map(({ name }) => name) }
		});
		const insert = (table: string, row: Record<string, unknown>) => q.bulkInsert(table, [row]);
		const job = demoJob();
		const dates = { createdAt: new Date(), updatedAt: new Date() };
		await insert('sites', {
			id: 's',
			document: JSON.stringify(job.site),
			profiles: JSON.stringify(job.profiles),
			revision: 1,
			...dates
		});
		const { notes: _, onSite, ...zone } = job.zones[0]!;
		await insert('zones', {
			id: 'z',
			siteId: 's',
			position: 0,
			document: JSON.stringify(zone),
			keyed: JSON.stringify({ 'setting/unit': '°C' }),
			onSite: JSON.stringify(onSite),
			revision: 1,
			...dates
		});
		await reopen();
		expect((await search(db, 'tallow bind')).map((one) => one.kind)).toEqual(['site', 'zone']);
		expect((await findSite(db, 's'))!.visitOpenSince).toBeNull();
	});
});

describe('what is kept in memory', () => {
	it('is what the database holds, after every kind of change', async () => {
		const { id, site, zones } = await siteWithZones();
		const [first, second] = zones.map((zone) => zone.id) as [string, string];
		const kept = async () => {
			const now = (await findSite(db, id))!;
			return JSON.stringify([
				await zonesOf(db, now),
				await zonesOf(db, now, true),
				await listSites(db),
				await dueList(db)
			]);
		};
		const text = async () => (await jobText(db, id))?.text;
		/** The same from a connection that has kept nothing. */
		const fresh = async () => {
			const other = await another();
			const now = (await findSite(other, id))!;
			const read = JSON.stringify([
				await zonesOf(other, now),
				await zonesOf(other, now, true),
				await listSites(other),
				await dueList(other)
			]);
			const job = (await jobText(other, id))?.text;
			await other.close();
			return [read, job];
		};
		const reading = { at: '2026-10-26T09:00:00.000Z', errorSeconds: 0, daysAhead: 0, set: true, lost: false };
		const changes: (() => Promise<unknown>)[] = [
			() => noteAtControl(db, site, first, [unitKeyed]),
			() => noteFields(db, site, first, [{ key: 'clockReadings', value: [reading] }]),
			() => noteFields(db, site, first, [{ key: 'promisedBy', value: '2026-12-01' }]),
			() => saveZone(db, site, first, 1, { ...zones[0]!.zone, name: 'Other' }),
			() => addZone(db, site, { zone: zones[0]!.zone, notes: null, onSite: nothingNoted }, first),
			() => removeZone(db, site, second),
			() => restoreZone(db, site, second),
			() => orderZones(db, site, [second, first]),
			() => endVisit(db, site, { who: 'R. Tilling', note: '', signedOff: false }),
			() => changeSite(db, id, { timeZone: 'America/New_York' }),
			() =>
				saveWeather(
					db,
					id,
					keptWeather(
						'A mild year',
						Array.from({ length: YEAR_HOURS }, () => 5)
					)
				),
			() => replaceSite(db, id, demoJob(), null),
			() => db.write((tx) => tx.sites.update({ updatedAt: new Date() }, { id }))
		];
		for (const [i, change] of changes.entries()) {
			await kept();
			await text();
			await change();
			expect([await kept(), await text()], `change ${i}`).toEqual(await fresh());
		}
	});
});

describe('a site', () => {
	it('comes back from the database as the very job that went in, also after reopening', async () => {
		const { id } = await siteWithZones();
		await reopen();
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
		await noteAtControl(db, site, zones[0]!.id, [unitKeyed]);
		const copy = (await readSiteAsJob(db, (await duplicateSite(db, id))!))!;
		expect(copy.site.name).toBe('Tallow Quay Workshops (copy)');
		expect(copy.zones.every((zone) => zone.notes === null)).toBe(true);
		expect(await replaceSite(db, id, demoJob('osier-lane-reading-room'), null)).toMatchObject({
			kind: 'saved'
		});
		expect(writeJobFile((await readSiteAsJob(db, id))!)).toBe(
			writeJobFile(demoJob('osier-lane-reading-room'))
		);
	});
});
