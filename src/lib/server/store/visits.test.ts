import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { db, demoJob, siteWithZones } from '../../../../tests/support/database';
import {
	addPicture,
	changeRound,
	createSite,
	dueList,
	deleteSite,
	endVisit,
	findSite,
	findZone,
	goOnWith,
	noteFields,
	pictureJpeg,
	picturesOf,
	purgeDeleted,
	readRound,
	readSiteAsJob,
	removePicture,
	replaceSite,
	roundDates,
	roundSites,
	saveZone,
	search,
	changeSite,
	visitsOf
} from '.';
import { onlyPixels } from '../compute/picture';

describe('a visit', () => {
	const svg = Buffer.from(
		'<svg xmlns="http://www.w3.org/2000/svg" width="40" height="20"><rect width="40" height="20"/></svg>'
	);
	const withPosition = () =>
		sharp({ create: { width: 40, height: 20, channels: 3, background: 'black' } })
			.jpeg()
			.withMetadata({ orientation: 6 })
			.withExifMerge({
				IFD0: { Make: 'Invented' },
				IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 3230/100' }
			})
			.toBuffer();

	it('keeps what a picture shows, upright, and nothing of where and with what it was taken', async () => {
		const file = await withPosition();
		expect((await sharp(file).metadata()).exif).toBeDefined();
		const kept = (await onlyPixels(file))!;
		const { exif, xmp, iptc, icc, orientation, width, height } = await sharp(kept.jpeg).metadata();
		expect({ exif, xmp, iptc, icc, orientation }).toEqual({
			exif: undefined,
			xmp: undefined,
			iptc: undefined,
			icc: undefined,
			orientation: undefined
		});
		// turned by the mark that is gone
		expect([width, height]).toEqual([20, 40]);
		expect(Buffer.from(kept.jpeg).includes('Invented')).toBe(false);
		// a drawing is decoded by nobody, whatever it calls itself
		for (const none of [svg, Buffer.from('no picture'), file.subarray(0, 60), Buffer.alloc(0)])
			expect(await onlyPixels(none)).toBeNull();
		const wide = await sharp({ create: { width: 4000, height: 1000, channels: 3, background: 'white' } })
			.png()
			.toBuffer();
		expect(await onlyPixels(wide)).toMatchObject({ width: 1800, height: 450 });
	});

	it('takes its pictures with it when it ends, each once; those of visits that have ended stay', async () => {
		const { id, site } = await siteWithZones();
		const about = { id: randomUUID(), zoneName: 'Bindery', caption: 'as found' };
		const file = await withPosition();
		// sent again by the next page while the first is on its way, and once more when nobody heard the answer
		const twice = [addPicture(db, id, file, about), addPicture(db, id, file, about)];
		expect(await Promise.all(twice)).toEqual([{ id: about.id }, { id: about.id }]);
		expect(await addPicture(db, id, file, about)).toEqual({ id: about.id });
		expect(await addPicture(db, id, Buffer.from('x'), { zoneName: '', caption: '' })).toHaveProperty(
			'refused'
		);
		expect((await findSite(db, id))!.visitOpenSince).not.toBeNull();
		expect(await picturesOf(db, id)).toMatchObject([{ id: about.id, visitAt: null, caption: 'as found' }]);
		expect(await endVisit(db, site, { who: 'R. Tilling', note: '', signedOff: false })).toMatchObject({
			kind: 'kept'
		});
		const visit = (await visitsOf(db, id)).at(-1)!.visit;
		expect(await picturesOf(db, id)).toMatchObject([{ visitAt: visit.at }]);
		expect((await findSite(db, id))!.visitOpenSince).toBeNull();
		expect(await removePicture(db, id, about.id)).toBe(false);
		expect(await pictureJpeg(db, 'another site', about.id)).toBeNull();
		// a job put in the place of the site's content leaves them where they are
		await replaceSite(db, id, (await readSiteAsJob(db, id))!, null);
		expect(await picturesOf(db, id)).toMatchObject([{ visitAt: visit.at }]);
	});

	it('ended while another device still notes has the note, or is followed by a visit that is open with it', async () => {
		const { id, site, zones } = await siteWithZones();
		const zoneId = zones[0]!.id;
		for (let round = 0; round < 8; round++) {
			const note = `noted ${round}`;
			const noting = () => noteFields(db, site, zoneId, [{ key: 'foundNote', value: note }]);
			const ending = () => endVisit(db, site, { who: 'R. Tilling', note: '', signedOff: false });
			// the one begins a little before the other
			const done = round % 2 === 0 ? [ending(), noting()] : [noting(), ending()];
			const ended = (await Promise.all(done)).find((one) => one.kind === 'kept')!;
			const { visit } = (await visitsOf(db, id)).find((one) => one.id === ended.id)!;
			const kept = visit.zones.find((zone) => zone.id === zoneId)!.onSite.foundNote === note;
			expect(kept || (await findSite(db, id))!.visitOpenSince !== null, note).toBe(true);
		}
	});

	it('begins with nothing of the one before: not found, tested, left or overruled, at no zone, whatever its first note brings along', async () => {
		const { id, site, zones } = await siteWithZones();
		const [a, b] = [zones[0]!.id, zones[1]!.id];
		const test = [{ step: 'raise', at: '2026-11-25T09:00:00.000Z', seen: true, readingC: null }];
		const old = { check: 'left', reason: 'Boiler away for repair', at: '2026-11-25T09:00:00.000Z' };
		await noteFields(db, site, a, [
			{ key: 'test', value: test },
			{ key: 'leftIn', value: 'automatic' },
			{ key: 'overruled', value: [old] },
			{ key: 'batteriesOn', value: '2026-11-01' }
		]);
		await noteFields(db, site, b, [{ key: 'foundNote', value: 'lamp out' }]);
		await endVisit(db, site, { who: 'R. Tilling', note: '', signedOff: false });
		const fresh = { ...old, check: 'frost', at: '2026-11-26T09:00:00.000Z' };
		// a device that still shows the last visit adds to what it sees there
		const noted = await noteFields(db, site, a, [
			{ key: 'overruled', value: [old, fresh], base: [old] },
			{ key: 'leftIn', value: 'manual', base: 'automatic' }
		]);
		expect(noted).toMatchObject({ kind: 'noted', conflicts: [] });
		const left = async (zone: string) => (await findZone(db, (await findSite(db, id))!, zone))!.onSite;
		expect(await left(a)).toMatchObject({
			test: [],
			leftIn: 'manual',
			overruled: [{ check: 'frost' }],
			batteriesOn: '2026-11-01'
		});
		expect((await left(b)).foundNote).toBe('');
	});

	it('that was kept is gone on with: what was found and tested stands; signed off, or followed by another, it is not', async () => {
		const { id, site, zones } = await siteWithZones();
		const zoneId = zones[0]!.id;
		const found = async () => (await findZone(db, (await findSite(db, id))!, zoneId))!.onSite.foundNote;
		const kept = async () => {
			const ended = await endVisit(db, site, { who: 'R. Tilling', note: '', signedOff: false });
			return (ended as { id: string }).id;
		};
		const before = (await visitsOf(db, id)).at(-1)!;
		expect(before.visit.signedOff).toBe(true);
		expect(await goOnWith(db, id, before.id)).toBe(false);
		await noteFields(db, site, zoneId, [{ key: 'foundNote', value: 'lamp out' }]);
		const first = await kept();
		expect(await goOnWith(db, id, randomUUID())).toBe(false);
		expect(await goOnWith(db, id, first)).toBe(true);
		expect((await findSite(db, id))!.visitOpenSince).not.toBeNull();
		// open already: two phones do not open it twice
		expect(await goOnWith(db, id, first)).toBe(false);
		await noteFields(db, site, zoneId, [{ key: 'leftIn', value: 'automatic' }]);
		expect(await found()).toBe('lamp out');
		const second = await kept();
		expect(await goOnWith(db, id, first)).toBe(false);
		expect(await goOnWith(db, id, second)).toBe(true);
		expect(await found()).toBe('lamp out');
	});

	it('that ended while a device had no connection takes nothing more: who ended it is said, and ending twice is ending once', async () => {
		const { id, site, zones } = await siteWithZones();
		const zoneId = zones[0]!.id;
		const knew = (await visitsOf(db, id)).at(-1)?.id ?? null;
		const note = (value: string, after?: string | null) =>
			noteFields(db, site, zoneId, [{ key: 'foundNote', value }], after);
		expect(await note('first', knew)).toMatchObject({ kind: 'noted' });
		const end = { who: 'B. Bell', note: '', signedOff: false };
		const own = randomUUID();
		expect(await endVisit(db, site, end, { id: own, after: knew })).toEqual({ kind: 'kept', id: own });
		// nobody heard the answer
		expect(await endVisit(db, site, end, { id: own, after: knew })).toEqual({ kind: 'kept', id: own });
		const ended = { kind: 'ended', visit: { id: own, visit: { who: 'B. Bell' } } };
		expect(await note('late', knew)).toMatchObject(ended);
		expect(
			await endVisit(db, site, { ...end, who: 'A. Late' }, { id: randomUUID(), after: knew })
		).toMatchObject(ended);
		const about = { zoneName: '', caption: '' };
		expect(await addPicture(db, id, await withPosition(), { ...about, after: knew })).toMatchObject({
			ended: ended.visit
		});
		expect((await findSite(db, id))!.visitOpenSince).toBeNull();
		expect(await note('for the next', own)).toMatchObject({ kind: 'noted' });
		// taken in this order, come in in the other
		await addPicture(db, id, await withPosition(), { ...about, caption: 'second', after: own, agoMs: 1000 });
		await addPicture(db, id, await withPosition(), { ...about, caption: 'first', after: own, agoMs: 60_000 });
		expect((await picturesOf(db, id)).map((one) => one.caption)).toEqual(['first', 'second']);
	});

	it('is open from the first note to its end; a clock set on a round opens none', async () => {
		const { id, site, zones } = await siteWithZones();
		const openSince = async () => (await findSite(db, id))!.visitOpenSince;
		const reading = { at: '2026-10-26T09:00:00.000Z', errorSeconds: 0, daysAhead: 0, set: true, lost: false };
		await noteFields(db, site, zones[0]!.id, [{ key: 'clockReadings', value: [reading] }]);
		expect(await openSince()).toBeNull();
		await noteFields(db, site, zones[0]!.id, [{ key: 'foundIn', value: 'hold' }]);
		expect(await openSince()).not.toBeNull();
		await endVisit(db, site, { who: 'R. Tilling', note: '', signedOff: false });
		expect(await openSince()).toBeNull();
	});
});

