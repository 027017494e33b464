import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findProfile, type Level } from '../control';
import { levelOf, newZone, sourceSchema, wantedWeek, withWanted } from '../plan';
import {
	buildWeek,
	constantWeek,
	DAY_MINUTES,
	mapWeek,
	spansOf,
	valueAt,
	WEEK_MINUTES,
	type WeekSteps
} from '../week';
import {
	askingOf,
	asksForWarmth,
	chainAt,
	chainFaults,
	chainsOf,
	heatWeek,
	isWarmth,
	setbacks,
	type Asking,
	type ChainZone
} from '.';

const boiler = sourceSchema.parse({ id: 'boiler', name: 'Boiler', kind: 'boiler' });
/** A week of these setpoints as its own levels, the lowest of two or more a setback. */
function asking(held: WeekSteps<number>, isSwitch = false): Asking {
	const levels = [...new Set(held.map(({ value }) => value))].map((setpointC) => ({
		id: `at-${setpointC}`,
		setpointC
	}));
	const wanted = held.map(({ at, value }) => ({ at, level: `at-${value}` }));
	const resting = setbacks({ levels: levels as Level[], wanted });
	return {
		held,
		isSwitch,
		levels: levels.map(({ id, setpointC }) => ({ heldC: setpointC, asks: !resting.has(id) }))
	};
}
const zone = (
	name: string,
	held: WeekSteps<number>,
	more: Partial<ChainZone['zone']> = {},
	isSwitch = false
): ChainZone => ({
	id: name,
	zone: { name, fedBy: null, governs: null, ...more },
	...asking(held, isSwitch),
	heatsStore: false
});

/** Every day the same: values by minute of the day. */
const daily = (...steps: readonly (readonly [minute: number, value: number])[]): WeekSteps<number> =>
	buildWeek(
		Array.from({ length: 7 }, (_, day) =>
			steps.map(([minute, value]) => ({ at: day * DAY_MINUTES + minute, value }))
		).flat()
	);

const week = fc
	.array(
		fc.record({
			at: fc.integer({ min: 0, max: WEEK_MINUTES / 5 - 1 }).map((five) => five * 5),
			value: fc.constantFrom(7, 16, 19, 21)
		}),
		{ minLength: 1, maxLength: 25 }
	)
	.map((steps) => buildWeek(steps));
const switched = week.map((one) =>
	buildWeek(one.map(({ at, value }) => ({ at, value: value > 16 ? 1 : 0 })))
);

