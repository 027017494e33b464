import { describe, expect, it } from 'vitest';
import { readControlFile, writeControlFile } from '../formats';
import {
	awayPlaceAt,
	findProfile,
	habitsSchema,
	profileSchema,
	shippedProfiles,
	withAwayFitted,
	type ControlProfile,
	type Habits,
	type Panel
} from '.';
import { profileFacts } from '../words';

const stat = findProfile('six-step-room-stat')!;
const words = (id: string, topic: 'hand' | 'away' | 'clock') =>
	profileFacts(findProfile(id)!)
		.find((fact) => fact.topic === topic)!
		.sentences.join(' ');
const refusal = (profile: unknown) => {
	const read = profileSchema.safeParse(profile);
	return read.success ? null : `${read.error.issues[0]!.path.join('.')} ${read.error.issues[0]!.message}`;
};

describe('habits of a control', () => {
	it('read as sentences, each family its own', () => {
		expect(words('touch-floor-stat', 'hand')).toMatch(
			/An override lasts 2 h\. A hold lasts to a time, or until it is ended\./
		);
		expect(words('hour-strip-keypad', 'hand')).toMatch(
			/Boost in steps of 30 min, up to 3 h\. .*Off: frost protection at 7 °C\./
		);
		expect(words('dial-stat', 'hand')).toMatch(
			/Boost lasts to the next change of the program\. Manual stays/
		);
		expect(words('heat-and-cool-stat', 'hand')).toMatch(
			/Off is off\. .*Fan: auto, on or circulate\. After a stop it waits 5 min\./
		);
		expect(words('plant-clock', 'away')).toBe('4 holidays kept beforehand, of whole days. 8 special days.');
		expect(words('hour-strip-keypad', 'away')).toBe(
			'Holiday of 1 to 365 days, today not counted; over at the hour it was set. No special days.'
		);
		expect(words('plain-stat', 'away')).toMatch(/turned down by hand/);
		expect(words('radio-stat', 'clock')).toBe(
			'Its clock is changed by hand, twice a year. It forgets the clock and the program after 5 min while batteries are changed.'
		);
		expect(words('dial-stat', 'clock')).toMatch(/forgets the clock within seconds/);
		expect(words('plain-stat', 'clock')).toBe('It has no clock.');
	});

	it('of every shipped control say how each thing that it has is done', () => {
		for (const { id, habits } of shippedProfiles)
			for (const key of [
				'override',
				'hold',
				'boost',
				'advance',
				'holiday',
				'specialDays',
				'manual',
				'off'
			] as const)
				if (habits[key]) expect(habits[key].how.length, `${id} ${key}`).toBeGreaterThan(10);
	});

	it('of a profile from before they were known are none, and it is read all the same', () => {
		const { habits: _, ...old } = stat;
		const read = profileSchema.parse({ ...old, panel: null });
		expect(read.habits).toEqual(habitsSchema.parse({}));
		expect(read.habits.override).toBeNull();
	});

	it('and the menu of an absence go together, or it is said; changed, the menu asks for what is taken', () => {
		const panelFor = (holiday: Habits['holiday']) => withAwayFitted(stat.panel!, holiday);
		const dates: Habits['holiday'] = { by: 'periods', mostPeriods: 2, how: '' };
		const changed = (panel: Panel) => ({ ...stat, panel, habits: { ...stat.habits, holiday: dates } });
		expect(refusal(changed(stat.panel!))).toMatch(/leaves out what a holiday needs: month of the first day$/);
		expect(refusal(changed(panelFor(dates)))).toBeNull();
		expect(panelFor(dates).places[awayPlaceAt(stat.panel!)]!.fields).toEqual([
			'first-month',
			'first-day',
			'last-month',
			'last-day',
			'away-setpoint'
		]);
		expect(refusal({ ...stat, habits: { ...stat.habits, holiday: null } })).toMatch(
			/asks for a holiday, which this control does not take so$/
		);
		expect(awayPlaceAt(panelFor(null))).toBe(-1);
		expect(panelFor(stat.habits.holiday)).toBe(stat.panel);
	});

	it('that contradict the control are refused where they do', () => {
		const timer = findProfile('switch-timer')!;
		expect(refusal({ ...timer, habits: { ...timer.habits, off: { keepsC: 5, how: '' } } })).toBe(
			'habits.off.keepsC must be left out: a switch keeps no temperature'
		);
		expect(refusal({ ...timer, habits: { ...timer.habits, limits: { bindProgram: true } } })).toBe(
			'habits.limits must be left out: a switch has no limits'
		);
		expect(
			refusal({ ...stat, habits: { ...stat.habits, boost: { ...stat.habits.boost!, mostSteps: 0 } } })
		).toMatch(/^habits\.boost\.mostSteps/);
		expect(refusal({ ...stat, habits: { ...stat.habits, holiday: { by: 'moon' } } })).toMatch(
			/^habits\.holiday/
		);
	});

	it('go through a control file and come back as they were', () => {
		for (const profile of shippedProfiles) {
			const read = readControlFile(writeControlFile(profile));
			expect(read.ok && (read.value satisfies ControlProfile)).toEqual(profile);
		}
	});
});

it('what the household is told to press is on the control: every key, position and mode named is one of its panel', () => {
	let named = 0;
	for (const { id, habits, panel } of shippedProfiles) {
		const there = [
			...panel!.keys.flatMap(({ print, positions }) => [print, ...positions]),
			...(panel!.modes?.names ?? [])
		];
		const words = [habits, habits.clock].flatMap((of) =>
			Object.values(of).flatMap((one) =>
				one !== null && typeof one === 'object' && 'how' in one ? [String(one.how)] : []
			)
		);
		for (const how of words)
			for (const word of how.match(/(?<!^)(?<![.;] )(?:\b[A-Z][A-Za-z]+|[+\u2212](?=[ ,.]))/g) ?? []) {
				expect(
					there.some((print) => print.split(' ')[0] === word),
					`${id}: ${how}`
				).toBe(true);
				named++;
			}
	}
	expect(named).toBeGreaterThan(50);
});
