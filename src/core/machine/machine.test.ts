import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findProfile, panelFaults, panelSchema, shippedProfiles, type PanelGesture } from '../control';
import {
	clockAt,
	completeDay,
	dayFields,
	display,
	factoryMemory,
	follow,
	isOperable,
	press,
	settled,
	start,
	stepsBetween,
	withoutPower,
	type MachineState,
	type Operable,
	type Stroke
} from '.';

const operable = shippedProfiles.filter(isOperable);
const of = (id: string) => operable.find((profile) => profile.id === id)!;
const tap = (key: string, times = 1): Stroke => ({ do: 'press', key, times });
const hold = (keys: string[], seconds: number): Stroke => ({ do: 'hold', keys, seconds });
const [stat, copyStat, panelStat, timer, lineStat, both, floor] = [
	'six-step-room-stat',
	'four-step-copy-stat',
	'day-by-day-panel-stat',
	'switch-timer',
	'line-voltage-stat',
	'heat-and-cool-stat',
	'four-step-floor-stat'
].map(of) as [Operable, Operable, Operable, Operable, Operable, Operable, Operable];
const shows = (profile: Operable, state: MachineState, at = state.atSeconds) => {
	const { heading, aside, shows: value, unit } = display(profile, state, at);
	return `${heading} | ${aside} | ${value}${unit}`;
};

