import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shippedProfiles } from '../control';
import { buildWeek, valueAt } from '../week';
import { takeWeek } from './takeWeek';
import { newZone, wantedWeek, withWanted, zoneSchema } from './zone';

const weeks = (ids: readonly string[]) =>
	fc
		.array(fc.record({ at: fc.integer({ min: 0, max: 10_079 }), value: fc.constantFrom(...ids) }), {
			minLength: 1,
			maxLength: 12
		})
		.map((risers) => buildWeek(risers));

describe('a zone that lives the week of another', () => {
	it('has its times, whatever the two controls hold, and is as warm where the other is warmest', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(...shippedProfiles),
				fc.constantFrom(...shippedProfiles),
				fc.infiniteStream(fc.nat()),
				(profile, other, numbers) => {
					const from0 = newZone('From', other);
					const ids = from0.levels.map((level) => level.id);
					const risers = Array.from({ length: 8 }, () => ({
						at: numbers.next().value! % 10_080,
						value: ids[numbers.next().value! % ids.length]!
					}));
					const from = withWanted(from0, buildWeek(risers));
					const taken = takeWeek(newZone('To', profile), from, profile, other);
					expect(zoneSchema.safeParse(taken).error?.issues ?? []).toEqual([]);
					expect([taken.name, taken.control]).toEqual(['To', profile.id]);
					const warmest = (zone: typeof taken) =>
						zone.levels.reduce((a, b) => (b.setpointC > a.setpointC ? b : a)).id;
					for (let i = 0; i < 40; i++) {
						const at = numbers.next().value! % 10_080;
						const here = valueAt(wantedWeek(taken), at);
						const there = valueAt(wantedWeek(from), at);
						expect(here === warmest(taken)).toBe(there === warmest(from));
					}
				}
			),
			{ numRuns: 200 }
		);
	});

	it('of a like control has its very week and levels', () => {
		const [stat] = shippedProfiles;
		fc.assert(
			fc.property(weeks(newZone('x', stat!).levels.map(({ id }) => id)), (week) => {
				const from = withWanted(newZone('From', stat!), week);
				const taken = takeWeek(newZone('To', stat!), from, stat!, stat!);
				expect(wantedWeek(taken)).toEqual(wantedWeek(from));
				expect(taken.levels).toEqual(from.levels);
			})
		);
	});
});
