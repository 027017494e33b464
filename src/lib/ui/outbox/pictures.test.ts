import { describe, expect, it, vi } from 'vitest';
import { nothingNoted } from '$core/plan';
import { disk } from '../../../../tests/support/disk';
import { asked, later, net } from '../../../../tests/support/network';
import { letters, page, serverOf } from '../../../../tests/support/outboxPages';
import { PictureNotes } from '../visit/pictureNotes.svelte';
import { takeBefore } from './before';
import { Outbox } from './outbox.svelte';

vi.mock('idb-keyval', async () => (await import('../../../../tests/support/disk')).keyval);

const picture = (bytes = 10) => new File([new Uint8Array(bytes)], 'hall.jpg', { type: 'image/jpeg' });
const sentAs = (name: string) =>
	asked
		.filter(({ path }) => path.includes('/pictures'))
		.map(({ path }) => new RegExp(`${name}=([^&]*)`).exec(path)![1]);

describe('pictures taken on a visit', () => {
	it('are shown at once, sent in their order behind all else, and kept here only until the server has them', async () => {
		serverOf();
		const { outbox, notes } = page('s', { a: nothingNoted });
		const pictures = new PictureNotes(outbox);
		net.is = 'down';
		for (const caption of ['as found & "dusty"', 'second', 'third'])
			await pictures.add(picture(), 'Main hall', caption);
		notes.note('a', 'roomC', 19);
		expect(pictures.shown.map(({ zone, sent }) => [zone, sent])).toEqual(Array(3).fill(['Main hall', false]));
		await later(100);
		net.is = 'up';
		await later(9000);
		expect(asked[0]!.path).toMatch(/on-site$/);
		expect(sentAs('caption')).toEqual(['as%20found%20%26%20%22dusty%22', 'second', 'third']);
		expect(pictures.shown.every((one) => one.sent)).toBe(true);
		expect([outbox.waiting, disk.kept.size]).toEqual([0, 0]);
	});

	it('taken without a connection wait over a reload, and are sent under the name they had', async () => {
		serverOf();
		net.is = 'down';
		const before = new Outbox('s', { from: 'before' });
		await new PictureNotes(before).add(picture(), 'Main hall', 'meter');
		await later(5000);
		const outbox = new Outbox('s', { from: 'after' });
		const pictures = new PictureNotes(outbox);
		outbox.resume();
		await pictures.show();
		expect(pictures.shown.length).toBe(1);
		net.is = 'answer-lost';
		await later(4100);
		net.is = 'up';
		await later(9000);
		expect(outbox.waiting).toBe(0);
		expect(sentAs('id').length).toBeGreaterThan(1);
		expect(new Set(sentAs('id')).size).toBe(1);
		expect(disk.kept.size).toBe(0);
	});

	it('that are too large or none say so, stay here with their reason, and hold nothing up', async () => {
		serverOf();
		const merges = net.served;
		const outbox = new Outbox('s');
		const pictures = new PictureNotes(outbox);
		await pictures.add(picture(9_000_000), 'Main hall', '');
		expect(pictures.problem).toMatch(/^hall\.jpg is too large: 9\.0 MB, at most 8 MB are taken\.$/);
		net.serve((method, path, body) =>
			path.includes('Archive')
				? merges(method, path, body)
				: { status: 422, body: { error: { sentence: 'That is no picture.' } } }
		);
		await pictures.add(picture(), 'Main hall', '');
		await pictures.add(picture(), 'Archive', '');
		await later(200);
		expect(pictures.shown.map(({ zone, sent }) => [zone, sent])).toEqual([
			['Main hall', false],
			['Archive', true]
		]);
		const again = new Outbox('s');
		const reloaded = new PictureNotes(again);
		again.resume();
		await reloaded.show();
		expect(reloaded.unsent).toMatchObject([{ zone: 'Main hall', why: { sentence: 'That is no picture.' } }]);
		expect((await reloaded.fileOf(reloaded.unsent[0]!.id))!.size).toBe(10);
		await reloaded.forget(reloaded.unsent[0]!.id);
		expect([reloaded.shown, letters(), disk.kept.size]).toEqual([[], 0, 0]);
	});

	it('of a visit that somebody has ended go with the next only when a person says so', async () => {
		const ended = { id: 'v1', at: '2026-11-25T08:42:00.000Z', who: 'B. Bell', signedOff: true };
		net.serve((_method, path) =>
			path.includes('after=v1')
				? { status: 201, body: {} }
				: { status: 409, body: { error: { sentence: 'Ended.' }, ended } }
		);
		const outbox = new Outbox('s');
		const pictures = new PictureNotes(outbox);
		pictures.knows(null);
		await pictures.add(picture(), 'Main hall', '');
		await later(9000);
		expect(pictures.unsent).toMatchObject([{ why: { kind: 'visit-ended', ended } }]);
		pictures.tryAgain(pictures.unsent[0]!);
		await later(100);
		expect([outbox.waiting, pictures.unsent.length, disk.kept.size]).toEqual([0, 0, 0]);
	});

	it('are sent also where the browser has no room to keep them, and says to stay', async () => {
		serverOf();
		disk.full = true;
		net.is = 'down';
		const outbox = new Outbox('s');
		const pictures = new PictureNotes(outbox);
		await pictures.add(picture(), 'Main hall', '');
		expect([pictures.problem, pictures.unkept]).toEqual([
			'This browser has no room to keep the picture: stay here until it is sent.',
			true
		]);
		net.is = 'up';
		await later(5000);
		expect(outbox.waiting).toBe(0);
	});
});

it('what the version before left waiting is taken up: fields, values by their old names, pictures', async () => {
	const server = serverOf();
	const own = net.served;
	const old: unknown[] = [];
	net.serve((method, path, body) => {
		if (!path.endsWith('/keyed')) return own(method, path, body);
		old.push(body);
		return { status: 200, body: {} };
	});
	const put = (name: string, value: unknown) => localStorage.setItem(name, JSON.stringify(value));
	put('fond-quarter/visit/s', [
		{ id: 'x1', zoneId: 'a', zoneName: 'Parlour', key: 'roomC', value: 19, base: null, after: null },
		{ id: 'x2', zoneId: 'b', key: 'leftIn', value: 'hold', base: null, own: ['off'] }
	]);
	put('fond-quarter/keyed//api/v1/jobs/s/zones/z/keyed', { 'setting/unit': '°C', 'setting/clock': null });
	put('fond-quarter/keyed//api/v1/jobs/other/zones/z/keyed', { 'setting/unit': '°C' });
	disk.kept.set('p1', { siteId: 's', zone: 'Hall', caption: 'meter', file: new Blob(['x']), takenAtMs: 5 });
	const { outbox } = page('s', { a: nothingNoted, b: nothingNoted });
	void takeBefore(outbox);
	await later(500);
	expect([server.zones.a!.roomC, server.zones.b!.leftIn]).toEqual([19, 'hold']);
	expect(old).toMatchObject([{ changes: { 'setting/unit': '°C', 'setting/clock': null } }]);
	expect([sentAs('id'), sentAs('zone')]).toEqual([['p1'], ['Hall']]);
	// taken up again, there is nothing left of it
	const before = asked.length;
	void takeBefore(outbox);
	await later(500);
	expect([asked.length - before, letters()]).toEqual([0, 0]);
});
