import fc from 'fast-check';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { findProfile } from '$core/control';
import { noNotes, withNote, type Goal, type Note, type Notes } from '$core/keying';
import {
	noteOnSite,
	nothingNoted,
	visitBegun,
	type OnSite,
	type OnSiteEdit,
	type OnSiteKey
} from '$core/plan';
import type { Stamp } from '$core/schema';
import { asked, later, net, pages, type Network } from '../../../../tests/support/network';
import { ControlNotes } from '../keyin/controlNotes.svelte';
import { saving } from '../saving.svelte';
import { OnSiteNotes, type Loaded } from '../visit/onSiteNotes.svelte';
import { PictureNotes } from '../visit/pictureNotes.svelte';
import { alone } from './alone';
import { takeBefore } from './before';
import { Outbox } from './outbox.svelte';

/** The browser's own database, as far as pictures use it. */
const disk = vi.hoisted(() => ({ kept: new Map<string, unknown>(), full: false }));
vi.mock('idb-keyval', () => ({
	createStore: () => ({}),
	entries: async () => [...disk.kept],
	get: async (key: string) => disk.kept.get(key),
	set: async (key: string, value: unknown) => {
		if (disk.full) throw new Error('QuotaExceededError');
		disk.kept.set(key, value);
	},
	del: async (key: string) => void disk.kept.delete(key)
}));
beforeEach(() => {
	disk.kept.clear();
	disk.full = false;
	vi.stubGlobal('URL', Object.assign(URL, { createObjectURL: () => 'blob:here' }));
});

const stat = findProfile('six-step-room-stat')!;
type By = Omit<Stamp, 'atMs'>;

/** A server with two zones that merges what is sent and passes over what came in before, as the program's own does; it keeps what it took. */
function serverOf(run = '') {
	const zones: Record<string, OnSite> = { a: nothingNoted, b: nothingNoted };
	const notes: Record<string, Notes> = {};
	const took: { zone: string; key: OnSiteKey; value: unknown }[] = [];
	const marks = new Map<string, number>();
	const fresh = <T extends { readonly by?: By | undefined }>(place: string, sent: readonly T[]) =>
		sent.filter(({ by }) => {
			const key = `${place} ${by!.from}`;
			if (by!.number <= (marks.get(key) ?? -1)) return false;
			marks.set(key, by!.number);
			return true;
		});
	net.serve((_method, path, body) => {
		// pages of an earlier run have no server any more
		if (!path.includes(run)) return { status: 404, body: null };
		if (path.includes('/pictures')) return { status: 201, body: {} };
		const zone = path.split('/').at(-2)!;
		const nowMs = Date.now();
		if (path.endsWith('/notes')) {
			const { notes: sent } = body as { notes: Note[] };
			notes[zone] = fresh(path, sent).reduce(
				(all, note) => withNote(stat, all, note),
				notes[zone] ?? noNotes(stat)
			);
			return { status: 200, body: { notes: notes[zone], nowMs } };
		}
		const before = new Map(marks);
		const edits = fresh(path, (body as { edits: OnSiteEdit[] }).edits);
		const result = noteOnSite(zones[zone]!, edits);
		if ('refused' in result) {
			for (const [key] of marks) marks.set(key, before.get(key) ?? -1);
			return { status: 422, body: { error: { sentence: result.refused } } };
		}
		zones[zone] = result.noted;
		const isOffered = ({ key, value }: OnSiteEdit) =>
			result.conflicts.some((one) => one.key === key && one.mine === value);
		const offered = edits.findIndex(isOffered);
		for (const { by } of offered < 0 ? [] : edits.slice(offered).toReversed())
			marks.set(`${path} ${by!.from}`, by!.number - 1);
		for (const { key, value } of edits)
			if (!isOffered({ key, value } as OnSiteEdit)) took.push({ zone, key, value });
		return { status: 200, body: { onSite: result.noted, conflicts: result.conflicts, nowMs } };
	});
	return { zones, notes, took };
}

/** A page of a device: what is noted on site there, and what sends it. */
function page(
	site: string,
	noted: Readonly<Record<string, OnSite>>,
	loaded: Loaded = { readAtMs: 0 },
	how: ConstructorParameters<typeof Outbox>[1] = {}
) {
	const outbox = new Outbox(site, how);
	return { outbox, notes: new OnSiteNotes(outbox, noted, loaded) };
}

/** How many letters this browser keeps. */
const letters = (site = '') =>
	Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i)!).filter((name) =>
		name.startsWith(`fond-quarter/outbox/${site}`)
	).length;

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

const goal = (id: 'unit' | 'clock' | 'grouping', position = 0): Goal => ({ of: 'option', id, position });
const keyed = (...goals: Goal[]): Note => ({ what: 'keyed', goals });
const goalsOf = (notes: Notes | null) => (notes?.acts ?? []).flatMap((act) => act.goals);

