/**
 * Controls of kinds that no shipped profile has, as control files that say their states themselves: how each is operated is in its own operating
 * leaflet (docs/leaflets.md). Each is read, has no key that does nothing, and ends in the plan when its screens are followed: from as new, from another
 * week, from unknown, through whatever happens.
 */
import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { profileOf } from '../../src/core/control';
import { readControlFile, writeControlFile } from '../../src/core/formats';
import { fitZone } from '../../src/core/fit';
import { isOperable, operationFaults, start, type MachineState, type Operable } from '../../src/core/machine';
import { newZone, withWanted, zoneSchema, type Zone } from '../../src/core/plan';
import { buildWeek } from '../../src/core/week';
import { anyZone } from '../support/anyZone';
import { followOne, followScreens, usedControl } from '../support/follower';
import { lived } from '../support/lives';
import { seededChance } from '../support/random';

const FILES = readdirSync('tests/leaflets').filter((name) => name.endsWith('.json'));

function leaflet(name: string): Operable {
	const read = readControlFile(readFileSync(`tests/leaflets/${name}`, 'utf8'));
	if (!read.ok) throw new Error(`${name}: ${read.problem.path} ${read.problem.sentence}`);
	if (!isOperable(read.value)) throw new Error(`${name} has no keys`);
	return read.value;
}

describe.each(FILES)('leaflet %s', (name) => {
	it('is read, and each of its keys does something', () => {
		expect(operationFaults(leaflet(name))).toEqual([]);
	});

	it('has words for the way to its week, out of it, and to its clock', () => {
		const { keying, habits, panel } = leaflet(name);
		const prints = panel.keys.map(({ print }) => print);
		for (const words of [keying.enter, habits.clock.how])
			expect(
				prints.some((print) => words.includes(print)),
				words
			).toBe(true);
		expect(keying.leave).toMatch(/^(Touch|Press|Put) /);
	});

	it('is told the same by all that tell of it', () => {
		const profile = leaflet(name);
		expect(Array.from({ length: 10 }, (_, seed) => lived(seed, profile)).flat()).toEqual([]);
	});

	it('is keyed by what its screens say, from whatever it holds', () => {
		const profile = leaflet(name);
		const zones = fc.sample(fc.tuple(anyZone(profile), anyZone(profile)), { seed: 20_261_201, numRuns: 8 });
		for (const [i, pair] of zones.entries()) followOne(profile, pair, i % 2 === 0 ? 0 : 15, seededChance(i));
	});
});

/**
 * The sample weeks of the leaflets: by the days that are said (0 = Monday) the times with a figure, or with comfort (C), eco (E), on (I) and off (0). Days
 * that are not said are like the first.
 */
const SAMPLES: Readonly<
	Record<string, readonly [grouping: string, ...days: readonly (readonly [days: string, steps: string])[]]>
