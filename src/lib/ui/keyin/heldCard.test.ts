import { describe, expect, it } from 'vitest';
import { findProfile } from '$core/control';
import { zoneCard, type KeyCard } from '$core/keying';
import { newZone, withWanted, type Zone } from '$core/plan';
import { buildWeek } from '$core/week';
import { HeldCard } from './heldCard.svelte';

const profile = findProfile('six-step-room-stat')!;
const week = buildWeek(
	[0, 1, 2, 3, 4, 5, 6].flatMap((day) => [
		{ at: day * 1440 + 390, value: 'comfort' },
		{ at: day * 1440 + 1320, value: 'eco' }
	])
);
const plain = withWanted(newZone('Hall', profile), week);
const warmer = (by: number): Zone => ({
	...plain,
	levels: plain.levels.map((level) =>
		level.id === 'comfort' ? { ...level, setpointC: level.setpointC + by } : level
	)
});
const cardOf = (zone: Zone): KeyCard => zoneCard(zone, profile, {}).card;

/** A person at the control: what they confirm is what the display showed. */
function person(card: KeyCard) {
	let keyed: Record<string, string> = {};
	const held = new HeldCard(card, () => keyed);
	return {
		held,
		get keyed() {
			return keyed;
		},
		key() {
			const { item } = held;
			if (!item) return;
			keyed = { ...keyed, [item.id]: item.shows };
			held.confirmed();
		},
		to(what: RegExp) {
			for (
				let i = 0;
				i < 200 && !what.test(`${held.item?.section} ${held.item?.what} ${held.item?.shows}`);
				i++
			)
				this.key();
		}
	};
}

describe('a card whose plan changes', () => {
	it('is at its end only when every value is keyed as the plan asks for it last', () => {
		const first = cardOf(plain);
		const one = person(first);
		one.to(/temperature/);
		const { id, shows } = one.held.item!;
		one.held.take(cardOf(warmer(1)));
		// under the thumb nothing has changed, and what is confirmed is what was there
		expect(one.held.item).toMatchObject({ id, shows });
		expect(one.held.instead).not.toBeNull();
		one.key();
		expect(one.keyed[id]).toBe(shows);
		// the same place comes again with the new value
		expect(one.held.item!.id).toBe(id);
		expect(one.held.item!.shows).not.toBe(shows);
		expect(one.held.toKeyAgain).toBe(1);
		for (let i = 0; i < 200 && one.held.item; i++) one.key();
		expect(one.held.progress.done).toBe(one.held.progress.of);
		for (const item of cardOf(warmer(1)).items) expect(one.keyed[item.id]).toBe(item.shows);
		// changed again after the end, it goes back
		one.held.take(cardOf(warmer(2)));
		expect(one.held.item).toBeDefined();
		expect(one.held.toKeyAgain).toBeGreaterThan(0);
	});

	it('says what is otherwise against what was first seen, and nothing of what was changed back', () => {
		const one = person(cardOf(plain));
		one.to(/temperature/);
		one.held.take(cardOf(warmer(1)));
		const count = one.held.changes.length;
		expect(count).toBeGreaterThan(0);
		one.held.take(cardOf(warmer(2)));
		expect(one.held.changes).toHaveLength(count);
		one.held.take(cardOf(plain));
		expect([one.held.changes, one.held.instead]).toEqual([[], null]);
		// read, and told anew only of what changes after that
		one.held.take(cardOf(warmer(1)));
		one.held.seen();
		expect([one.held.changes, one.held.instead]).toEqual([[], null]);
		one.held.take(cardOf(warmer(1)));
		expect(one.held.changes).toEqual([]);
	});

	it('goes by the plan that was read last, whatever comes in after it', () => {
		const one = person(cardOf(plain));
		one.held.take(cardOf(warmer(1)), 2000);
		const { items } = one.held;
		one.held.take(cardOf(plain), 1000);
		expect(one.held.items).toBe(items);
		one.held.take(cardOf(plain), 3000);
		expect(one.held.changes).toEqual([]);
		expect(one.held.items).not.toBe(items);
	});

	it('tells what comes after the value on show, what must be keyed again before it last', () => {
		const one = person(cardOf(plain));
		for (let i = 0; i < 200 && one.held.upNext.length > 1; i++) one.key();
		one.held.take(cardOf(warmer(1)));
		// one is left behind it, and of those before it each that the plan has changed
		expect(one.held.upNext.length).toBeGreaterThan(1);
		expect(one.held.items.indexOf(one.held.upNext[0]!)).toBeGreaterThan(one.held.index);
		expect(one.held.items.indexOf(one.held.upNext.at(-1)!)).toBeLessThan(one.held.index);
	});

	it('that reorders its values keeps the one on show, and one that asks for it no more goes to what is next', () => {
		const first = cardOf(plain);
		const one = person(first);
		one.to(/step 2/);
		const { id } = one.held.item!;
		const settings = first.items.filter((item) => item.section === 'Settings');
		one.held.take({ ...first, items: [...first.items.slice(settings.length), ...settings] });
		expect(one.held.item!.id).toBe(id);
		one.held.take({ ...first, items: first.items.filter((item) => item.id !== id) });
		expect([one.held.item!.id, one.held.instead]).toEqual([id, { now: null }]);
		one.held.seen();
		expect(one.held.item!.id).not.toBe(id);
	});
});