describe('what was done at a control', () => {
	const at = (outbox: Outbox, notes: Notes | null = null, readAtMs = 0) =>
		new ControlNotes(outbox, 'z', stat, notes, readAtMs);

	it('is sent in the order in which it was done, and laid over what another device has done', async () => {
		const server = serverOf();
		server.notes.z = withNote(stat, noNotes(stat), keyed(goal('grouping')));
		const notes = at(new Outbox('s'), server.notes.z);
		notes.note(keyed(goal('unit')), keyed(goal('clock')));
		expect(goalsOf(notes.notes)).toEqual([goal('grouping'), goal('unit'), goal('clock')]);
		await later(200);
		expect(goalsOf(server.notes.z)).toEqual([goal('grouping'), goal('unit'), goal('clock')]);
		expect(notes.notes).toEqual(server.notes.z);
		notes.note({ what: 'not-keyed', goals: [goal('unit')] });
		await later(100);
		expect(goalsOf(server.notes.z)).toEqual([goal('grouping'), goal('clock')]);
	});

	it('stays as it is shown here while the page’s data is from before it came in, however long that was kept', async () => {
		serverOf();
		const before = Date.now();
		const outbox = new Outbox('s');
		const notes = at(outbox, null, before);
		notes.note(keyed(goal('unit')));
		notes.refresh(null, before);
		await later(60_000);
		expect(goalsOf(notes.notes)).toEqual([goal('unit')]);
		// a page that was kept before, opened anew
		expect(goalsOf(at(outbox, null, before).notes)).toEqual([goal('unit')]);
		notes.refresh(noNotes(stat), Date.now());
		expect(goalsOf(notes.notes)).toEqual([]);
		expect(goalsOf(at(outbox, null, before).notes)).toEqual([]);
	});

	it('of a zone that is gone waits with its reason, and is taken when that is put back', async () => {
		const server = serverOf();
		const merges = net.served;
		net.serve(() => ({ status: 404, body: { error: { sentence: 'Gone.' } } }));
		const notes = at(new Outbox('s'));
		notes.note(keyed(goal('unit')));
		await later(20_000);
		expect([notes.why?.kind, notes.pending.length, asked.length]).toEqual(['zone-gone', 1, 1]);
		net.serve(merges);
		notes.tryAgain();
		await later(100);
		expect([goalsOf(server.notes.z!), notes.why, letters()]).toEqual([[goal('unit')], null, 0]);
	});

	it('in two windows, one without a connection for long: the newer stands, whichever sends', async () => {
		const server = serverOf();
		const dead = { ask: async () => ({ ok: false, status: 0, sentence: '', data: null }) as const };
		const first = new Outbox('s', { ...dead, from: 'one' });
		at(first).note(keyed(goal('unit', 1)));
		await later(100);
		const second = new Outbox('s', { from: 'two' });
		at(second).note(keyed(goal('unit', 0)));
		await later(200);
		// the second sends for both, each under its own name
		expect(goalsOf(server.notes.z!)).toEqual([goal('unit', 1), goal('unit', 0)]);
		first.resume();
		await later(9000);
		expect([goalsOf(server.notes.z!).length, letters()]).toEqual([2, 0]);
	});

	it('by a device whose clock goes ahead is told by the server’s clock once that was heard', async () => {
		const server = serverOf();
		const merges = net.served;
		net.serve((method, path, body) => {
			const { status, body: said } = merges(method, path, body);
			return { status, body: { ...(said as object), nowMs: Date.now() - 3_600_000 } };
		});
		const notes = at(new Outbox('s'));
		notes.note(keyed(goal('unit')));
		await later(100);
		notes.note(keyed(goal('clock')));
		await later(100);
		const [before, after] = server.notes.z!.acts;
		expect(Math.round((before!.by.atMs - after!.by.atMs) / 60_000)).toBe(60);
	});

	it('is there in the order of the person’s acts, whatever the network does and however often the page is loaded anew', async () => {
		const step = fc.oneof(
			fc.record({ id: fc.constantFrom('unit' as const, 'clock' as const), position: fc.nat(1) }),
			fc.constantFrom<Network | 'reload'>('up', 'down', 'answer-lost', 'reload'),
			fc.constantFrom(10, 30, 100, 3500)
		);
		let runs = 0;
		await fc.assert(
			fc.asyncProperty(fc.array(step, { minLength: 4, maxLength: 30 }), async (steps) => {
				const site = `run${++runs}-`;
				const server = serverOf(site);
				net.is = 'up';
				const ask = pages();
				let outbox = new Outbox(site, { ...ask(), from: `${site}0` });
				let notes = at(outbox);
				const done: Goal[] = [];
				for (const [i, does] of steps.entries()) {
					if (typeof does === 'object') {
						done.push(goal(does.id, does.position));
						notes.note(keyed(done.at(-1)!));
					} else if (typeof does === 'number') await later(does);
					else if (does === 'reload') {
						outbox = new Outbox(site, { ...ask(), from: `${site}${i + 1}` });
						notes = at(outbox);
						outbox.resume();
					} else net.is = does;
				}
				net.is = 'up';
				outbox.resume();
				await later(40_000);
				expect(goalsOf(server.notes.z ?? null)).toEqual(done);
				expect(goalsOf(notes.notes)).toEqual(done);
				expect(letters(site)).toBe(0);
			}),
			{ numRuns: 60 }
		);
	});
});

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

it('without the locks of a browser one window at a time sends all the same', async () => {
	vi.stubGlobal('navigator', {});
	let [inside, most, done] = [0, 0, 0];
	const act = async () => {
		most = Math.max(most, ++inside);
		await new Promise((resolve) => setTimeout(resolve, 300));
		inside--;
		done++;
	};
	for (let i = 0; i < 4; i++) void alone('sending', act);
	await later(5000);
	expect([most, done]).toEqual([1, 4]);
	// one that was closed while it sent holds the others up no longer than its lease
	localStorage.setItem('sending/lease', JSON.stringify({ by: 'gone', untilMs: Date.now() + 20_000 }));
	void alone('sending', act);
	await later(10_000);
	expect(done).toBe(4);
	await later(15_000);
	expect(done).toBe(5);
});
