import { describe, expect, it } from 'vitest';
import { later, net, pages } from '../../../../tests/support/network';
import { sampleZone } from '$core/checks';
import { findProfile } from '$core/control';
import { fitZone } from '$core/fit';
import { cardOf, toHold, withNote, noNotes, type Note, type Notes } from '$core/keying';
import { Outbox } from '../outbox/outbox.svelte';
import { ControlNotes } from './controlNotes.svelte';
import { Keying } from './keying.svelte';

/** A window with the card of a control open, on a server that keeps what comes in by its own clock. */
function keyingAt(id: string) {
	const profile = findProfile(id)!;
	const zone = sampleZone(profile);
	const hold = toHold([{ zone, fit: fitZone(zone, profile) }], profile);
	let kept: Notes | null = null;
	net.serve((_method, _path, body) => {
		for (const note of (body as { notes: Note[] }).notes) {
			const { by } = note;
			// no later than the server's own clock
			const atMs = Math.min(by!.atMs, Date.now() - 1);
			kept = withNote(profile, kept ?? noNotes(profile), { ...note, by: { ...by!, atMs } });
		}
		return { status: 200, body: { notes: kept, nowMs: Date.now() } };
	});
	const open = (from: string) => {
		const notes = new ControlNotes(new Outbox('s', { from, ...pages()() }), 'z', profile, kept);
		return { notes, keying: new Keying(`${id} ${from}`, profile, hold, notes, cardOf) };
	};
	return { open, kept: () => kept };
}

describe('the hand of who keys a card in', () => {
	it.each(['six-step-room-stat', 'climate-clock', 'switch-timer', 'hour-strip-keypad'])(
		'stays where it is while what it noted comes in: %s',
		async (id) => {
			const { notes, keying } = keyingAt(id).open('phone');
			keying.say('as-new');
			keying.noted();
			await later(100);
			keying.noted();
			const all = keying.left;
			let pressed = 0;
			for (let left = all.values; left > 0; left--) {
				expect(keying.left.values).toBe(left);
				pressed += keying.step!.keys!.presses;
				keying.confirm();
				keying.noted();
				// before its answer, after it, and with more that waits
				if (left % 3 > 0) await later(left % 3 === 1 ? 30 : 200);
				keying.noted();
				if (left > 1) expect(keying.session.last).not.toBeNull();
			}
			expect(pressed + (keying.left.presses === 0 ? 0 : keying.left.presses)).toBe(all.presses);
			await later(500);
			expect(notes.pending).toEqual([]);
		}
	);

	it('is nowhere once another device noted something', async () => {
		const { open } = keyingAt('six-step-room-stat');
		const { notes, keying } = open('phone');
		keying.say('as-new');
		keying.confirm();
		keying.noted();
		await later(200);
		keying.noted();
		expect(keying.session.last).not.toBeNull();
		const other = open('desk');
		other.keying.confirm();
		await later(200);
		notes.refresh(other.notes.notes, Date.now());
		keying.noted();
		expect(keying.session.last).toBeNull();
		expect(keying.session.noted.acts).toEqual(other.notes.notes!.acts);
	});
});