describe('search', () => {
	const titles = async (asked: string) => (await search(db, asked)).map((one) => `${one.kind}: ${one.title}`);

	it('finds every word by its beginning, whatever case and accents, in sites, zones and visits', async () => {
		const { id, site, zones } = await siteWithZones();
		await createSite(db, demoJob('kelter-court'));
		expect(await titles('BINDERY')).toEqual(['site: Tallow Quay Workshops', 'zone: Bindery']);
		expect(await titles('creche')).toEqual(['zone: Crèche floor']);
		const tallow = await titles('tallow');
		expect(tallow[0]).toBe('site: Tallow Quay Workshops');
		expect(tallow.slice(1).sort()).toEqual(zones.map(({ zone }) => `zone: ${zone.name}`).sort());
		expect(await titles('cold mornings')).toEqual([expect.stringMatching(/^visit: Cold mornings/)]);
		expect(await titles('boiler repair')).toEqual([expect.stringMatching(/^visit: /)]);
		expect(await titles('bindery kelter')).toEqual([]);
		// a telephone number, however it is written: in a note, and of who called
		await changeSite(db, id, { note: `${site.site.note} Caretaker, +44 1555 010-122` });
		expect(await titles('01555')).toEqual([]);
		expect(await titles('1555 010 122')).toEqual(['site: Tallow Quay Workshops']);
		expect(await titles('(010)122')).toEqual(['site: Tallow Quay Workshops']);
		for (const nothing of ['', '  ', '"', '-', '* OR', '%', "'); DROP"]) await titles(nothing);
		expect(await titles('%')).toEqual([]);
		// what changes is found anew, what is deleted is not
		await saveZone(db, site, zones[0]!.id, 1, { ...zones[0]!.zone, name: 'Glue room' });
		expect(await titles('bindery')).toEqual(['site: Tallow Quay Workshops']);
		expect(await titles('glue')).toEqual(['zone: Glue room']);
		await noteFields(db, site, zones[0]!.id, [{ key: 'foundNote', value: 'Rattling solenoid' }]);
		expect(await titles('solenoid')).toEqual(['zone: Glue room']);
		await changeSite(db, id, { ...site.site, name: 'Suet Wharf' });
		expect(await titles('suet glue')).toEqual(['zone: Glue room']);
		expect(await titles('tallow quay')).toEqual([]);
		await deleteSite(db, id);
		expect(await titles('glue')).toEqual([]);
		await purgeDeleted(db, new Date(Date.now() + 40 * 86_400_000));
		const left = await db.sequelize.query('SELECT count(*) AS n FROM searchable WHERE siteId = ?', {
			replacements: [id],
			type: QueryTypes.SELECT
		});
		expect(left).toEqual([{ n: 0 }]);
	});
});