describe('a control that is operated', () => {
	it('every family has a panel, and what it cannot be is said', () => {
		expect(operable.map(({ id }) => id)).toEqual(shippedProfiles.map(({ id }) => id));
		const { panel } = stat;
		const wrong = panelSchema.parse({
			...panel,
			keys: [...panel.keys, { id: 'ok', print: 'Yes' }],
			rest: { up: 'plus', down: 'nothing' },
			resets: { all: [hold(['menu'], 5)], program: [{ do: 'set', key: 'mode', to: 'Off' }] }
		});
		expect(panelFaults(wrong).map(({ path, message }) => `${path.join('.')} ${message}`)).toEqual([
			'keys.8.id is the name of another key as well',
			'resets.program.0 puts it where it has no position: Off',
			'rest.down names a key that the panel does not have: nothing',
			'resets.all begins like another way, so that it cannot be told from it'
		]);
		const two = panelSchema.parse({
			...panel,
			program: { ...panel.program!, take: tap('plus') as PanelGesture }
		});
		expect(panelFaults(two).map(({ message }) => message)).toEqual(['has one gesture that does two things']);
	});

	it('goes through its fields as it is keyed; a key held longer does another thing', () => {
		let state = follow(stat, start(stat), [tap('menu'), tap('ok')]);
		expect(shows(stat, state)).toBe('1–7 | step 1 | 06:00');
		state = follow(stat, state, [tap('minus', 7), tap('ok')]);
		expect(shows(stat, state)).toBe('1–7 | step 1 | 20.0°C');
		// the scale of times goes round, that of degrees ends
		state = follow(stat, state, [tap('plus', 99)]);
		expect(shows(stat, state)).toBe('1–7 | step 1 | 30.0°C');
		const short = follow(both, start(both), [hold(['menu', 'next'], 6)]);
		const long = follow(both, start(both), [hold(['next', 'menu'], 12)]);
		expect(short.memory).toEqual(factoryMemory(both));
		const keyed = follow(both, start(both), [hold(['menu'], 5), tap('up'), tap('next')]);
		expect(keyed.memory.options.unit).toBe('F');
		expect(follow(both, keyed, [tap('menu'), hold(['menu', 'next'], 6)]).memory.options.unit).toBe('F');
		expect(follow(both, keyed, [tap('menu'), hold(['menu', 'next'], 12)]).memory.options.unit).toBe('C');
		expect(long.place).toBeNull();
	});

	it('leaves a menu by itself, and keeps or drops what was not taken', () => {
		const opened = follow(panelStat, start(panelStat, undefined, 100), [
			tap('mode'),
			tap('day'),
			tap('plus', 5)
		]);
		expect(shows(panelStat, opened)).toBe('1 | step 1 | 06:05');
		expect(settled(panelStat, opened, 114).place).not.toBeNull();
		const kept = settled(panelStat, opened, 115);
		// what it does by itself is no touch of a key
		expect(kept.atSeconds).toBe(opened.atSeconds);
		expect([kept.place, kept.memory.days[0]![0]!['1/time']]).toEqual([null, 365]);
		const drops: Operable = {
			...panelStat,
			panel: { ...panelStat.panel, program: { ...panelStat.panel.program!, keeps: false } }
		};
		expect(settled(drops, opened, 115).memory.days[0]![0]!['1/time']).toBe(360);
		// the stroke after it meets the control at rest
		expect(press(panelStat, opened, tap('plus'), 200).place).toBeNull();
	});

	it('what an option wipes is gone, what it does not is counted anew', () => {
		const day = [tap('program'), tap('up', 3), tap('set'), tap('up', 2), tap('set'), tap('program')];
		const state = follow(lineStat, start(lineStat), day);
		expect(state.memory.days[0]![0]).toMatchObject({ '1/time': 39, '1/temperature': 42 });
		const inF = follow(lineStat, state, [hold(['up', 'down'], 3), tap('up'), tap('day'), tap('set')]);
		expect(inF.memory.options.unit).toBe('F');
		expect(inF.memory.days[0]![0]).toMatchObject({ '1/time': 36, '1/temperature': 68 });
		const gently = follow(both, start(both), [hold(['menu'], 5), tap('up'), tap('next'), tap('menu')]);
		expect(gently.memory.days[0]![0]).toMatchObject({ '1/temperature': 68, '1/cool': 79 });
	});

	it('is reset as a whole or in part, and locked until the lock is ended', () => {
		const changed = follow(timer, start(timer), [
			{ do: 'set', key: 'switch', to: 'On' },
			tap('program'),
			tap('plus', 4),
			tap('program'),
			tap('clock')
		]);
		expect([changed.mode, changed.memory.days[0]![0]!['1/on/hour']]).toEqual([1, 3]);
		// a cleared time begins at midnight
		const locked = follow(timer, changed, [hold(['day', 'enter'], 3)]);
		expect(locked.locked).toBe(true);
		expect(follow(timer, locked, [hold(['pin'], 2), tap('program')])).toMatchObject({
			locked: true,
			place: null
		});
		const free = follow(timer, locked, [hold(['enter', 'day'], 4)]);
		expect(follow(timer, free, [hold(['pin'], 2)])).toMatchObject({
			locked: false,
			mode: 0,
			memory: { days: factoryMemory(timer).days }
		});
	});

	it('opens a menu only while it is off, where it asks for that', () => {
		const on = follow(floor, start(floor), [hold(['power'], 10)]);
		expect(on.place).toBeNull();
		const off = follow(floor, on, [hold(['power'], 3), hold(['power'], 10)]);
		expect(shows(floor, off)).toBe('List | 1 of 6 | On');
	});

	it('copies a day onto the next and goes there; clears a step of a pair timer', () => {
		const day = follow(copyStat, start(copyStat), [
			tap('day'),
			tap('plus', 2),
			tap('ok'),
			tap('plus', 6),
			tap('ok')
		]);
		const copied = follow(copyStat, day, [tap('copy'), tap('copy')]);
		expect(shows(copyStat, copied)).toBe('3 | step 1 | 6.0°C');
		expect(copied.memory.days[0]!.map((content) => content['1/time'])).toEqual([
			6,
			6,
			6,
			null,
			null,
			null,
			null
		]);
		const cleared = follow(floor, start(floor), [hold(['ok'], 3), tap('ok'), tap('left')]);
		expect(cleared.memory.days[0]!.every((content) => content['1/on/time'] === null)).toBe(true);
		expect(shows(floor, cleared)).toBe('1–7 | pair 2 on | 17:30');
	});

	it('asks for its code to lock and to end the lock: what was keyed to lock is the code until it is as new', () => {
		const office = of('heat-and-cool-stat');
		const both = hold(['up', 'down'], 5);
		const [up, down, next] = [tap('up'), tap('down'), tap('next')];
		const asked = follow(office, start(office), [both]);
		expect(asked.locked).toBe(false);
		expect(display(office, asked, 0)).toMatchObject({ heading: 'Code', aside: '1 of 3', shows: '0' });
		const locked = follow(office, asked, [up, next, down, next, tap('up', 2), next]);
		expect(locked).toMatchObject({ locked: true, code: '192', asks: null });
		// a wrong one leaves it locked, and so does one that is given up, by a key or by waiting
		const ending = follow(office, locked, [both]);
		for (const strokes of [
			[next, next, next],
			[up, tap('mode')],
			[up, next, { do: 'wait', seconds: 11 } as const]
		])
			expect(settled(office, follow(office, ending, strokes), 60)).toMatchObject({
				locked: true,
				asks: null
			});
		expect(follow(office, ending, [up, next, down, next, tap('up', 2), next]).locked).toBe(false);
		expect(start(office).code).toBe('000');
	});

	it('of which a lock leaves the setpoint free can be turned while it is locked', () => {
		const stat = of('six-step-room-stat');
		expect(stat.panel.lock!.covers).toBe('all-but-setpoint');
		const manual = follow(stat, start(stat), [tap('mode')]);
		const locked = follow(stat, manual, stat.panel.lock!.way as Stroke[]);
		expect(locked.locked).toBe(true);
		const turned = follow(stat, locked, [tap('plus', 3)]);
		expect(turned.memory).not.toEqual(locked.memory);
		expect(follow(stat, turned, [tap('menu'), tap('ok')])).toMatchObject({ place: null, locked: true });
	});

	it('without power keeps what its habits say, and its clock as long', () => {
		const state = follow(stat, start(stat), [
			tap('menu'),
			tap('plus'),
			tap('ok'),
			tap('plus', 3),
			tap('ok', 3)
		]);
		expect(clockAt(state.memory, 120)).toMatchObject({ day: 3, minute: 2 });
		expect(clockAt(withoutPower(stat, state, 3600, 3720).memory, 3720)).toMatchObject({ day: 3, minute: 62 });
		expect(clockAt(withoutPower(stat, state, 90_000, 90_000).memory, 90_000)).toMatchObject({
			day: 0,
			minute: 0
		});
		const keyed = follow(panelStat, start(panelStat), [tap('mode'), tap('day'), tap('plus'), tap('set')]);
		expect(keyed.memory.days).not.toEqual(factoryMemory(panelStat).days);
		expect(withoutPower(panelStat, keyed, 121 * 60, 8000).memory.days).toEqual(factoryMemory(panelStat).days);
	});
});