> = {
	A: [
		'5-2',
		['01234', '05:40 20.5 07:50 16 15:20 21.5 22:10 15.5'],
		['56', '07:10 20 12:00 18.5 16:00 21.5 23:20 15.5']
	],
	B: [
		'5-1-1',
		['01234', '06:10 20 08:40 17 11:50 19.5 13:00 17 16:40 20.5 21:50 16'],
		['56', '08:40 20 22:30 16']
	],
	C: ['7-day', ['0', '05:50 C 07:40 E 17:10 C 21:20 E'], ['6', '05:50 C 21:20 E']],
	D: ['7-day', ['0', '05:20 25 06:40 20.5 19:30 25.5 21:40 20.5']],
	E: [
		'7-day',
		['01234', '05:10 19.5 08:20 15 15:50 21.5 22:40 15'],
		['56', '08:40 20.5 13:10 17.5 15:10 21 23:10 15']
	],
	F: ['7-day', ['3', '06:50 20.5 08:10 5 12:10 20 13:20 5 17:20 21.5 22:20 12']],
	G: ['5-2', ['56', '07:30 20 09:50 18.5 12:20 20.5 14:00 18.5 16:50 21 23:30 14.5']],
	H: ['5-2', ['01234', '05:30 19 07:20 16.5 16:10 20 21:40 15.5']],
	I: ['7-day', ['0', '00:00 E 05:00 C 08:00 E 15:00 C 22:00 E']],
	J: [
		'7-day',
		['0123', '06:00 C 08:00 E 16:00 C 20:00 E'],
		['4', '06:00 C 08:00 E 13:00 C 22:00 E'],
		['56', '08:00 C 22:00 E']
	],
	K: ['7-day', ['0', '06:00 C 09:00 E 17:00 C 23:00 E'], ['5', '09:00 C 23:00 E']],
	L: ['7-day', ['1', '00:00 E 07:00 C 19:00 E']],
	M: ['7-day', ['1', '05:50 20 08:00 17.5 10:30 18 14:40 17 17:50 20.5 21:10 16.5']],
	N: ['7-day', ['0', '06:20 I 08:10 0 19:40 I 22:50 0']],
	O: ['5-2', ['01234', '06:30 24.5 08:00 19 18:20 24.5 21:00 19'], ['56', '08:30 24.5 22:00 19']],
	P: ['5-2', ['01234', '05:40 23 08:50 8 16:20 23.5 21:30 8']],
	Q: ['7-day', ['0', '05:30 68/78 08:00 62/84 16:30 69/77 22:10 63/80']],
	R: ['5-1-1', ['01234', '05:50 20/25.5 07:30 17/28.5 16:50 20.5/25 21:50 17.5/27']],
	S: ['7-day', ['1', '04:50 20 11:30 17 13:30 20 18:40 5']]
};

/** A zone that wants the sample week of a leaflet. */
function sampleZone(letter: string, profile: Operable): Zone {
	const [grouping, ...said] = SAMPLES[letter]!;
	const fresh = newZone('Sample', profile);
	const unit = profile.temperature?.units[0] ?? 'C';
	const celsius = (shown: string) => (unit === 'F' ? ((Number(shown) - 32) * 5) / 9 : Number(shown));
	const stepsOf = (day: number) =>
		[
			...(said.find(([days]) => days.includes(String(day))) ?? said[0]!)[1].matchAll(/(\d\d):(\d\d) (\S+)/g)
		].map(([, hour, minute, level]) => ({
			at: day * 1440 + Number(hour) * 60 + Number(minute),
			level: level!
		}));
	const steps = [0, 1, 2, 3, 4, 5, 6].flatMap(stepsOf);
	const named = fresh.levels.filter((level) => steps.some((step) => step.level === level.letter));
	const figures = [...new Set(steps.map(({ level }) => level))];
	const levels =
		named.length > 0
			? fresh.levels
			: figures.map((figure, i) => {
					const [heat, cool] = figure.split('/');
					const letter = String.fromCharCode(65 + i);
					const setpoints = { setpointC: celsius(heat!), coolC: cool === undefined ? null : celsius(cool) };
					return { id: `level-${i}`, letter, name: figure, note: '', ...setpoints };
				});
	const idOf = (level: string) =>
		levels.find(({ letter, name }) => (named.length > 0 ? letter : name) === level)!.id;
	return zoneSchema.parse({
		...withWanted(
			{ ...fresh, levels },
			buildWeek(steps.map(({ at, level }) => ({ at, value: idOf(level) })))
		),
		grouping,
		options: { ...fresh.options, unit, perDay: Math.max(fresh.options.perDay, 4) }
	});
}

describe.each(Object.keys(SAMPLES))('the sample week of leaflet %s', (letter) => {
	const profile = leaflet(`${letter}.json`);
	const zone = sampleZone(letter, profile);
	const follow = (state: MachineState, found: 'as-new' | 'in-use') =>
		followScreens({ profile, zone, others: [], state, found, percent: 0, chance: seededChance(7) });

	it('is held as it is, and keyed from as new, from another week and from unknown', () => {
		expect(fitZone(zone, profile).chosen.misfit.weighted).toBe(0);
		const [other] = fc.sample(anyZone(profile), { seed: 5, numRuns: 1 });
		expect(follow(start(profile), 'as-new').values).toBeGreaterThan(0);
		expect(follow(usedControl(profile, other!, seededChance(3)), 'in-use').values).toBeGreaterThan(0);
	});
});

