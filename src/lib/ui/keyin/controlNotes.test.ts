import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Keyed } from '$core/keying';
import { asked, later, net, pages, type Network } from '../../../../tests/support/network';
import { saving } from '../saving.svelte';
import { KeyedNotes, keptKeyed, keyedWaiting } from './keyedNotes.svelte';

interface Sent {
	from: string;
	number: number;
}

/** A server that merges what is keyed, value by value, as the program's own does. */
function serverOf(keyed: Record<string, string> = {}, status = 200) {
	const server = { keyed: keyed as Keyed, status };
	net.serve((_method, _path, body) => {
		if (server.status !== 200) return { status: server.status, body: { error: { sentence: 'No.' } } };
		const { changes } = body as { changes: Record<string, string | null> };
		const next = Object.entries({ ...server.keyed, ...changes }).filter(([, shows]) => shows !== null);
		server.keyed = Object.fromEntries(next) as Keyed;
		return { status: 200, body: { keyed: server.keyed, nowMs: Date.now() } };
	});
	return server;
}

describe('values keyed at a control', () => {
	it('are sent one request at a time, in the order they were keyed, and merged with those of another device', async () => {
		const server = serverOf({ b: '1' });
		const notes = new KeyedNotes('/z', {});
		notes.note('a', '20.5');
		notes.note('c', '7.0');
		expect(notes.keyed).toEqual({ a: '20.5', c: '7.0' });
		await later(200);
		const bodies = asked.map(({ body }) => body as { changes: unknown; sent: Sent });
		expect(bodies.map(({ changes }) => changes)).toEqual([{ a: '20.5' }, { c: '7.0' }]);
		const [first, second] = bodies.map(({ sent }) => sent);
		expect(second!.from).toBe(first!.from);
		expect(second!.number).toBeGreaterThan(first!.number);
		expect(server.keyed).toEqual({ a: '20.5', b: '1', c: '7.0' });
		expect(notes.keyed).toEqual(server.keyed);
		notes.note('a', null);
		await later(100);
		expect(server.keyed).toEqual({ b: '1', c: '7.0' });
	});

	it('are sent when the sending says so, one that is under way included', async () => {
		const server = serverOf();
		const notes = new KeyedNotes('/z', {});
		notes.note('a', '20.5');
		let done = false;
		void notes.send().then(() => (done = true));
		await later(10);
		expect([done, notes.waiting]).toEqual([false, 1]);
		notes.note('b', '7.0');
		await later(200);
		expect([done, notes.waiting]).toEqual([true, 0]);
		expect(server.keyed).toEqual({ a: '20.5', b: '7.0' });
	});

	it('stay as they are shown here while the page’s data is from before they came in, however long that was kept', async () => {
		serverOf();
		const before = Date.now();
		const notes = new KeyedNotes('/z', {}, before);
		notes.note('a', '20.5');
		notes.refresh({}, before);
		expect(notes.keyed).toEqual({ a: '20.5' });
		await later(100);
		notes.refresh({ a: '20.5', b: '1' }, Date.now());
		expect(notes.keyed).toEqual({ a: '20.5', b: '1' });
		notes.note('c', '7.0');
		await later(60_000);
		// a page that was kept before, opened anew
		expect(new KeyedNotes('/z', {}, before).keyed).toEqual({ a: '20.5', c: '7.0' });
		notes.refresh({ c: '7.0' }, Date.now());
		expect(notes.keyed).toEqual({ c: '7.0' });
		expect(new KeyedNotes('/z', {}, before).keyed).toEqual({ c: '7.0' });
	});

	it('of a zone that is gone wait with their reason, and are found without its page', async () => {
		const path = '/api/v1/jobs/s/zones/z/keyed';
		const server = serverOf({}, 404);
		const notes = new KeyedNotes(path, {});
		notes.note('a', '20.5');
		await later(20_000);
		expect([notes.why?.kind, notes.waiting, asked.length]).toEqual(['zone-gone', 1, 1]);
		expect(keyedWaiting('s')).toEqual([path]);
		// put back, it takes them
		server.status = 200;
		notes.tryAgain();
		await later(100);
		expect([server.keyed, keyedWaiting('s')]).toEqual([{ a: '20.5' }, []]);
	});

	it('that are refused say so and are not sent again and again', async () => {
		const server = serverOf({}, 422);
		const notes = new KeyedNotes('/z', {});
		notes.note('a', 'x');
		await later(20_000);
		expect(saving.now).toEqual({ kind: 'refused', sentence: 'No.' });
		expect(asked).toHaveLength(1);
		server.status = 503;
		notes.note('a', 'y');
		await later(100);
		expect(saving.now.kind).toBe('waiting');
		server.status = 200;
		await later(4000);
		expect(server.keyed).toEqual({ a: 'y' });
	});

	it('of two windows without a connection wait beside each other', async () => {
		const server = serverOf();
		net.is = 'down';
		const one = new KeyedNotes('/z', {});
		const two = new KeyedNotes('/z', {});
		one.note('a', '1');
		two.note('b', '2');
		await later(100);
		expect(keptKeyed('/z')).toBe(2);
		net.is = 'up';
		const reloaded = new KeyedNotes('/z', {});
		reloaded.resume();
		expect(reloaded.keyed).toEqual({ a: '1', b: '2' });
		await later(8000);
		expect(server.keyed).toEqual({ a: '1', b: '2' });
		expect(keptKeyed('/z')).toBe(0);
	});

	it('are what was keyed last, whatever the network does and however often the page is loaded anew', async () => {
		const step = fc.oneof(
			fc.record({
				id: fc.constantFrom('a', 'b', 'c'),
				shows: fc.option(fc.constantFrom('1', '2', '3'))
			}),
			fc.constantFrom<Network | 'reload'>('up', 'down', 'answer-lost', 'reload'),
			fc.constantFrom(10, 30, 100, 3500)
		);
		let runs = 0;
		await fc.assert(
			fc.asyncProperty(fc.array(step, { minLength: 4, maxLength: 30 }), async (steps) => {
				const server = serverOf();
				net.is = 'up';
				const path = `/z${++runs}`;
				const page = pages();
				let notes = new KeyedNotes(path, server.keyed, Date.now(), page());
				const last: Record<string, string | null> = {};
				for (const does of steps) {
					if (typeof does === 'object') {
						notes.note(does.id, does.shows);
						last[does.id] = does.shows;
					} else if (typeof does === 'number') await later(does);
					else if (does === 'reload') {
						// what the page that goes has on its way comes in before the next is read
						await later(50);
						notes = new KeyedNotes(path, server.keyed, Date.now(), page());
						notes.resume();
					} else net.is = does;
				}
				net.is = 'up';
				await later(10_000);
				const expected = Object.fromEntries(Object.entries(last).filter(([, shows]) => shows !== null));
				expect(server.keyed).toEqual(expected);
				expect(notes.keyed).toEqual(expected);
				expect(keptKeyed(path)).toBe(0);
			}),
			{ numRuns: 150 }
		);
	});
});