it('whatever is pressed, for however long, the control shows something and holds a whole week within its scales', () => {
	for (const profile of operable) {
		const keys = profile.panel.keys;
		const stroke: fc.Arbitrary<Stroke> = fc.oneof(
			{
				weight: 6,
				arbitrary: fc.record({
					do: fc.constant('press' as const),
					key: fc.constantFrom(...keys.map(({ id }) => id)),
					times: fc.integer({ min: 1, max: 4 })
				})
			},
			fc.record({
				do: fc.constant('hold' as const),
				keys: fc.uniqueArray(fc.constantFrom(...keys.map(({ id }) => id)), { minLength: 1, maxLength: 2 }),
				seconds: fc.integer({ min: 1, max: 12 })
			}),
			fc.constantFrom(
				...keys.flatMap(({ id, positions }) => positions.map((to) => ({ do: 'set' as const, key: id, to }))),
				tap(keys[0]!.id)
			)
		);
		fc.assert(
			fc.property(fc.array(fc.tuple(stroke, fc.nat(40)), { maxLength: 60 }), (strokes) => {
				let state = start(profile);
				let at = 0;
				for (const [one, pause] of strokes) {
					at += pause;
					state = press(profile, state, one, at);
					expect(display(profile, state, at).shows.length).toBeGreaterThan(0);
				}
				const { options, days } = state.memory;
				for (const week of days)
					week.forEach((content, day) =>
						expect(completeDay(profile, { ...options, plain: false }, day, content)).toEqual(content)
					);
				expect(dayFields(profile, options, 0).every(({ key }) => key in days[0]![0]!)).toBe(true);
			}),
			{ numRuns: 25 }
		);
	}
});

it('a scale that goes round is gone the shorter way, as counting every step of it finds', () => {
	fc.assert(
		fc.property(
			fc.integer({ min: 1, max: 40 }),
			fc.nat(40),
			fc.nat(40),
			fc.boolean(),
			(high, a, b, round) => {
				const [from, to] = [a % (high + 1), b % (high + 1)];
				const steps = stepsBetween({ low: 0, high, round }, from, to);
				const count = high + 1;
				const reached = round ? (((from + steps) % count) + count) % count : from + steps;
				expect(reached).toBe(to);
				const ways = round ? [to - from, to - from + count, to - from - count] : [to - from];
				expect(Math.abs(steps)).toBe(Math.min(...ways.map(Math.abs)));
			}
		)
	);
	expect(findProfile('plain-stat')?.panel?.program).toBeNull();
});
