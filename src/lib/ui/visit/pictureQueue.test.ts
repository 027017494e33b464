import { beforeEach, describe, expect, it, vi } from 'vitest';
import { asked, later, net } from '../../../../tests/support/network';
import { PictureQueue } from './pictureQueue.svelte';

/** The browser's own database, as far as the queue uses it. */
const disk = vi.hoisted(() => ({ kept: new Map<string, unknown>(), full: false }));
vi.mock('idb-keyval', () => ({
	createStore: () => ({}),
	entries: async () => [...disk.kept],
	set: async (key: string, value: unknown) => {
		if (disk.full) throw new Error('QuotaExceededError');
		disk.kept.set(key, value);
	},
	del: async (key: string) => void disk.kept.delete(key)
}));

let status = 201;
beforeEach(() => {
	disk.kept.clear();
	disk.full = false;
	status = 201;
	vi.stubGlobal('URL', Object.assign(URL, { createObjectURL: () => 'blob:here' }));
	net.serve(() => ({ status, body: status === 201 ? {} : { error: { sentence: 'That is no picture.' } } }));
});

const picture = (bytes = 10) => new File([new Uint8Array(bytes)], 'hall.jpg', { type: 'image/jpeg' });
const ids = () => asked.map(({ path }) => /id=([^&]*)/.exec(path)![1]);

describe('pictures taken on a visit', () => {
	it('are shown at once, sent in their order, and kept here only until the server has them', async () => {
		const queue = new PictureQueue('s');
		await queue.add(picture(), 'Main hall', 'as found & "dusty"');
		await queue.add(picture(), 'Archive', '');
		expect(queue.shown.map(({ zone, sent }) => [zone, sent])).toEqual([
			['Main hall', false],
			['Archive', false]
		]);
		await later(200);
		expect(asked[0]!.path).toContain('caption=as%20found%20%26%20%22dusty%22');
		expect(queue.shown.every((one) => one.sent)).toBe(true);
		expect([queue.waiting, disk.kept.size]).toEqual([0, 0]);
	});

	it('taken without a connection wait over a reload, and are sent once, under the name they had', async () => {
		net.is = 'down';
		const before = new PictureQueue('s');
		await before.resume();
		await before.add(picture(), 'Main hall', 'meter');
		await later(5000);
		before.stop();
		expect([before.waiting, disk.kept.size]).toEqual([1, 1]);
		const after = new PictureQueue('s');
		await after.resume();
		// another site's pages leave it alone
		const elsewhere = new PictureQueue('t');
		await elsewhere.resume();
		expect([after.shown.length, elsewhere.shown.length]).toEqual([1, 0]);
		net.is = 'answer-lost';
		await later(4100);
		net.is = 'up';
		await later(9000);
		expect(after.waiting).toBe(0);
		expect(new Set(ids()).size).toBe(1);
		expect(ids()[0]).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
		expect(disk.kept.size).toBe(0);
	});

	it('that are too large or none say so, and what waits behind them is sent', async () => {
		const queue = new PictureQueue('s');
		await queue.add(picture(9_000_000), 'Main hall', '');
		expect(queue.problem).toMatch(/^hall\.jpg is too large: 9\.0 MB, at most 8 MB are taken\.$/);
		expect(queue.shown).toEqual([]);
		status = 422;
		await queue.add(picture(), 'Main hall', '');
		await later(30);
		await queue.add(picture(), 'Archive', '');
		await later(20);
		status = 201;
		await later(200);
		expect(queue.shown.map(({ zone, sent }) => [zone, sent])).toEqual([
			['Main hall', false],
			['Archive', true]
		]);
		// it is not forgotten: it is here with its reason, over a reload, until a person has settled it
		const reloaded = new PictureQueue('s');
		await reloaded.resume();
		expect(reloaded.unsent).toMatchObject([{ zone: 'Main hall', why: { sentence: 'That is no picture.' } }]);
		expect(reloaded.fileOf(reloaded.unsent[0]!.id)!.size).toBe(10);
		expect(reloaded.waiting).toBe(0);
	});

	it('that nobody may send just now wait until somebody may, whatever the answer was', async () => {
		const queue = new PictureQueue('s');
		for (const refusal of [401, 403, 503, 429]) {
			status = refusal;
			await queue.add(picture(), 'Main hall', String(refusal));
			await later(9000);
			expect(disk.kept.size, String(refusal)).toBe([401, 403, 503, 429].indexOf(refusal) + 1);
		}
		status = 201;
		for (const one of queue.unsent) await queue.tryAgain(one);
		await later(9000);
		expect([queue.waiting, queue.unsent.length, disk.kept.size]).toEqual([0, 0, 0]);
	});

	it('of a visit that somebody has ended go with the next only when a person says so', async () => {
		const ended = { id: 'v1', at: '2026-11-25T08:42:00.000Z', who: 'B. Bell', signedOff: true };
		net.serve((_method, path) =>
			path.includes('after=v1')
				? { status: 201, body: {} }
				: { status: 409, body: { error: { sentence: 'Ended.' }, ended } }
		);
		const queue = new PictureQueue('s');
		queue.knows(null);
		await queue.add(picture(), 'Main hall', '');
		await later(9000);
		expect(queue.unsent).toMatchObject([{ why: { kind: 'visit-ended', ended } }]);
		await queue.tryAgain(queue.unsent[0]!);
		await later(100);
		expect([queue.waiting, queue.unsent.length, disk.kept.size]).toEqual([0, 0, 0]);
	});

	it('stay in the order in which they were taken, over a reload', async () => {
		net.is = 'down';
		const before = new PictureQueue('s');
		for (const caption of ['first', 'second', 'third', 'fourth'])
			await before.add(picture(), 'Main hall', caption);
		before.stop();
		disk.kept = new Map([...disk.kept].reverse());
		net.is = 'up';
		const after = new PictureQueue('s');
		await after.resume();
		await later(9000);
		const sent = asked.map(({ path }) => /caption=([^&]*)/.exec(path)![1]);
		expect(sent.filter((caption, i) => caption !== sent[i - 1])).toEqual([
			'first',
			'second',
			'third',
			'fourth'
		]);
	});

	it('are sent also where the browser has no room to keep them, and says to stay', async () => {
		disk.full = true;
		net.is = 'down';
		const queue = new PictureQueue('s');
		await queue.resume();
		await queue.add(picture(), 'Main hall', '');
		expect(queue.problem).toMatch(/no room to keep the picture: stay here/);
		net.is = 'up';
		await later(5000);
		expect(queue.waiting).toBe(0);
	});

	it('taken back while they wait are not sent', async () => {
		net.is = 'down';
		const queue = new PictureQueue('s');
		await queue.resume();
		await queue.add(picture(), 'Main hall', '');
		await later(100);
		await queue.forget(queue.shown[0]!.id);
		net.is = 'up';
		await later(9000);
		expect(asked).toEqual([]);
		expect([queue.shown.length, disk.kept.size]).toEqual([0, 0]);
	});

	it('added as the first look at the disk ends are sent, too', async () => {
		const queue = new PictureQueue('s');
		await queue.resume();
		await Promise.all([queue.add(picture(), 'Main hall', ''), queue.flush()]);
		await later(200);
		expect(queue.waiting).toBe(0);
	});
});