describe('the way of the heat', () => {
	it('a room that asks at 04:30 is cold until the boiler’s hours begin at 06:00', () => {
		const [chain] = chainsOf(
			[boiler],
			[
				zone('Heating', daily([0, 0], [360, 1], [1380, 0]), { governs: 'boiler' }, true),
				zone('Living room', daily([0, 17], [270, 20.5], [1320, 17]), { fedBy: 'boiler' }),
				zone('Towel rail', daily([0, 0], [300, 1], [360, 0]), {}, true)
			]
		);
		expect(chain!.fed.map(({ zone: one }) => one.id)).toEqual(['Living room']);
		expect(chain!.fed[0]!.gaps[0]).toEqual({ from: 270, to: 360, wantedC: 20.5 });
		expect(chain!.lostMinutes).toBe(7 * 90);
	});

	it('is asked for by every level but the setbacks: how far one lies under another tells nothing', () => {
		const stat = findProfile('six-step-room-stat')!;
		/** A zone with these levels, as they follow on one another in its every day. */
		const zoneOf = (name: string, ...steps: readonly (readonly [minute: number, setpointC: number])[]) => {
			const fresh = newZone(name, stat);
			const levels = [...new Set(steps.map(([, c]) => c))].map((setpointC, i) => ({
				...fresh.levels[0]!,
				id: `at-${setpointC}`.replace('.', '-'),
				letter: 'ABCDEF'[i]!,
				setpointC
			}));
			const week = daily(...steps);
			const drawn = { ...fresh, levels };
			return withWanted(
				drawn,
				mapWeek(week, (c) => `at-${c}`.replace('.', '-'))
			);
		};
		const hours = (drawn: ReturnType<typeof zoneOf>) => {
			const held = mapWeek(wantedWeek(drawn), (id) => levelOf(drawn, id).setpointC);
			const asked = asksForWarmth(askingOf(drawn, stat, held));
			return spansOf(asked).reduce((sum, { from, to, value }) => sum + (value ? to - from : 0), 0) / 60;
		};
		// a hall at 20 °C from eight till ten at night, with one booked hour of 23.5
		const hall = zoneOf('Hall', [0, 16], [480, 20], [600, 23.5], [660, 20], [1320, 16]);
		expect(hours(hall)).toBe(98);
		expect(hours(zoneOf('Bathroom', [0, 16], [360, 23.5], [480, 20], [1320, 16]))).toBe(7 * 16);
		expect(hours(zoneOf('Study', [0, 15], [360, 18], [540, 21], [1320, 15]))).toBe(7 * 16);
		// two levels near one another: the lower is the setback
		expect(hours(zoneOf('Landing', [0, 17.5], [420, 20], [1320, 17.5]))).toBe(7 * 15);
		// what a person says of a level holds
		const said = (asks: boolean, at: string) => ({
			...hall,
			levels: hall.levels.map((level) => (level.id === at ? { ...level, asks } : level))
		});
		expect(hours(said(true, 'at-16'))).toBe(168);
		expect(hours(said(false, 'at-20'))).toBe(7);
		// what is no level of it, as while away: over all setbacks and frost
		const asking = askingOf(hall, stat, constantWeek(20));
		expect([7, 12, 16.5, 18].map((c) => isWarmth(c, asking))).toEqual([false, false, true, true]);
	});

	it('the setback asks for nothing, one level all week asks throughout, frost protection never', () => {
		expect(valueAt(asksForWarmth(asking(daily([0, 17], [400, 20]))), 10)).toBe(false);
		expect(asksForWarmth(asking(constantWeek(19)))).toEqual(constantWeek(true));
		expect(asksForWarmth(asking(constantWeek(7)))).toEqual(constantWeek(false));
	});

	it('is minute by minute: asks, and may not', () => {
		fc.assert(
			fc.property(week, week, switched, (first, second, hours) => {
				const zones = [
					zone('H', hours, { governs: 'boiler' }, true),
					zone('A', first, { fedBy: 'boiler' }),
					zone('B', second, { fedBy: 'boiler' })
				];
				const [chain] = chainsOf([boiler], zones);
				const warmth = [first, second].map((held) => asksForWarmth(asking(held)));
				let lost = 0;
				const inGap = (gaps: readonly { from: number; to: number; wantedC: number }[], at: number) =>
					gaps.find((gap) => gap.from <= at && at < gap.to);
				for (let at = 0; at < WEEK_MINUTES; at += 5) {
					const may = valueAt(hours, at) === 1;
					const asks = warmth.map((one) => valueAt(one, at));
					asks.forEach((one, i) => {
						const gap = inGap(chain!.fed[i]!.gaps, at);
						expect(gap !== undefined).toBe(one && !may);
						if (gap) expect(gap.wantedC).toBe(valueAt([first, second][i]!, at));
					});
					if (!may && asks.some(Boolean)) lost += 5;
				}
				expect(chain!.lostMinutes).toBe(lost);
			}),
			{ numRuns: 40 }
		);
	});

	it('heats the water first: its store lets it run by itself, and the rooms wait so long from each beginning', () => {
		fc.assert(
			fc.property(week, switched, switched, fc.integer({ min: 1, max: 20 }), (room, hours, water, fives) => {
				const minutes = fives * 5;
				const first = sourceSchema.parse({ ...boiler, waterFirstMinutes: minutes });
				const [chain] = chainsOf(
					[first],
					[
						zone('H', hours, { governs: 'boiler' }, true),
						zone('Room', room, { fedBy: 'boiler' }),
						{ ...zone('Store', water, { fedBy: 'boiler' }, true), heatsStore: true }
					]
				);
				expect(chain!.fed[1]!.gaps).toEqual([]);
				expect(chain!.asked).toEqual(asksForWarmth(asking(room)));
				const heats = heatWeek({ may: chain!.permission, waterFirst: chain!.waterFirst });
				const always = water.length === 1;
				const roomAsks = asksForWarmth(asking(room));
				for (let at = 0; at < WEEK_MINUTES; at += 5) {
					// on now, and off or begun within the time that the store takes
					let on = 0;
					while (on < minutes && valueAt(water, (at - on + WEEK_MINUTES) % WEEK_MINUTES) === 1) on += 5;
					const waits = !always && on > 0 && valueAt(water, (at - on + WEEK_MINUTES) % WEEK_MINUTES) === 0;
					expect(valueAt(chain!.waterFirst, at)).toBe(waits);
					expect(valueAt(heats, at)).toBe(valueAt(hours, at) === 1 && !waits);
					const [inRoom, inStore] = chainAt(chain!, at).fed.map(({ state }) => state);
					expect(inStore).toBe(valueAt(water, at) === 1 ? 'runs' : 'rests');
					expect(inRoom === 'after-water').toBe(valueAt(roomAsks, at) && valueAt(hours, at) === 1 && waits);
				}
			}),
			{ numRuns: 12 }
		);
	});

	it('names two governing zones, a source that is not there, and heat in a circle once', () => {
		const pump = sourceSchema.parse({ id: 'pump', name: 'Heat pump', kind: 'heat-pump' });
		const any = constantWeek(20);
		expect(
			chainFaults(
				[boiler],
				[
					zone('A', any, { governs: 'boiler' }),
					zone('B', any, { governs: 'boiler' }),
					zone('C', any, { fedBy: 'gone' })
				]
			)
		).toEqual([
			{ kind: 'two-governors', source: 'Boiler', zones: ['A', 'B'] },
			{ kind: 'no-such-source', zone: 'C', id: 'gone' }
		]);
		expect(
			chainFaults(
				[boiler, pump],
				[
					zone('A', any, { governs: 'boiler', fedBy: 'pump' }),
					zone('B', any, { governs: 'pump', fedBy: 'boiler' })
				]
			)
		).toEqual([{ kind: 'circle', sources: ['Boiler', 'Heat pump'] }]);
	});
});

