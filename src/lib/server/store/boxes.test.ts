import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { findProfile } from '$core/control';
import { fitAll, fitZone, suggestedGrouping } from '$core/fit';
import { readJobFile, writeJobFile } from '$core/formats';
import { zoneCard } from '$core/keying';
import { nothingNoted, newZone, targetWeek, withWanted } from '$core/plan';
import { buildWeek, DAY_MINUTES } from '$core/week';
import { db, demoJob, siteWithZones } from '../../../../tests/support/database';
import { migrations } from '../db/migrations';
import { openDatabase } from '../db';
import {
	addZone,
	duplicateSite,
	findSite,
	findZone,
	hangZone,
	noteFields,
	noteAtControl,
	removeZone,
	restoreZone,
	saveZone,
	search,
	zonesOf,
	readSiteAsJob,
	type StoredZone
} from '.';

const programmer = findProfile('two-channel-programmer')!;

/** A site with the demo's programmer of two channels: heating and hot water. */
async function house() {
	const { id, zones } = await siteWithZones(demoJob('kelter-court'));
	const two = zones.filter(({ zone }) => zone.control === programmer.id);
	const ids = two.map((zone) => zone.id) as [string, string];
	const read = async () => {
		const site = (await findSite(db, id))!;
		const both = await Promise.all(ids.map(async (one) => (await findZone(db, site, one))!));
		return both as [StoredZone, StoredZone];
	};
	return { id, site: { id }, ids, read };
}

