import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import isSame from 'fast-deep-equal';
import { anyProfile } from '../../../tests/support/anyProfile';
import { anyZone, operable } from '../../../tests/support/anyZone';
import { allowedOptions, type Program } from '../control';
import { fitZone } from '../fit';
import {
	display,
	press,
	programFields,
	programOf,
	settled,
	start,
	type MachineState,
	type Operable,
	type Stroke
} from '../machine';
import type { Zone } from '../plan';
import {
	controlCard,
	keyCard,
	keysOfCard,
	menuWanted,
	withKeyed,
	type CardItem,
	type Found,
	type ItemKeys,
	type Keyed
} from '.';

/** A person who presses what the card says, a second a stroke, and sets what it does not know by looking. */
class Person {
	at = 0;
	presses = 0;
	constructor(
		readonly profile: Operable,
		public state: MachineState
	) {}
	do(strokes: readonly Stroke[]) {
		for (const stroke of strokes) {
			this.at += stroke.do === 'wait' ? stroke.seconds : 1;
			this.state = press(this.profile, this.state, stroke, this.at);
		}
	}
	get shows() {
		return display(this.profile, this.state, this.at);
	}
	/** The way to a value; where steps may have been cleared, on and on until it is come to. */
	#go(item: CardItem, way: readonly Stroke[], isSure: boolean) {
		if (isSure) return this.do(way);
		const { take } = this.profile.panel.program!;
		this.do(
			way.filter((stroke) => !isSame(stroke, { ...take, times: (stroke as { times?: number }).times }))
		);
		for (let n = 0; n < 60 && this.#cursor !== this.#keyOf(item); n++) this.do([take]);
	}
	#keyOf({ goal }: CardItem) {
		if (goal.of !== 'field') return null;
		const { place, memory } = this.state;
		const { fields } = programFields(this.profile, memory, place as { channel: number; group: number });
		const step = Number(goal.key.split('/')[0]) - 1;
		return goal.position === null ? fields.find((field) => field.step === step)!.key : goal.key;
	}
	get #cursor() {
		const { place, memory } = this.state;
		return place?.in === 'program'
			? programFields(this.profile, memory, place).fields[place.field]!.key
			: null;
	}
	key(item: CardItem, keys: ItemKeys, thrownOut = false) {
		if (thrownOut) {
			this.at += 1000;
			this.state = settled(this.profile, this.state, this.at);
		}
		this.#go(item, thrownOut && this.state.place === null ? keys.fromRest : keys.way, keys.isSure);
		if (keys.change) this.do(keys.change);
		else
			for (const key of [keys.until!.up, keys.until!.down])
				for (
					let n = 0, was = '';
					n < 1500 && this.shows.shows !== item.shows && was !== this.shows.shows;
					n++
				) {
					was = this.shows.shows;
					this.do([{ do: 'press', key, times: 1 }]);
				}
		// what the display must show it shows before it is taken
		if (keys.take.length > 0 && (item.goal.of !== 'field' || item.goal.position !== null))
			expect(this.shows.shows, `${this.profile.id} ${item.id}`).toBe(item.shows);
		this.do(keys.take);
	}
}

/** A program as its display would show it: to the steps of its scale. */
const shown = (profile: Operable, unit: 'C' | 'F', program: Program | null) =>
	JSON.parse(
		JSON.stringify(program, (key, value: unknown) =>
			typeof value === 'number' && /C$/.test(key) && profile.temperature
				? unit === 'F'
					? Math.round(value * 1.8 + 32)
					: Math.round(value * 10) / 10
				: value
		)
	) as unknown;

/** A zone's card with its keys, for a control that was found in a state with so much keyed. */
function cardFor(profile: Operable, zone: Zone, noted: Keyed = {}, found: Found = 'as-new') {
	const options = allowedOptions(profile, zone.options);
	const { chosen } = fitZone(zone, profile);
	const menu = menuWanted([zone], profile);
	const card = keyCard(profile, options, chosen.grouping, chosen.program, noted, undefined, found, menu);
	const keys = keysOfCard(profile, { items: card.items, ...card.operated! }, noted, found);
	return { card, keys, chosen, options, profile, menu };
}
type ForCard = ReturnType<typeof cardFor>;

/** Keys it, thrown out of the menu before those values that `thrown` names. */
function keyIn(person: Person, { card, keys }: ForCard, thrown: ReadonlySet<number> = new Set()) {
	card.items.forEach((item, i) => {
		const one = keys.items[i];
		if (one) person.key(item, one, thrown.has(i));
	});
	person.do(keys.leave);
}

