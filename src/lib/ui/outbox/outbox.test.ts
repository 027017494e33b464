import fc from 'fast-check';
import { describe, expect, it, vi } from 'vitest';
import { visitBegun } from '$core/plan';
import { asked, later, net, pages, type Network } from '../../../../tests/support/network';
import { letters, page, serverOf } from '../../../../tests/support/outboxPages';
import { saving } from '../saving.svelte';

vi.mock('idb-keyval', async () => (await import('../../../../tests/support/disk')).keyval);

describe('what is noted on site', () => {
	it('is sent at once, and says so; without a connection it waits, over a reload, and is sent when there is one', async () => {
		const server = serverOf();
		const { notes } = page('s', { ...server.zones });
		notes.note('a', 'roomC', 19);
		expect(saving.now.kind).toBe('saving');
		await later(100);
		expect(server.zones.a!.roomC).toBe(19);
		expect(saving.now.kind).toBe('saved');

		net.is = 'down';
		notes.note('a', 'roomC', 20);
		notes.note('b', 'foundIn', 'hold');
		await later(100);
		expect(saving.now).toEqual({ kind: 'waiting', sentence: '2 notes kept here: no connection' });
		expect(notes.of('a').roomC).toBe(20);
		const again = page('s', { ...server.zones });
		again.outbox.resume();
		expect([again.notes.of('a').roomC, again.notes.of('b').foundIn, again.outbox.waiting]).toEqual([
			20,
			'hold',
			2
		]);
		net.is = 'up';
		await later(4000);
		expect([server.zones.a!.roomC, server.zones.b!.foundIn]).toEqual([20, 'hold']);
		expect(letters()).toBe(0);
	});

	it('is refused at once where it is none for its field, and nothing is sent', async () => {
		const { notes } = page('s', serverOf().zones);
		expect(notes.note('a', 'roomC', 900)).toBe('The room must be at most 90.');
		await later(100);
		expect(asked).toEqual([]);
	});

	it('up to the last second stands on a page that was kept before it', async () => {
		const server = serverOf();
		const readAtMs = Date.now();
		const before = { ...server.zones };
		const { notes } = page('s', before, { readAtMs });
		await later(500);
		notes.note('a', 'roomC', 19.5);
		await later(100);
		net.is = 'down';
		// opened anew from what was kept, with another window's latest in between
		const again = page('s', before, { readAtMs });
		expect(again.notes.of('a').roomC).toBe(19.5);
		// a page that is read later counts for itself
		server.zones.a = { ...server.zones.a!, roomC: 18 };
		again.notes.refresh({ ...server.zones }, { readAtMs: Date.now() });
		expect(again.notes.of('a').roomC).toBe(18);
		// and is not forgotten for the older one
		expect(page('s', before, { readAtMs }).notes.of('a').roomC).toBe(18);
	});

	it('of a zone that is gone lets the others through, waits with its reason, and goes where a person says', async () => {
		const server = serverOf();
		const { zones } = server;
		const known = { readAtMs: Date.now(), names: { a: 'Parlour', b: 'Hall' } };
		const first = page('s', { ...zones }, known);
		net.is = 'down';
		first.notes.note('a', 'foundNote', 'lamp out');
		first.notes.note('b', 'roomC', 17);
		const merges = net.served;
		net.serve((method, path, body) =>
			path.includes('/a/')
				? { status: 404, body: { error: { sentence: 'Removed.' } } }
				: merges(method, path, body)
		);
		net.is = 'up';
		await later(4000);
		expect([zones.b!.roomC, first.outbox.waiting]).toEqual([17, 0]);
		// over a reload, on a page that knows nothing of that zone
		const { notes, outbox } = page('s', { b: zones.b! }, { readAtMs: Date.now(), names: { b: 'Hall' } });
		outbox.resume();
		expect(notes.unsent).toMatchObject([
			{ zoneName: 'Parlour', why: { kind: 'zone-gone', sentence: 'Removed.' }, edits: [{ key: 'foundNote' }] }
		]);
		notes.giveTo(notes.unsent[0]!, 'b');
		await later(100);
		expect([zones.b!.foundNote, notes.unsent, letters()]).toEqual(['lamp out', [], 0]);
	});

	it('for a visit that somebody has ended goes nowhere until a person takes it into the next', async () => {
		const server = serverOf();
		server.zones.a = { ...server.zones.a!, leftIn: 'automatic', foundNote: 'of the last visit' };
		const { notes } = page('s', { ...server.zones }, { readAtMs: Date.now(), after: null });
		const merges = net.served;
		const ended = { id: 'v1', at: '2026-11-25T08:42:00.000Z', who: 'B. Bell', signedOff: true };
		net.serve((method, path, body) => {
			const { after, ...rest } = body as { after: string | null };
			if (after !== 'v1') return { status: 409, body: { error: { sentence: 'Ended.' }, ended } };
			server.zones.a = visitBegun(server.zones.a!);
			return merges(method, path, rest);
		});
		notes.note('a', 'foundIn', 'hold');
		await later(100);
		expect(notes.unsent).toMatchObject([{ why: { kind: 'visit-ended', ended } }]);
		expect(server.took).toEqual([]);
		notes.giveTo(notes.unsent[0]!, 'a');
		expect(notes.of('a')).toMatchObject({ foundIn: 'hold', leftIn: null, foundNote: '' });
		await later(100);
		expect(server.zones.a).toMatchObject({ foundIn: 'hold', leftIn: null, foundNote: '' });
		expect([notes.unsent, notes.conflicts]).toEqual([[], []]);
	});

	it('waits while nobody is signed in, and goes by itself when somebody is', async () => {
		const server = serverOf();
		const merges = net.served;
		net.serve(() => ({ status: 401, body: { error: { sentence: 'Sign in first.' } } }));
		const { notes, outbox } = page('s', { ...server.zones });
		notes.note('a', 'roomC', 19);
		await later(100);
		expect(saving.now).toEqual({
			kind: 'waiting',
			sentence: 'You are signed out. 1 note is kept here and sent when you have signed in.'
		});
		expect(outbox.signedOut).toBe(true);
		net.serve(merges);
		await later(4000);
		expect([server.zones.a!.roomC, outbox.waiting, outbox.signedOut]).toEqual([19, 0, false]);
	});

	it('is sent also where the browser keeps nothing, and says so while it waits', async () => {
		const server = serverOf();
		const forbidden = () => {
			throw new DOMException('full, or forbidden', 'QuotaExceededError');
		};
		vi.stubGlobal('localStorage', { getItem: forbidden, setItem: forbidden, removeItem: forbidden });
		const { notes, outbox } = page('forgetful', { ...server.zones });
		net.is = 'down';
		notes.note('a', 'roomC', 19);
		notes.note('a', 'foundIn', 'hold');
		await later(100);
		expect(outbox.unkept).toBe(true);
		net.is = 'up';
		await later(4000);
		expect([server.zones.a!.roomC, server.zones.a!.foundIn]).toEqual([19, 'hold']);
		expect(outbox.unkept).toBe(false);
	});

	it('that is wrong holds nothing else up, and can be sent once more', async () => {
		const server = serverOf();
		const merges = net.served;
		net.serve((method, path, body) =>
			JSON.stringify(body).includes('"promised"')
				? { status: 422, body: { error: { sentence: 'The promise must be shorter.' } } }
				: merges(method, path, body)
		);
		const { notes } = page('s', { ...server.zones });
		net.is = 'down';
		notes.note('a', 'promised', 'x');
		notes.note('a', 'roomC', 19);
		net.is = 'up';
		await later(4000);
		expect(server.zones.a!.roomC).toBe(19);
		expect(notes.unsent).toMatchObject([{ why: { kind: 'refused' }, edits: [{ key: 'promised' }] }]);
		net.serve(merges);
		notes.tryAgain(notes.unsent[0]!);
		await later(100);
		expect([server.zones.a!.promised, notes.unsent]).toEqual(['x', []]);
	});

	it('that somebody else noted otherwise meanwhile is offered, once for each field, also after a reload', async () => {
		const server = serverOf();
		const phone = page('s', { ...server.zones }, undefined, { from: 'phone' });
		const tablet = page('t', { ...server.zones }, undefined, { from: 'tablet' });
		tablet.notes.note('a', 'leftIn', 'hold');
		await later(100);
		phone.notes.note('a', 'leftIn', 'automatic');
		await later(30);
		// noted again before the first answer is here
		phone.notes.note('a', 'leftIn', 'manual');
		await later(200);
		expect(phone.notes.conflicts).toMatchObject([
			{ zoneId: 'a', key: 'leftIn', theirs: 'hold', mine: 'manual' }
		]);
		const { notes } = page('s', { ...server.zones }, { readAtMs: Date.now() }, { from: 'phone later' });
		expect(notes.conflicts).toMatchObject([{ key: 'leftIn', mine: 'manual' }]);
		notes.settle(notes.conflicts[0]!, true);
		await later(100);
		expect(server.zones.a!.leftIn).toBe('manual');
		expect(notes.conflicts).toEqual([]);
		expect(localStorage.getItem('fond-quarter/visit/s/conflicts')).toBeNull();
	});

	it('is stored, offered, or replaced by its own device: whatever the network does, and however often pages are loaded anew', async () => {
		const step = fc.oneof(
			fc.record({ does: fc.constant('note' as const), device: fc.nat(1), zone: fc.constantFrom('a', 'b') }),
			fc.record({ does: fc.constant('reload' as const), device: fc.nat(1) }),
			fc.record({
				does: fc.constant('network' as const),
				is: fc.constantFrom<Network>('up', 'down', 'answer-lost')
			}),
			fc.record({ does: fc.constant('wait' as const), ms: fc.constantFrom(10, 30, 100, 3500) })
		);
		let runs = 0;
		await fc.assert(
			fc.asyncProperty(fc.array(step, { minLength: 5, maxLength: 30 }), async (steps) => {
				const run = `run${++runs}-`;
				const server = serverOf(run);
				net.is = 'up';
				// two devices with storages of their own
				const sites = [`${run}one`, `${run}two`];
				const asks = [pages(), pages()] as const;
				let loads = 0;
				const open = (device: number) =>
					page(
						sites[device]!,
						{ ...server.zones },
						{ readAtMs: Date.now() },
						{ ...asks[device]!(), from: `${run}${device} ${++loads}` }
					);
				let devices = [open(0), open(1)];
				const noted: { device: number; zone: string; value: string }[] = [];
				for (const [i, does] of steps.entries()) {
					if (does.does === 'note') {
						const value = `note ${i}`;
						noted.push({ device: does.device, zone: does.zone, value });
						devices[does.device]!.notes.note(does.zone, 'foundNote', value);
					} else if (does.does === 'reload') {
						devices = devices.with(does.device, open(does.device));
						devices[does.device]!.outbox.resume();
					} else if (does.does === 'network') net.is = does.is;
					else await later(does.ms);
				}
				net.is = 'up';
				for (const { outbox } of devices) outbox.resume();
				await later(40_000);
				for (const { device, zone, value } of noted) {
					const own = noted.filter((one) => one.device === device && one.zone === zone);
					const isLast = own.at(-1)!.value === value;
					const stored = server.took.some((one) => one.zone === zone && one.value === value);
					const offered = devices[device]!.notes.conflicts.some(
						(one) => one.zoneId === zone && one.mine === value
					);
					if (isLast) expect(stored || offered, `${value} of device ${device}`).toBe(true);
				}
				expect(devices.map(({ outbox }) => outbox.waiting)).toEqual([0, 0]);
				// nobody is at odds with themselves
				if (new Set(noted.map((one) => one.device)).size < 2)
					expect(devices.flatMap(({ notes }) => notes.conflicts)).toEqual([]);
				for (const { notes } of devices) for (const one of notes.conflicts) notes.settle(one, false);
				expect(letters(run)).toBe(0);
			}),
			{ numRuns: 60 }
		);
	});
});
