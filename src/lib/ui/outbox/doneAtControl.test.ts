import fc from 'fast-check';
import { describe, expect, it, vi } from 'vitest';
import { noNotes, withNote, type Goal, type Note, type Notes } from '$core/keying';
import { asked, later, net, pages, type Network } from '../../../../tests/support/network';
import { letters, serverOf, stat } from '../../../../tests/support/outboxPages';
import { ControlNotes } from '../keyin/controlNotes.svelte';
import { Outbox } from './outbox.svelte';

vi.mock('idb-keyval', async () => (await import('../../../../tests/support/disk')).keyval);

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
