import { operable } from '../../../tests/support/anyZone';
import { afterOneChange } from '../../../tests/support/readFirst';
import { describe, expect, it } from 'vitest';
import { findProfile, shippedProfiles, type ControlOptions, type ControlProfile } from '../control';
import { fitZone } from '../fit';
import { newZone, withWanted } from '../plan';
import { buildWeek } from '../week';
import {
	explainReadBack,
	leftToKey,
	menuWanted,
	noNotes,
	noteOfReading,
	readBackGroups,
	readBackProgress,
	readDisplayed,
	replayed,
	withNote,
	wholePlan,
	wordsThere,
	zoneCard,
	type Notes,
	type Readings
} from '.';

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

import { slipWords } from '../words';

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
			expect(slipWords(slips[0]!)).toContain(wrong);
		}
	});

	it('explains Saturday on Sunday, and the two swapped', () => {
		const stat = keyed('six-step-room-stat');
		const [sat, sun] = [stat.of('Saturday'), stat.of('Sunday')];
		const satOnSun = Object.fromEntries(sun.map((field, i) => [field.id, sat[i]!.shows]));
		expect(stat.explain(satOnSun)).toMatchObject([
			{ kind: 'other-day', section: 'Sunday', other: 'Saturday' }
		]);
		const swapped = { ...satOnSun, ...Object.fromEntries(sat.map((field, i) => [field.id, sun[i]!.shows])) };
		expect(stat.explain(swapped)).toMatchObject([{ kind: 'swapped-days' }]);
	});

	it('explains a row shifted by a slot', () => {
		const stat = keyed('hour-strip-keypad');
		const slots = stat.of('Tuesday');
		const late = Object.fromEntries(slots.slice(1).map((field, i) => [field.id, slots[i]!.shows]));
		expect(stat.explain(late)).toMatchObject([{ kind: 'shifted-slots', late: true }]);
		const early = Object.fromEntries(slots.slice(0, -1).map((field, i) => [field.id, slots[i + 1]!.shows]));
		expect(stat.explain(early)).toMatchObject([{ kind: 'shifted-slots', late: false }]);
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
			{ kind: 'swapped-periods', section: 'Monday', periods: ['step 1', 'step 2'] }
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

describe('what is read beside what is keyed', () => {
	/** A control keyed from its card, and how its reading is noted. */
	function atControl(id: string) {
		const profile = findProfile(id)!;
		const zone = withWanted(
			newZone('Z', profile),
			buildWeek([
				{ at: 360, value: profile.temperature ? 'comfort' : 'on' },
				{ at: 1320, value: profile.temperature ? 'eco' : 'off' }
			])
		);
		const card = (notes?: Notes) => zoneCard(zone, profile, notes).card;
		const { program } = fitZone(zone, profile).chosen;
		const groups = readBackGroups(profile, zone.options, program);
		const { options } = card().operated;
		const all = withNote(profile, noNotes(profile), { what: 'keyed', goals: wholePlan(profile, card()) });
		/** All that is noted after a field of a group was read. */
		const read = (notes: Notes, group: number, field: number, value: string): Notes =>
			withNote(profile, notes, noteOfReading(profile, options, groups[group]!.fields[field]!, value)!);
		const progress = (notes: Notes) => readBackProgress(profile, groups, replayed(profile, notes, options));
		const left = (notes: Notes) => leftToKey(profile, card(notes), notes).steps;
		return { groups, all, read, progress, left };
	}

	it('is not read by being keyed; what was read is in, and read only while it stands so', () => {
		for (const { id } of shippedProfiles) {
			const { groups, all, read, progress, left } = atControl(id);
			expect([left(all).length, progress(all)], id).toEqual([0, { read: 0, toRead: groups.length }]);
			let notes = all;
			groups.forEach((group, g) =>
				group.fields.forEach(({ shows }, f) => (notes = read(notes, g, f, shows)))
			);
			expect([left(notes).length, progress(notes)], id).toEqual([
				0,
				{ read: groups.length, toRead: groups.length }
			]);
		}
	});

	it('a slip is keyed again alone, from what the display stands at, and is to be read again', () => {
		for (const id of ['six-step-room-stat', 'hour-strip-keypad']) {
			const { groups, all, read, progress, left } = atControl(id);
			// the first day: another would be copied again
			const day = groups.findIndex(({ section }) => section.startsWith('Mon'));
			const field = groups[day]!.fields[1]!;
			const other = field.unit ? '12.5' : field.shows === 'Eco' ? 'Comfort' : 'Eco';
			const notes = read(all, day, 1, other);
			const open = left(notes);
			expect(open.map(({ item, keys }) => [item.shows, keys?.shows])).toEqual([[field.shows, other]]);
			const again = withNote(findProfile(id)!, notes, {
				what: 'keyed',
				goals: open.map(({ item }) => item.goal)
			});
			expect([left(again).length, progress(again).read]).toEqual([0, 0]);
			// taken back, it was not read: what was keyed counts
			const goals = [field.goal];
			expect(left(withNote(findProfile(id)!, notes, { what: 'not-read', goals }))).toHaveLength(0);
		}
	});

	it('takes what is meant for certain and refuses what no display shows', () => {
		const { groups } = atControl('heat-and-cool-stat');
		const [time, heat] = [groups[0]!.fields[0]!, groups[0]!.fields[1]!];
		const said = (field: typeof time, typed: string, clock: '12' | '24' = '24', unit: 'C' | 'F' = 'C') => {
			const options = { unit, clock, perDay: 4, channel: 0, plain: false };
			const read = readDisplayed(field, typed, options, wordsThere(groups, field));
			return 'value' in read ? read.value : `refused: ${read.sentence}`;
		};
		expect(['6:30', '0630', '6.30', '06:30', '--:--', '–'].map((typed) => said(time, typed))).toEqual([
			'06:30',
			'06:30',
			'06:30',
			'06:30',
			'--:--',
			'--:--'
		]);
		for (const typed of ['29:00', '25:99', 'abc', '6:5', '12'])
			expect(said(time, typed)).toMatch(/^refused: .* is no time that a display shows/);
		expect([said(time, '6:30', '12'), said(time, '6:30pm', '12')]).toEqual([
			'refused: “6:30”: is it am or pm? Write it as 6:30 am.',
			'6:30 pm'
		]);
		expect([said(heat, '20,5'), said(heat, '19'), said(heat, '70 °F', '24', 'F')]).toEqual([
			'20.5',
			'19.0',
			'70'
		]);
		expect(said(heat, 'warm')).toMatch(/^refused: “warm” is no temperature/);
		const strip = atControl('dial-stat');
		const slot = strip.groups.at(-1)!.fields[0]!;
		const words = wordsThere(strip.groups, slot);
		const options = { unit: 'C', clock: '24', perDay: 1, channel: 0, plain: false } as const;
		expect(words).toEqual(expect.arrayContaining(['Comfort', 'Eco']));
		expect(readDisplayed(slot, 'com', options, words)).toEqual({ value: 'Comfort' });
		expect(readDisplayed(slot, 'abc', options, words)).toHaveProperty('sentence');
	});
});

it('reads entries of the menus that are set otherwise than they come, and tells one that stands otherwise', () => {
	const profile = findProfile('touch-floor-stat')!;
	const zone = newZone('Bath', profile);
	const set = { ...zone, settings: { ...zone.settings, menu: { sensor: 2, 'floor-most': 25 } } };
	const { chosen } = fitZone(set, profile);
	const menu = menuWanted([set], profile);
	const [first] = readBackGroups(profile, zone.options, chosen.program, menu);
	expect(first!.fields.map(({ what, shows }) => `${what} ${shows}`)).toEqual([
		'sensor Both',
		'floor limit 25.0'
	]);
	expect(wordsThere([first!], first!.fields[0]!)).toEqual(['Air', 'Floor', 'Both']);
	const readings = { [first!.fields[0]!.id]: 'Air', [first!.fields[1]!.id]: '25.0' };
	expect(explainReadBack(profile, zone.options, chosen.program, readings, menu)).toMatchObject([
		{ kind: 'single', section: null, what: 'sensor', shown: 'Air', planned: 'Both' }
	]);
});

it('after reading, one changed time costs at most ten presses: mode keys aside, and a strip is walked to its hour', () => {
	for (const profile of operable) {
		const { read, blind } = afterOneChange(profile);
		const isStrip = profile.program.form === 'slots';
		const modes = read.steps
			.filter(({ item }) => item.goal.of === 'mode')
			.reduce((sum, { keys }) => sum + keys!.presses, 0);
		expect(read.presses - modes, profile.id).toBeLessThanOrEqual(isStrip ? 16 : 10);
		if (profile.program.form !== 'plain') expect(read.presses * 2.5, profile.id).toBeLessThan(blind.presses);
	}
});
