import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyProfile } from '../../../tests/support/anyProfile';
import { anyZone, operable } from '../../../tests/support/anyZone';
import { followNth, followOne, Follower } from '../../../tests/support/follower';
import { seededChance } from '../../../tests/support/random';
import { allowedOptions } from '../control';
import { fitZone } from '../fit';
import { programOf, start } from '../machine';
import type { Zone } from '../plan';
import { beginSession, boxCard, confirmed, noNotes, onShow } from '.';

/** Some zones of one control: the plan, those that it is changed to, and what it held before. */
const someZones = (profile: (typeof operable)[number]) =>
	fc.tuple(anyZone(profile), anyZone(profile), anyZone(profile)) as fc.Arbitrary<[Zone, Zone, Zone]>;

describe('the screens of a card, followed literally', () => {
	it('end in the plan, and press what the first of them says, on every shipped family', () => {
		for (const profile of operable)
			fc.assert(
				fc.property(someZones(profile), fc.nat(), (zones, seed) => {
					followOne(profile, zones, 0, seededChance(seed));
				}),
				{ numRuns: 5 }
			);
	});

	it('end in the plan whatever happens: reload, time-out, another device, a plan that changes, a slip', () => {
		for (const profile of operable)
			fc.assert(
				fc.property(someZones(profile), fc.nat(), (zones, seed) => {
					followOne(profile, zones, 15, seededChance(seed));
				}),
				{ numRuns: 5 }
			);
	}, 120_000);

	it('and so they do on 100 controls that nobody shipped', () => {
		let values = 0;
		fc.assert(
			fc.property(
				anyProfile.chain((profile) => fc.tuple(fc.constant(profile), someZones(profile))),
				fc.nat(),
				([profile, zones], seed) => {
					values += followOne(profile, zones, seed % 2 ? 15 : 0, seededChance(seed)).values;
				}
			),
			{ numRuns: 100 }
		);
		expect(values).toBeGreaterThan(1500);
	}, 240_000);

	// found by 10 000 of them
	it.each([
		[5698, 'a value that leaving took: it was not confirmed, and the plan asks for a setting first'],
		[4093, 'a value that a device had on its screen which noted nothing'],
		[9910, 'a copy whose keys were pressed in another day’s place']
	])('go on after round %i: %s', (nth) => {
		expect(followNth(20_261_130, nth).values).toBeGreaterThan(50);
	});

	it('key every channel of one control in one go', () => {
		const programmer = operable.find(({ id }) => id === 'two-channel-programmer')!;
		fc.assert(
			fc.property(anyZone(programmer), anyZone(programmer), (one, two) => {
				const fitted = [one, two].map((zone, channel) => {
					const own = {
						...zone,
						grouping: one.grouping,
						options: allowedOptions(programmer, { ...one.options, channel })
					};
					return { zone: own, fit: fitZone(own, programmer) };
				});
				const noted = { ...noNotes(programmer), found: 'as-new' as const };
				const card = boxCard(fitted, programmer, noted);
				const person = new Follower(programmer, start(programmer));
				const kept = { place: null, backTo: null, mode: 0, next: null, pending: [] };
				let session = beginSession(programmer, card, noted, kept);
				for (let step = onShow(session); step; step = onShow(session)) {
					person.follow(step, session.out);
					session = confirmed(session).session;
				}
				person.do(session.turn.leave);
				fitted.forEach(({ fit }, channel) =>
					expect(programOf(programmer, person.state.memory, channel)).toEqual(fit.chosen.program)
				);
			}),
			{ numRuns: 12 }
		);
	});
});