describe('a control of two channels', () => {
	it('is one: what is said of it at one zone stands at the other, what is a zone’s stays there', async () => {
		const { site, ids, read } = await house();
		const [heating, water] = await read();
		expect(heating.boxId).toBe(water.boxId);
		const unit = { ...heating.zone.options, clock: '12' as const };
		const box = { name: 'Programmer', place: 'under the stairs', note: '' };
		const saved = await saveZone(db, site, ids[0], heating.revision, {
			...heating.zone,
			name: 'Radiators',
			options: unit,
			grouping: '7-day',
			box
		});
		expect(saved.kind).toBe('saved');
		const [, after] = await read();
		expect(after.zone).toMatchObject({ name: water.zone.name, grouping: '7-day', box });
		expect(after.zone.options).toEqual({ ...water.zone.options, clock: '12' });
		expect(after.summary.grouping).toBe('7-day');
		// who had the other open before is told that something has changed there
		expect((await saveZone(db, site, ids[1], water.revision, water.zone)).kind).toBe('conflict');
		expect(after.revision).toBe(water.revision + 1);
	});

	it('keeps one record of what is keyed and found, and each zone what was measured there', async () => {
		const { site, ids, read } = await house();
		const [heating] = await read();
		await noteAtControl(db, site, ids[0], [{ what: 'found', found: 'as-new' }]);
		const before = (await read())[1].summary.left;
		const { card } = zoneCard(heating.zone, programmer);
		const { goal } = card.items.find(({ stood }) => !stood)!;
		await noteAtControl(db, site, ids[0], [{ what: 'keyed', goals: [goal] }]);
		await noteFields(db, site, ids[0], [
			{ key: 'foundNote', value: 'Dark display' },
			{ key: 'storeC', value: 51 },
			{ key: 'lockSet', value: true }
		]);
		const [, water] = await read();
		expect(water.notes!.acts.at(-1)!.goals).toEqual([goal]);
		expect(water.summary.left).toBe(before - 1);
		expect(water.onSite).toMatchObject({ foundNote: 'Dark display', lockSet: true, storeC: null });
		expect((await search(db, 'dark display')).map(({ title }) => title).sort()).toEqual(
			[heating.zone.name, water.zone.name].sort()
		);
	});

	it('takes the grouping that costs its channels least together, computed anew with each of them', async () => {
		const { site, ids, read } = await house();
		const [heating, water] = await read();
		// days of the two that no grouping but seven days holds for one, and that say nothing for the other
		const odd = buildWeek(
			Array.from({ length: 7 }, (_, day) => [
				{ at: day * DAY_MINUTES + 360 + day * 30, value: 'on' },
				{ at: day * DAY_MINUTES + 600 + day * 10, value: 'off' }
			]).flat()
		);
		const daily = buildWeek(
			Array.from({ length: 7 }, (_, day) => [
				{ at: day * DAY_MINUTES + 360, value: 'on' },
				{ at: day * DAY_MINUTES + 1320, value: 'off' }
			]).flat()
		);
		const { levels } = newZone('x', programmer);
		const everyDay = { ...heating.zone, grouping: null, routine: null, levels };
		await saveZone(db, site, ids[0], heating.revision, withWanted(everyDay, daily));
		const now = await read();
		await saveZone(
			db,
			site,
			ids[1],
			now[1].revision,
			withWanted({ ...now[1].zone, grouping: null, levels, routine: null }, odd)
		);
		const [a, b] = await read();
		const alone = [a, b].map(({ zone }) => fitZone({ ...zone, otherChannels: null }, programmer));
		const sums = alone[0]!.fits.map((fit, i) => ({
			id: fit.grouping.id,
			cost: fit.misfit.weighted + alone[1]!.fits[i]!.misfit.weighted
		}));
		const least = sums.reduce((x, y) => (y.cost < x.cost ? y : x));
		expect(sums.find(({ id }) => id === a.summary.grouping)!.cost).toBeCloseTo(least.cost, 6);
		expect(a.summary.grouping).toBe(b.summary.grouping);
		expect(b.summary.grouping).toBe('7-day');
		// which the heating alone would not have asked for
		expect(alone[0]!.suggested).not.toBe('7-day');
		expect(water.boxId).toBe(b.boxId);
	});

	it('governs one zone by each channel: another is refused, hung elsewhere, or put back on its own', async () => {
		const { site, ids, read } = await house();
		const [heating, water] = await read();
		const onto = { ...heating.zone, options: { ...heating.zone.options, channel: 1 } };
		expect(await saveZone(db, site, ids[0], heating.revision, onto)).toEqual({
			kind: 'refused',
			because: 'channel'
		});
		const third = { zone: newZone('Towels', programmer), notes: null, onSite: nothingNoted };
		expect(await addZone(db, site, third, null, ids[0])).toEqual({ kind: 'refused', because: 'channel' });
		// removed, its channel is free; put back when it is taken, it has a control of its own
		await removeZone(db, site, ids[1]);
		const alone = (await read())[0];
		expect(alone.zone.otherChannels).toBeNull();
		const towels = { ...third, zone: { ...third.zone, options: { ...third.zone.options, channel: 1 } } };
		const added = await addZone(db, site, towels, null, ids[0]);
		if (added.kind !== 'added') throw new Error('not added');
		expect(await restoreZone(db, site, ids[1])).toBe(true);
		const [one, back] = await read();
		expect(back.boxId).not.toBe(one.boxId);
		expect(back.zone.box).toEqual(water.zone.box);
		// off that control, then onto the other again once it is free
		expect(await hangZone(db, site, ids[1], ids[0], 1)).toBe('channel');
		expect(await hangZone(db, site, added.id, null, 1)).toBe('hung');
		expect(await hangZone(db, site, ids[1], ids[0], 1)).toBe('hung');
		expect((await read()).map(({ boxId }) => boxId)).toEqual([one.boxId, one.boxId]);
		expect(await hangZone(db, site, ids[1], ids[1], 1)).toBe('beside');
	});

	it('lets a zone go that gets another control, and keeps what it was for the other', async () => {
		const { site, ids, read } = await house();
		const [heating, water] = await read();
		const other = { ...newZone('Radiators', findProfile('six-step-room-stat')!) };
		expect((await saveZone(db, site, ids[0], heating.revision, other)).kind).toBe('saved');
		const [now, left] = await read();
		expect(now.zone.control).toBe('six-step-room-stat');
		expect(left.boxId).toBe(water.boxId);
		expect(left.zone).toEqual({ ...water.zone, otherChannels: null });
		expect(left.revision).toBe(water.revision);
		// one that was removed meanwhile is put back on what it hung on
		await removeZone(db, site, ids[1]);
		const stat = findProfile('radio-stat')!;
		const again = (await read())[0];
		expect((await saveZone(db, site, ids[0], again.revision, newZone('Radiators', stat))).kind).toBe('saved');
		expect(await restoreZone(db, site, ids[1])).toBe(true);
		expect((await read())[1].zone).toEqual({ ...water.zone, otherChannels: null });
	});

	it('keeps for a removed zone the control that it hung on, whatever the other one changes to', async () => {
		const { site, ids, read } = await house();
		const [heating, water] = await read();
		await removeZone(db, site, ids[1]);
		const stat = newZone('Radiators', findProfile('six-step-room-stat')!);
		const alone = (await read())[0];
		expect((await saveZone(db, site, ids[0], alone.revision, stat)).kind).toBe('saved');
		expect(await restoreZone(db, site, ids[1])).toBe(true);
		const [now, back] = await read();
		expect([now.zone.control, back.zone.control]).toEqual(['six-step-room-stat', programmer.id]);
		expect(back.boxId).toBe(heating.boxId);
		expect(back.zone).toEqual({ ...water.zone, otherChannels: null });
	});

	it('stays one in the file, and in a copy of the site', async () => {
		const { id, ids } = await house();
		const shape = (job: Awaited<ReturnType<typeof readSiteAsJob>>) =>
			job!.zones.map(({ hangsOn }) => hangsOn);
		const job = (await readSiteAsJob(db, id))!;
		expect(new Set(shape(job)).size).toBe(job.zones.length - 1);
		const copy = (await duplicateSite(db, id))!;
		expect(shape(await readSiteAsJob(db, copy))).toEqual(shape(job));
		expect(ids).toHaveLength(2);
		const again = readJobFile(writeJobFile(job));
		expect(again.ok && again.value).toEqual(job);
	});
});