it('at any moment a zone gets heat, waits or rests as its week and its source’s hours say, and nothing else', () => {
	fc.assert(
		fc.property(switched, week, week, fc.nat(WEEK_MINUTES - 1), (hours, first, second, minute) => {
			const [chain] = chainsOf(
				[boiler],
				[
					zone('Heating', hours, { governs: 'boiler' }, true),
					zone('A', first, { fedBy: 'boiler' }),
					zone('B', second, { fedBy: 'boiler' })
				]
			);
			const at = chainAt(chain!, minute);
			expect(at.may).toBe(valueAt(hours, minute) === 1);
			expect(at.governorHolds).toBe(valueAt(hours, minute));
			[first, second].forEach((held, i) => {
				const asks = valueAt(asksForWarmth(asking(held)), minute);
				expect(at.fed[i]).toEqual({
					id: 'AB'[i],
					holds: valueAt(held, minute),
					state: !asks ? 'rests' : at.may ? 'runs' : 'waits'
				});
				const cut = chain!.fed[i]!.gaps.some((gap) => gap.from <= minute && minute < gap.to);
				expect(cut).toBe(at.fed[i]!.state === 'waits');
			});
			expect(at.runs).toBe(at.fed.some(({ state }) => state === 'runs'));
		}),
		{ numRuns: 150 }
	);
});
