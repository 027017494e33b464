import { describe, expect, it } from 'vitest';
import { shippedProfiles, type ControlOptions, type ControlProfile } from '../control';
import { fitZone } from '../fit';
import { newZone, withWanted } from '../plan';
import { buildWeek } from '../week';
import { explainReadBack, readBackGroups, type Readings } from '.';

/** A control with its week keyed, Saturday and Sunday different, and a way to misread it. */
function keyed(id: string, options: Partial<ControlOptions> = {}) {
	const profile: ControlProfile = shippedProfiles.find((one) => one.id === id)!;
	const [on, off] = profile.temperature ? ['comfort', 'eco'] : ['on', 'off'];
	const steps = [0, 1, 2, 3, 4, 5, 6].flatMap((d) => [
		{ at: d * 1440 + (d < 5 ? 360 : d === 5 ? 480 : 600), value: on! },
		{ at: d * 1440 + (d < 5 ? 1260 : 1320), value: off! }
	]);
	const zone = { ...withWanted(newZone('Z', profile), buildWeek(steps)), grouping: '7-day' };
	const set = { ...zone.options, ...options };
	const { program } = fitZone({ ...zone, options: set }, profile).chosen;
	const groups = readBackGroups(profile, set, program);
	const of = (section: string) => groups.find((group) => group.section === section)!.fields;
	return {
		of,
		plan: groups,
		explain: (readings: Readings) => explainReadBack(profile, set, program, readings)
	};
}

describe('a read-back', () => {
	it('that shows the plan finds nothing, for every family', () => {
		for (const profile of shippedProfiles) {
			const stat = keyed(profile.id);
			expect(stat.explain({})).toEqual([]);
			const all = Object.fromEntries(
				stat.plan.flatMap((group) => group.fields.map((field) => [field.id, field.shows]))
			);
			expect(stat.explain(all)).toEqual([]);
		}
	});

	it('finds a planted single slip on every family and names its value', () => {
		for (const profile of shippedProfiles) {
			const stat = keyed(profile.id);
			const field = stat.plan.at(-1)!.fields[0]!;
			const wrong = /^\d\d:\d\d$/.test(field.shows) ? '03:33' : '1.5';
			const slips = stat.explain({ [field.id]: wrong });
			expect(slips).toHaveLength(1);
			expect(slips[0]!.ids).toEqual([field.id]);
			expect(slips[0]!.sentence).toContain(wrong);
		}
	});

	it('explains Saturday on Sunday, and the two swapped', () => {
		const stat = keyed('six-step-room-stat');
		const [sat, sun] = [stat.of('Saturday'), stat.of('Sunday')];
		const satOnSun = Object.fromEntries(sun.map((field, i) => [field.id, sat[i]!.shows]));
		expect(stat.explain(satOnSun)).toMatchObject([
			{ kind: 'other-day', sentence: expect.stringMatching(/^Sunday holds Saturday's/) }
		]);
		const swapped = { ...satOnSun, ...Object.fromEntries(sat.map((field, i) => [field.id, sun[i]!.shows])) };
		expect(stat.explain(swapped)).toMatchObject([{ kind: 'swapped-days' }]);
	});

	it('explains a row shifted by a slot', () => {
		const stat = keyed('hour-strip-keypad');
		const slots = stat.of('Tuesday');
		const late = Object.fromEntries(slots.slice(1).map((field, i) => [field.id, slots[i]!.shows]));
		expect(stat.explain(late)).toMatchObject([
			{ kind: 'shifted-slots', sentence: expect.stringContaining('late') }
		]);
		const early = Object.fromEntries(slots.slice(0, -1).map((field, i) => [field.id, slots[i + 1]!.shows]));
		expect(stat.explain(early)).toMatchObject([
			{ kind: 'shifted-slots', sentence: expect.stringContaining('early') }
		]);
	});

	it('explains am for pm, two periods swapped, and the wrong unit', () => {
		const stat = keyed('six-step-room-stat', { clock: '12' });
		const monday = stat.of('Monday');
		expect(stat.explain({ [monday[0]!.id]: '6:00 pm' })).toMatchObject([{ kind: 'am-pm' }]);
		const crossed = {
			[monday[0]!.id]: monday[2]!.shows,
			[monday[1]!.id]: monday[3]!.shows,
			[monday[2]!.id]: monday[0]!.shows,
			[monday[3]!.id]: monday[1]!.shows
		};
		expect(stat.explain(crossed)).toMatchObject([
			{ kind: 'swapped-periods', sentence: 'Monday: step 1 and step 2 are swapped.' }
		]);
		const fahrenheit = Object.fromEntries(
			stat.plan.flatMap((group) =>
				group.fields
					.filter((field) => field.unit === '°C')
					.map((field) => [field.id, String(Math.round(Number(field.shows) * 1.8 + 32))])
			)
		);
		expect(stat.explain(fahrenheit)).toMatchObject([{ kind: 'wrong-unit' }]);
	});
});
