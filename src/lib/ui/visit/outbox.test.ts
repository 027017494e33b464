import fc from 'fast-check';
import { describe, expect, it, vi } from 'vitest';
import {
	noteOnSite,
	nothingNoted,
	visitBegun,
	type OnSite,
	type OnSiteEdit,
	type OnSiteKey
} from '$core/plan';
import { asked, later, net, pages, type Network } from '../../../../tests/support/network';
import { saving } from '../saving.svelte';
import { Outbox } from './outbox.svelte';

/** A server with two zones, as the program's own merges what is noted; it keeps what it took, in order. */
function serverOf(run = '') {
	const zones: Record<string, OnSite> = { a: nothingNoted, b: nothingNoted };
	const took: { zone: string; key: OnSiteKey; value: unknown }[] = [];
	net.serve((_method, path, body) => {
		// pages of an earlier run have no server any more
		if (!path.includes(run)) return { status: 404, body: null };
		const zone = path.split('/').at(-2)!;
		const { edits } = body as { edits: OnSiteEdit[] };
		const result = noteOnSite(zones[zone]!, edits);
		if ('refused' in result) return { status: 422, body: { error: { sentence: result.refused } } };
		zones[zone] = result.noted;
		for (const { key, value } of edits)
			if (!result.conflicts.some((one) => one.key === key && one.mine === value))
				took.push({ zone, key, value });
		return {
			status: 200,
			body: { onSite: result.noted, conflicts: result.conflicts, nowMs: Date.now() }
		};
	});
	return { zones, took };
}