describe('what was kept before controls were of their own', () => {
	it('a file opens with nothing lost: two zones of one programmer hang on it, and what was decided is said', () => {
		const text = readFileSync('tests/fixtures/job-version-1.json', 'utf8');
		const read = readJobFile(text);
		if (!read.ok) throw new Error(read.problem.sentence);
		const old = JSON.parse(text) as { zones: Record<string, unknown>[] };
		const { zones } = read.value;
		expect(zones).toHaveLength(old.zones.length);
		const decided =
			'Boiler, heating and Boiler, hot water had different day groupings: it is left to the fit.';
		zones.forEach((zone, i) => {
			const was = old.zones[i]!;
			const shared = zone.control === programmer.id;
			for (const key of Object.keys(was))
				if (!(shared && ['grouping', 'onSite'].includes(key)) && key !== 'keyed')
					expect(zone[key as keyof typeof zone], `${zone.name}, ${key}`).toEqual(
						// nothing of a control's own menus was chosen then
						key === 'settings' ? { ...(was[key] as object), menu: {} } : was[key]
					);
			expect(zone.box).toEqual({ name: '', place: '', note: shared ? decided : '' });
			if (shared) expect(zone.grouping).toBeNull();
		});
		const on = zones.map(({ hangsOn }) => hangsOn);
		expect(new Set(on).size).toBe(zones.length - 1);
	});

	it('a database of that time opens with nothing lost, is searched, and can go back', async () => {
		const folder = mkdtempSync(path.join(tmpdir(), 'fond-quarter-old-'));
		writeFileSync(
			path.join(folder, 'fond-quarter.sqlite'),
			gunzipSync(readFileSync('tests/fixtures/before-controls.sqlite.gz'))
		);
		const opened = await openDatabase(folder);
		try {
			const [row] = await opened.sites.all({ where: { deletedAt: null } });
			const site = (await findSite(opened, row!.id))!;
			const live = await zonesOf(opened, site);
			const removed = await zonesOf(opened, site, true);
			expect(live.map(({ zone }) => zone.name)).toEqual([
				'Upper flat',
				'Boiler, heating',
				'Boiler, hot water'
			]);
			expect(removed.map(({ zone }) => zone.name)).toEqual(['Registrar']);
			const [, heating, water] = live;
			expect(heating!.boxId).toBe(water!.boxId);
			expect(heating!.zone.box.note).toMatch(
				/different day groupings: it is left to the fit; different notes/
			);
			const values = (one: StoredZone) => one.notes!.acts.flatMap(({ goals }) => goals).length;
			expect(values(heating!)).toBeGreaterThan(3);
			expect(heating!.notes).toEqual(water!.notes);
			for (const one of [...live, ...removed]) {
				expect(one.onSite.roomC).toBe(18.5);
				expect(values(one), one.zone.name).toBeGreaterThan(2);
			}
			expect(live[0]!.onSite.foundNote).toBe('Showed Upper flat');
			expect((await search(opened, 'showed upper')).map(({ title }) => title)).toContain('Upper flat');
			// back as it came, the latest first
			const own = migrations.findIndex(({ name }) => name === '0010-controls-of-their-own');
			for (const { down } of migrations.slice(own).reverse())
				await down(opened.sequelize.getQueryInterface());
			const [back] = await opened.query<{ document: string; keyed: string; onSite: string }>(
				"SELECT document, keyed, onSite FROM zones WHERE document ->> '$.name' = 'Boiler, hot water'"
			);
			expect(JSON.parse(back!.document)).toMatchObject({
				control: programmer.id,
				options: { channel: 1, perDay: 3 },
				fedBy: null
			});
			expect(JSON.parse(back!.onSite)).toMatchObject({ roomC: 18.5, foundNote: 'Showed Boiler, heating' });
		} finally {
			await opened.close();
			rmSync(folder, { recursive: true, force: true });
		}
	});
});

it('with the costs of other channels, the suggestion is the least of the sums', () => {
	const zone = withWanted(
		newZone('H', programmer),
		buildWeek([
			{ at: 400, value: 'on' },
			{ at: 500, value: 'off' }
		])
	);
	const fits = fitAll({
		profile: programmer,
		options: zone.options,
		setpointsC: [0, 1],
		target: targetWeek(zone),
		weights: zone.weights
	});
	for (const { id } of programmer.groupings) {
		const others = Object.fromEntries(
			programmer.groupings.map((one) => [one.id, { weighted: one.id === id ? 0 : 1e6, values: 0 }])
		);
		expect(suggestedGrouping(fits, others)).toBe(id);
	}
});