describe('a round over many sites', () => {
	const before = Date.UTC(2027, 2, 1);
	const after = Date.UTC(2027, 2, 30);

	it('has the sites whose clocks somebody must change, and knows which were set since', async () => {
		const { id, site, zones } = await siteWithZones();
		await createSite(db, demoJob('osier-lane-reading-room'));
		const [spring] = await roundDates(db, before);
		expect(spring).toMatchObject({ on: '2027-03-28', sites: 2 });
		expect(spring!.left).toBe(spring!.clocks);
		const mine = async (now: number) =>
			(await roundSites(db, '2027-03-28', now)).find((one) => one.siteId === id)!;
		expect((await mine(before)).shiftMinutes).toBe(60);
		const [first, ...others] = (await mine(before)).clocks;
		expect(first!.set).toBe(false);
		const zone = zones.find((one) => one.id === first!.zoneId)!;
		const reading = { at: '2027-03-29T09:00:00.000Z', errorSeconds: 0, daysAhead: 0, set: true, lost: false };
		await noteFields(db, site, zone.id, [{ key: 'clockReadings', value: [reading] }]);
		expect((await mine(after)).clocks.map((one) => one.set)).toEqual([true, ...others.map(() => false)]);
		// a look that finds it right is as good as setting it, before the change it is none; what Due calls missed is what is left
		const second = zones.find((one) => one.id === others[0]!.zoneId)!;
		const look = (at: string) =>
			noteFields(db, site, second.id, [{ key: 'clockReadings', value: [{ ...reading, at, set: false }] }]);
		const counted = async () => {
			const { left, unseen } = (await roundDates(db, after)).find((one) => one.on === '2027-03-28')!;
			const due = (await dueList(db, after)).filter((one) => one.kind === 'clock' && one.late);
			return [left, unseen, due.length];
		};
		// one missed it, of one nobody knows
		expect(await counted()).toEqual([1, 1, 1]);
		await look('2027-03-20T09:00:00.000Z');
		expect(await counted()).toEqual([1, 1, 1]);
		await look('2027-03-29T10:00:00.000Z');
		expect(await counted()).toEqual([0, 1, 0]);
		expect(await roundSites(db, '2027-03-27', before)).toEqual([]);
	});

	it('is planned by two people at once without undoing each other', async () => {
		const stop = (day: string) => ({ day, who: '', place: 0 });
		await Promise.all([
			changeRound(db, '2027-03-28', { stops: { a: stop('2027-03-29') } }),
			changeRound(db, '2027-03-28', { stops: { b: stop('2027-03-30') } })
		]);
		await changeRound(db, '2027-03-28', { stops: { a: null, c: stop('2027-03-31') } });
		expect(Object.keys((await readRound(db, '2027-03-28')).stops).sort()).toEqual(['b', 'c']);
	});
});