describe('what is noted on site', () => {
	it('is sent at once, and says so; without a connection it waits, over a reload, and is sent when there is one', async () => {
		const server = serverOf();
		const phone = new Outbox('s', { ...server.zones });
		phone.note('a', 'roomC', 19);
		expect(saving.now.kind).toBe('saving');
		await later(100);
		expect(server.zones.a!.roomC).toBe(19);
		expect(saving.now.kind).toBe('saved');

		net.is = 'down';
		phone.note('a', 'roomC', 20);
		phone.note('b', 'foundIn', 'hold');
		await later(100);
		expect(saving.now).toEqual({ kind: 'waiting', sentence: '2 notes kept here: no connection' });
		expect(phone.of('a').roomC).toBe(20);
		const reloaded = new Outbox('s', { ...server.zones });
		reloaded.resume();
		expect([reloaded.of('a').roomC, reloaded.of('b').foundIn, reloaded.waiting]).toEqual([20, 'hold', 2]);
		net.is = 'up';
		await later(4000);
		expect([server.zones.a!.roomC, server.zones.b!.foundIn]).toEqual([20, 'hold']);
		expect(localStorage.getItem('fond-quarter/visit/s')).toBeNull();
	});

	it('is refused at once where it is none for its field, and nothing is sent', async () => {
		const phone = new Outbox('s', serverOf().zones);
		expect(phone.note('a', 'roomC', 900)).toBe('The room must be at most 90.');
		await later(100);
		expect(asked).toEqual([]);
	});

	it('up to the last second stands on a page that was kept before it', async () => {
		const server = serverOf();
		const readAtMs = Date.now();
		const before = { ...server.zones };
		const phone = new Outbox('s', before, { readAtMs });
		await later(500);
		phone.note('a', 'roomC', 19.5);
		await later(100);
		net.is = 'down';
		// opened anew from what was kept, with another window's latest in between
		const reloaded = new Outbox('s', before, { readAtMs });
		reloaded.resume();
		expect(reloaded.of('a').roomC).toBe(19.5);
		// a page that is read later counts for itself
		server.zones.a = { ...server.zones.a!, roomC: 18 };
		reloaded.refresh({ ...server.zones }, { readAtMs: Date.now() });
		expect(reloaded.of('a').roomC).toBe(18);
		// and is not forgotten for the older one
		expect(new Outbox('s', before, { readAtMs }).of('a').roomC).toBe(18);
	});

	it('of a zone that is gone lets the others through, waits with its reason, and goes where a person says', async () => {
		const server = serverOf();
		const { zones } = server;
		const known = { readAtMs: Date.now(), names: { a: 'Parlour', b: 'Hall' } };
		const phone = new Outbox('s', { ...zones }, known);
		net.is = 'down';
		phone.note('a', 'foundNote', 'lamp out');
		phone.note('b', 'roomC', 17);
		const merges = net.served;
		net.serve((method, path, body) =>
			path.includes('/a/')
				? { status: 404, body: { error: { sentence: 'Removed.' } } }
				: merges(method, path, body)
		);
		net.is = 'up';
		await later(4000);
		expect([zones.b!.roomC, phone.waiting]).toEqual([17, 0]);
		// over a reload, on a page that knows nothing of that zone
		const reloaded = new Outbox('s', { b: zones.b! }, { readAtMs: Date.now(), names: { b: 'Hall' } });
		reloaded.resume();
		await later(100);
		expect(reloaded.unsent).toMatchObject([
			{ zoneName: 'Parlour', why: { kind: 'zone-gone', sentence: 'Removed.' }, edits: [{ key: 'foundNote' }] }
		]);
		reloaded.giveTo(reloaded.unsent[0]!, 'b');
		await later(100);
		expect([zones.b!.foundNote, reloaded.unsent, reloaded.waiting]).toEqual(['lamp out', [], 0]);
	});

	it('for a visit that somebody has ended goes nowhere until a person takes it into the next', async () => {
		const server = serverOf();
		server.zones.a = { ...server.zones.a!, leftIn: 'automatic', foundNote: 'of the last visit' };
		const phone = new Outbox('s', { ...server.zones }, { readAtMs: Date.now(), after: null });
		const merges = net.served;
		const ended = { id: 'v1', at: '2026-11-25T08:42:00.000Z', who: 'B. Bell', signedOff: true };
		net.serve((method, path, body) => {
			const { after, ...rest } = body as { after: string | null };
			if (after !== 'v1') return { status: 409, body: { error: { sentence: 'Ended.' }, ended } };
			server.zones.a = visitBegun(server.zones.a!);
			return merges(method, path, rest);
		});
		phone.note('a', 'foundIn', 'hold');
		await later(100);
		expect(phone.unsent).toMatchObject([{ why: { kind: 'visit-ended', ended } }]);
		expect(server.took).toEqual([]);
		phone.giveTo(phone.unsent[0]!, 'a');
		expect(phone.of('a')).toMatchObject({ foundIn: 'hold', leftIn: null, foundNote: '' });
		await later(100);
		expect(server.zones.a).toMatchObject({ foundIn: 'hold', leftIn: null, foundNote: '' });
		expect([phone.unsent, phone.conflicts]).toEqual([[], []]);
	});

	it('waits while nobody is signed in, and goes by itself when somebody is', async () => {
		const server = serverOf();
		const merges = net.served;
		net.serve(() => ({ status: 401, body: { error: { sentence: 'Sign in first.' } } }));
		const phone = new Outbox('s', { ...server.zones });
		phone.note('a', 'roomC', 19);
		await later(100);
		expect(saving.now).toEqual({
			kind: 'waiting',
			sentence: 'You are signed out. 1 note is kept here and sent when you have signed in.'
		});
		expect(phone.signedOut).toBe(true);
		net.serve(merges);
		await later(4000);
		expect([server.zones.a!.roomC, phone.waiting, phone.signedOut]).toEqual([19, 0, false]);
	});

	it('is sent also where the browser keeps nothing, and says so while it waits', async () => {
		const server = serverOf();
		const forbidden = () => {
			throw new DOMException('full, or forbidden', 'QuotaExceededError');
		};
		vi.stubGlobal('localStorage', { getItem: forbidden, setItem: forbidden, removeItem: forbidden });
		const phone = new Outbox('forgetful', { ...server.zones });
		phone.resume();
		net.is = 'down';
		phone.note('a', 'roomC', 19);
		phone.note('a', 'foundIn', 'hold');
		await later(100);
		expect(phone.unkept).toBe(true);
		net.is = 'up';
		await later(4000);
		expect([server.zones.a!.roomC, server.zones.a!.foundIn]).toEqual([19, 'hold']);
		expect(phone.unkept).toBe(false);
	});

	it('that is wrong holds nothing else up', async () => {
		const server = serverOf();
		const merges = net.served;
		net.serve((method, path, body) =>
			JSON.stringify(body).includes('"promised"')
				? { status: 422, body: { error: { sentence: 'The promise must be shorter.' } } }
				: merges(method, path, body)
		);
		const phone = new Outbox('s', { ...server.zones });
		net.is = 'down';
		phone.note('a', 'promised', 'x');
		phone.note('a', 'roomC', 19);
		net.is = 'up';
		await later(4000);
		expect(server.zones.a!.roomC).toBe(19);
		expect(phone.unsent).toMatchObject([{ why: { kind: 'refused' }, edits: [{ key: 'promised' }] }]);
	});

	it('that somebody else noted otherwise meanwhile is offered, once for each field, also after a reload', async () => {
		const server = serverOf();
		const phone = new Outbox('s', { ...server.zones });
		const tablet = new Outbox('s', { ...server.zones });
		tablet.note('a', 'leftIn', 'hold');
		await later(100);
		phone.note('a', 'leftIn', 'automatic');
		await later(30);
		// noted again before the first answer is here
		phone.note('a', 'leftIn', 'manual');
		await later(200);
		expect(phone.conflicts).toMatchObject([{ zoneId: 'a', key: 'leftIn', theirs: 'hold', mine: 'manual' }]);
		const reloaded = new Outbox('s', { ...server.zones });
		reloaded.resume();
		expect(reloaded.conflicts).toMatchObject([{ key: 'leftIn', mine: 'manual' }]);
		reloaded.settle(reloaded.conflicts[0]!, true);
		await later(100);
		expect(server.zones.a!.leftIn).toBe('manual');
		expect(reloaded.conflicts).toEqual([]);
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
				const page = (device: number) =>
					new Outbox(sites[device]!, { ...server.zones }, { readAtMs: Date.now() }, asks[device]!());
				let devices = [page(0), page(1)];
				const noted: { device: number; zone: string; value: string }[] = [];
				for (const [i, does] of steps.entries()) {
					if (does.does === 'note') {
						const value = `note ${i}`;
						noted.push({ device: does.device, zone: does.zone, value });
						devices[does.device]!.note(does.zone, 'foundNote', value);
					} else if (does.does === 'reload') {
						devices = devices.with(does.device, page(does.device));
						devices[does.device]!.resume();
					} else if (does.does === 'network') net.is = does.is;
					else await later(does.ms);
				}
				net.is = 'up';
				for (const device of devices) device.resume();
				await later(10_000);
				for (const { device, zone, value } of noted) {
					const own = noted.filter((one) => one.device === device && one.zone === zone);
					const isLast = own.at(-1)!.value === value;
					const stored = server.took.some((one) => one.zone === zone && one.value === value);
					const offered = devices[device]!.conflicts.some((one) => one.zoneId === zone && one.mine === value);
					if (isLast) expect(stored || offered, `${value} of device ${device}`).toBe(true);
				}
				expect(devices.map((device) => device.waiting)).toEqual([0, 0]);
				// nobody is at odds with themselves
				if (new Set(noted.map((one) => one.device)).size < 2)
					expect(devices.flatMap((device) => device.conflicts)).toEqual([]);
				for (const device of devices) for (const one of device.conflicts) device.settle(one, false);
				for (const site of sites)
					for (const kept of [site, `${site}/conflicts`])
						expect(localStorage.getItem(`fond-quarter/visit/${kept}`)).toBeNull();
			}),
			{ numRuns: 150 }
		);
	});
});