describe('the version of a control file', () => {
	const file = JSON.parse(readFileSync('tests/leaflets/G.json', 'utf8')) as {
		version: number;
		profile: { panel: { states: { rules: { do: Record<string, unknown>[] }[] }[] } };
	};
	const readAs = (change: (copy: typeof file) => void) => {
		const copy = structuredClone(file);
		change(copy);
		return readControlFile(JSON.stringify(copy));
	};

	it('is the first where an earlier program can say it, and the second where a control says its states', () => {
		const versionOf = (text: string) => (JSON.parse(text) as { version: number }).version;
		expect(versionOf(writeControlFile(leaflet('G.json')))).toBe(2);
		expect(versionOf(writeControlFile(profileOf({ control: 'radio-stat' })))).toBe(1);
	});

	it('that is later is read where it asks for nothing new; else what is lacking is named', () => {
		expect(readAs((copy) => (copy.version = 3)).ok).toBe(true);
		const blinks = readAs((copy) => {
			copy.version = 3;
			copy.profile.panel.states[0]!.rules[0]!.do = [{ do: 'blink', often: 2 }];
		});
		expect(blinks.ok ? '' : blinks.problem.sentence).toBe(
			'This control file has version 3 and needs what this program lacks: "blink".'
		);
		expect(readAs((copy) => (copy.version = 0.5)).ok).toBe(false);
	});
});

describe('a file of states that was damaged', () => {
	const of = (change: (states: Record<string, unknown>[], panel: Record<string, unknown>) => void) => {
		const file = JSON.parse(readFileSync('tests/leaflets/G.json', 'utf8')) as {
			profile: { panel: { states: Record<string, unknown>[] } & Record<string, unknown> };
		};
		change(file.profile.panel.states, file.profile.panel);
		const read = readControlFile(JSON.stringify(file));
		return read.ok ? 'read' : read.problem.sentence;
	};

	it.each([
		[
			'a state like itself',
			'is like itself',
			(states: Record<string, unknown>[]) => (states[2]!['like'] = states[2]!['id'])
		],
		['no normal display', 'called rest', (states: Record<string, unknown>[]) => states.shift()],
		['a lock without its state', 'called locked', (states: Record<string, unknown>[]) => states.splice(1, 1)],
		['a way to nowhere', 'is no state of it', (states: Record<string, unknown>[]) => states.pop()],
		[
			'an entry that is none',
			'is no entry',
			(states: Record<string, unknown>[]) => (states[3]!['field'] = { of: 'value', id: 'menu/none' })
		],
		[
			'a mode that is none',
			'none of its modes',
			(_: unknown, panel: Record<string, unknown>) => (panel['modes'] = null)
		],
		[
			'a value that nothing takes',
			'At the time nothing ever stores what is keyed.',
			(states: Record<string, unknown>[]) => {
				const time = states.find(({ id }) => id === 'week-time')!;
				for (const rule of time['rules'] as { do: unknown[] }[])
					rule.do = rule.do.filter((act) => (act as { do: string }).do !== 'take');
				delete time['idle'];
			}
		],
		[
			'a last step that nothing leads on from',
			'At the temperature of the last step no key leads on.',
			(states: Record<string, unknown>[]) => {
				const of = states.find(({ id }) => id === 'week-temperature')!;
				for (const rule of of['rules'] as { to?: string; when?: object }[])
					if (rule.to !== undefined && rule.to !== 'rest') rule.when = { last: { step: false } };
				of['rules'] = (of['rules'] as { to?: string }[]).filter(({ to }) => to !== 'rest');
			}
		],
		[
			'a lock that is none',
			'a lock that it has not',
			(_: unknown, panel: Record<string, unknown>) => (panel['lock'] = null)
		]
	])('%s is refused in words', (_name, says, change) => {
		expect(of(change as never)).toContain(says);
	});
});