const expectPlanned = (person: Person, { profile, options, chosen, menu }: ForCard) => {
	expect(person.state.place).toBeNull();
	for (const { entry, position } of menu)
		expect(person.state.memory.menu[entry.id], `${profile.id} ${entry.id}`).toBe(position);
	// the week that it holds, whatever program is chosen to run
	const { memory } = person.state;
	const held = programOf(profile, { ...memory, menu: {} }, options.channel);
	expect(shown(profile, options.unit, held)).toEqual(shown(profile, options.unit, chosen.program));
};
const fresh = (profile: Operable) => new Person(profile, start(profile));

describe('the card’s gestures, pressed into the machine', () => {
	it('give exactly the planned memory: from as new, thrown out of the menu now and then', () => {
		for (const profile of operable)
			fc.assert(
				fc.property(anyZone(profile), fc.uniqueArray(fc.nat(40), { maxLength: 3 }), (zone, thrown) => {
					const made = cardFor(profile, zone);
					made.card.items.forEach(({ id }, i) =>
						expect(made.keys.items[i], `${profile.id}: no keys for ${id}`).not.toBeNull()
					);
					const person = fresh(profile);
					keyIn(person, made, new Set(thrown));
					expectPlanned(person, made);
				}),
				{ numRuns: 10 }
			);
	});

	it('and on controls that nobody shipped, whatever they hold and however they are gone through', () => {
		fc.assert(
			fc.property(
				anyProfile.chain((profile) => fc.tuple(fc.constant(profile), anyZone(profile), anyZone(profile))),
				([profile, zone, before]) => {
					const made = cardFor(profile, zone);
					const person = fresh(profile);
					keyIn(person, made);
					expectPlanned(person, made);
					const other = fresh(profile);
					keyIn(other, cardFor(profile, before));
					const unknown = cardFor(profile, zone, {}, 'unknown');
					keyIn(other, unknown);
					expectPlanned(other, unknown);
				}
			),
			{ numRuns: 40 }
		);
	});

	it('and from whatever somebody else had keyed, of which nothing is known', () => {
		for (const profile of operable)
			fc.assert(
				fc.property(anyZone(profile), anyZone(profile), (before, zone) => {
					const person = fresh(profile);
					keyIn(person, cardFor(profile, before));
					const made = cardFor(profile, zone, {}, 'unknown');
					keyIn(person, made);
					expectPlanned(person, made);
				}),
				{ numRuns: 7 }
			);
	});

	it('after a change of the week ask for the values that differ and no others, and leave it as planned', () => {
		let unchanged = 0;
		for (const profile of operable)
			fc.assert(
				fc.property(anyZone(profile), anyZone(profile), (zone, other) => {
					const first = cardFor(profile, zone);
					const person = fresh(profile);
					keyIn(person, first);
					const noted = first.card.items.reduce<Keyed>(
						(all, { id, shows }) => withKeyed(all, { [id]: shows }),
						{}
					);
					const again = cardFor(profile, zone, noted);
					expect(again.keys.items.every((keys) => keys === null)).toBe(true);
					expect(again.keys.presses).toBe(0);
					// another week in the same settings
					const changed = cardFor(
						profile,
						{ ...zone, wanted: other.wanted, settings: other.settings },
						noted
					);
					keyIn(person, changed);
					expectPlanned(person, changed);
					unchanged += changed.keys.items.filter((keys) => keys === null).length;
				}),
				{ numRuns: 7 }
			);
		expect(unchanged).toBeGreaterThan(100);
	});

	it('key every channel of one control in one go', () => {
		const programmer = operable.find(({ id }) => id === 'two-channel-programmer')!;
		fc.assert(
			fc.property(anyZone(programmer), anyZone(programmer), (one, two) => {
				const zones = [one, two].map((zone, channel) => ({
					...zone,
					grouping: one.grouping,
					options: allowedOptions(programmer, { ...one.options, channel })
				}));
				const fits = zones.map((zone) => fitZone(zone, programmer).chosen);
				const card = controlCard(
					programmer,
					zones.map(({ options }, i) => ({ options, program: fits[i]!.program })),
					fits[0]!.grouping
				);
				const person = fresh(programmer);
				const keys = keysOfCard(programmer, { items: card.items, ...card.operated! });
				card.items.forEach((item, i) => person.key(item, keys.items[i]!));
				person.do(keys.leave);
				fits.forEach(({ program }, channel) =>
					expect(programOf(programmer, person.state.memory, channel)).toEqual(program)
				);
			}),
			{ numRuns: 12 }
		);
	});
});
