import { describe, expect, it } from 'vitest';
import {
	allowedOptions,
	expandProgram,
	factoryOptions,
	findProfile,
	profileSchema,
	shippedProfiles,
	type Program
} from '.';
import { valueAt } from '../week';

describe('profiles', () => {
	it('shipped ones satisfy the schema and are distinct', () => {
		for (const profile of shippedProfiles) expect(profileSchema.parse(profile)).toEqual(profile);
		expect(new Set(shippedProfiles.map((profile) => profile.id)).size).toBe(shippedProfiles.length);
		expect(findProfile('no-such')).toBeUndefined();
	});

	it('that contradict themselves are refused where they do', () => {
		const stat = shippedProfiles[0]!;
		const path = (change: object) =>
			profileSchema.safeParse({ ...stat, ...change }).error?.issues[0]?.path.join('.');
		expect(path({ temperature: { ...stat.temperature, maxC: 3 } })).toBe('temperature.maxC');
		expect(path({ temperature: null })).toBe('temperature');
		expect(
			path({
				groupings: [
					{
						id: 'x',
						name: 'x',
						groups: [
							[0, 1, 2],
							[2, 3, 4, 5, 6]
						]
					}
				]
			})
		).toBe('groupings.0.groups');
		expect(path({ program: { ...stat.program, stepMinutes: 7 } })).toBe('program.stepMinutes');
	});

	it('bring options that they do not offer back to the factory’s', () => {
		const keypad = findProfile('hour-strip-keypad')!;
		expect(allowedOptions(keypad, { unit: 'F', clock: '12', perDay: 9, channel: 3, plain: true })).toEqual(
			factoryOptions(keypad)
		);
	});
});

describe('a held week', () => {
	it('carries the last event over midnight, also round Sunday', () => {
		const program: Program = {
			form: 'events',
			grouping: '7-day',
			modes: null,
			beforeFirstC: null,
			groups: Array.from({ length: 7 }, (_, day) => ({
				days: [day],
				events:
					day === 2
						? [
								{ at: 300, setpointC: 20 },
								{ at: 1380, setpointC: 12 }
							]
						: []
			}))
		};
		const held = expandProgram(program, 5);
		expect(valueAt(held, 2 * 1440 + 299)).toBe(12);
		expect(valueAt(held, 2 * 1440 + 300)).toBe(20);
		expect(valueAt(held, 0)).toBe(12);
	});

	it('carries nothing over on pairs: a pair to midnight ends there', () => {
		const pairs: Program = {
			form: 'pairs',
			grouping: '5-2',
			onC: 1,
			offC: 0,
			groups: [
				{ days: [0, 1, 2, 3, 4], pairs: [{ on: 1320, off: 1440 }] },
				{ days: [5, 6], pairs: [] }
			]
		};
		const held = expandProgram(pairs, 0);
		expect([valueAt(held, 1439), valueAt(held, 1440), valueAt(held, 5 * 1440 + 700)]).toEqual([1, 0, 0]);
	});
});
