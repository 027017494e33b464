import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { instantOf, wallAt, wallMinute } from '../civil';
import { findProfile, type ControlProfile } from '../control';
import {
	clockAt,
	display,
	factoryMemory,
	isOperable,
	programOf,
	type Operable,
	type Stroke
} from '../machine';
import { prepareRun, resolve } from '../run';
import { designDay, readyRoom, restAt, simulate } from '../thermal';
import {
	begin as asNew,
	changed,
	clockErrorSeconds,
	cutPower,
	displayOf,
	heldOver,
	nextAt,
	pass,
	receiverStands,
	setpointNow,
	strokeAt,
	type World
} from '.';

const operable = (id: string): Operable => {
	const profile: ControlProfile = findProfile(id)!;
	if (!isOperable(profile)) throw new Error(id);
	return profile;
};
const PLACE = 'Europe/Dublin';
/** As new but for its clock, which is right. */
const begin = (profile: Operable, startMs: number, around: Parameters<typeof asNew>[2]) =>
	asNew(profile, startMs, around, factoryMemory(profile));
const at = (local: string) => instantOf(PLACE, wallMinute(local));
const tap = (key: string, times = 1): Stroke => ({ do: 'press', key, times });
const hold = (keys: string[], seconds: number): Stroke => ({ do: 'hold', keys, seconds });
const atKeys = (world: World, ...strokes: Stroke[]) =>
	strokes.reduce((now, stroke) => pass(strokeAt(now, stroke), 1), world);

describe('a stand-in in its world', () => {
	it('holds at every minute what the run of its program says: drift, both clock changes, power cuts, batteries', () => {
		const ids = [
			'six-step-room-stat',
			'hour-strip-keypad',
			'plant-clock',
			'switch-timer',
			'touch-floor-stat',
			'day-by-day-panel-stat'
		];
		fc.assert(
			fc.property(
				fc.constantFrom(...ids),
				fc.array(
					fc.record({
						hours: fc.integer({ min: 1, max: 1500 }),
						cutMinutes: fc.constantFrom(0, 0, 1, 90, 600, 6000),
						drift: fc.integer({ min: -20, max: 20 })
					}),
					{ minLength: 3, maxLength: 8 }
				),
				(id, times) => {
					const profile = operable(id);
					let world = begin(profile, at('2026-01-05T00:00'), { timeZone: PLACE });
					for (const { hours, cutMinutes, drift } of times) {
						world = { ...world, clock: { ...world.clock, driftSecondsPerDay: drift } };
						if (cutMinutes > 0) world = cutPower(world, cutMinutes);
						// without the room's minutes: they are compared below
						const from = world.atMs;
						const to = from + hours * 3_600_000;
						const memory = world.machine.memory;
						const program = programOf(profile, memory)!;
						const prepared = prepareRun({
							profile,
							options: { ...memory.options, channel: 0 },
							levels: [
								{
									id: 'a',
									letter: 'A',
									name: 'A',
									note: '',
									setpointC: program.form === 'pairs' ? program.offC : 5,
									coolC: null
								}
							],
							program,
							settings: {
								highLimitC: null,
								lowLimitC: null,
								earlyStartMinutes: 0,
								fan: 'auto',
								changeover: 'automatic',
								menu: {}
							},
							exceptions: [],
							timeZone: PLACE,
							clock: world.clock
						});
						const spans = heldOver(world, from, to);
						for (let n = 0; n < 60; n++) {
							const then = from + Math.floor(((n / 60) * (to - from)) / 60_000) * 60_000;
							const span = spans.find(({ fromMs, toMs }) => fromMs <= then && then < toMs)!;
							const resolved = resolve(prepared, then);
							expect(span.setC, `${id} ${new Date(then).toISOString()}`).toBe(resolved.heatC);
						}
						world = pass(world, Math.min(hours, 30) * 3600);
						world = { ...world, atMs: Math.max(world.atMs, to - 60_000) };
						world = pass(world, 60);
						// the display's clock is the one that the run goes by
						const shown = clockAt(world.machine.memory, (world.atMs - world.startMs) / 1000);
						const { shownMinute } = resolve(
							{ ...prepared, input: { ...prepared.input, clock: world.clock } },
							world.atMs
						);
						expect(shown.minute).toBe(((shownMinute % 1440) + 1440) % 1440);
					}
				}
			),
			{ numRuns: 25 }
		);
	});

	it('warms and cools its room as the room by itself does on the same setpoints, in whatever steps time passes', () => {
		const profile = operable('six-step-room-stat');
		const startMs = at('2026-01-06T00:00');
		const days = 2;
		fc.assert(
			fc.property(fc.array(fc.integer({ min: 20, max: 9000 }), { minLength: 3, maxLength: 40 }), (steps) => {
				let world = begin(profile, startMs, { timeZone: PLACE, outdoorC: 2, rangeK: 8 });
				const { room } = world.around;
				const first = world.temperatures;
				for (const seconds of steps) world = pass(world, seconds);
				world = pass(world, days * 86_400 - (world.atMs - startMs) / 1000 + 400_000);
				const minutes = (world.atMs - startMs) / 60_000;
				const { model, regulation } = readyRoom(room, 0);
				const outdoor = designDay(2, 8);
				const setpoints = Float64Array.from({ length: Math.floor(minutes) }, (_, i) => {
					const ms = startMs + i * 60_000;
					return heldOver(world, ms, ms + 1)[0]!.setC!;
				});
				const alone = simulate({
					model,
					regulation,
					outdoorC: Float64Array.from(setpoints, (_, i) => outdoor((wallAt(PLACE, startMs) + i) % 1440)),
					setpointC: setpoints,
					start: first,
					control: { on: false, stoppedMinutes: 1e9, anticipatedK: 0, feltC: 17 },
					record: true
				});
				const i = Math.floor(minutes) - 1;
				expect(Math.abs(world.log.at(-1)!.roomC - alone.air[i]!)).toBeLessThan(0.005);
				expect(world.log.filter(({ heats }) => heats).length).toBe(alone.heatingMinutes);
				expect(restAt({ model, regulation }, 17, 2)).toEqual(first);
			}),
			{ numRuns: 6 }
		);
	});

	it('a clock that is set wrong at its keys runs wrong, and by hand stays an hour behind when the clocks change', () => {
		const keypad = operable('hour-strip-keypad');
		let world = begin(keypad, at('2026-03-28T12:00'), { timeZone: PLACE });
		expect(clockErrorSeconds(world)).toBe(0);
		world = pass(world, 86_400);
		expect(clockErrorSeconds(world)).toBe(-3600);
		const stat = operable('touch-floor-stat');
		expect(clockErrorSeconds(pass(begin(stat, at('2026-03-28T12:00'), { timeZone: PLACE }), 86_400))).toBe(0);
		// its clock menu: weekday, hour, minute; the hour one too many
		let set = atKeys(world, hold(['clock'], 3), tap('ok'), tap('plus', 2), tap('ok'));
		expect(Math.round(clockErrorSeconds(set) / 3600)).toBe(1);
		set = atKeys(set, tap('ok'));
		expect(Math.round(clockErrorSeconds(pass(set, 7200)) / 3600)).toBe(1);
	});

	it('without power longer than its reserve shows its factory hour, and keeps its week or loses it', () => {
		const panel = operable('day-by-day-panel-stat');
		const begun = begin(panel, at('2026-01-07T15:00'), { timeZone: PLACE });
		const keyed = atKeys(begun, tap('day'), tap('plus', 30), tap('set'));
		const short = cutPower(keyed, 60);
		expect(clockErrorSeconds(short)).toBe(0);
		expect(short.machine.memory.days).toEqual(keyed.machine.memory.days);
		const long = cutPower(keyed, 180);
		expect(clockAt(long.machine.memory, (long.atMs - long.startMs) / 1000)).toMatchObject({
			day: 0,
			minute: 0
		});
		expect(long.machine.memory.days).toEqual(begun.machine.memory.days);
		expect(long.temperatures[0]!).toBeLessThan(keyed.temperatures[0]!);
	});

	it('a change by hand ends at the next change of the program; off keeps what it keeps', () => {
		const stat = operable('six-step-room-stat');
		let world = pass(begin(stat, at('2026-01-06T09:00'), { timeZone: PLACE }), 60);
		expect(setpointNow(world)).toBe(17);
		world = atKeys(world, tap('plus', 4));
		expect(setpointNow(world)).toBe(19);
		expect(setpointNow(pass(world, 2.9 * 3600))).toBe(19);
		expect(setpointNow(pass(world, 3.1 * 3600))).toBe(19);
		expect(setpointNow(pass(world, 5.1 * 3600))).toBe(17);
		const manual = atKeys(world, tap('mode'), tap('plus', 2));
		expect([setpointNow(manual), display(stat, manual.machine, 1e9).foot]).toEqual([21, 'Manual']);
		expect(setpointNow(atKeys(manual, tap('mode')))).toBe(stat.habits.off!.keepsC);
	});

	it('a boost counts its steps, a hold stays until it is ended, an absence too, and the next change comes at once', () => {
		const tuesday = (id: string, hour: string) =>
			pass(begin(operable(id), at(`2026-01-06T${hour}`), { timeZone: PLACE }), 60);
		// half hours, up to three of them, then none
		const keypad = tuesday('hour-strip-keypad', '23:00');
		const [warm, back] = [19, 15.5];
		expect(setpointNow(keypad)).toBe(back);
		const twice = atKeys(keypad, tap('boost', 2));
		expect(setpointNow(twice)).toBe(warm);
		expect(displayOf(twice)).toMatchObject({ shows: '19.0', foot: 'boost to 00:01' });
		expect([59, 61].map((minutes) => setpointNow(pass(twice, minutes * 60)))).toEqual([warm, back]);
		const most = operable('hour-strip-keypad').habits.boost!.mostSteps;
		expect(setpointNow(atKeys(keypad, tap('boost', most + 1)))).toBe(back);

		const held = atKeys(tuesday('line-voltage-stat', '09:00'), hold(['up'], 3));
		expect([0, 9 * 3600].map((s) => setpointNow(pass(held, s)))).toEqual([16, 16]);
		expect(setpointNow(pass(atKeys(held, hold(['up'], 3)), 9 * 3600))).toBe(20);

		const away = atKeys(tuesday('touch-floor-stat', '07:00'), tap('away'));
		expect([0, 48 * 3600].map((s) => setpointNow(pass(away, s)))).toEqual([19, 19]);
		expect(setpointNow(atKeys(away, tap('away')))).toBe(25);

		const programmer = tuesday('two-channel-programmer', '12:00');
		const next = atKeys(programmer, tap('advance'));
		expect([setpointNow(programmer), setpointNow(next), setpointNow(pass(next, 12 * 3600))]).toEqual([
			0, 1, 0
		]);
		expect(setpointNow(atKeys(next, tap('advance')))).toBe(0);
	});

	it('a receiver that hears nothing does at last what it does alone', () => {
		const stat = operable('slider-stat');
		let world = begin(stat, at('2026-01-06T07:00'), { timeZone: PLACE, outdoorC: -5 });
		world = pass(world, 1800);
		world = changed(world, { linked: false });
		expect(receiverStands(world)).toBe('stays');
		world = pass(world, 3 * 3600);
		expect(receiverStands(world)).toBe('off');
		const cold = pass(world, 6 * 3600);
		expect(cold.log.slice(-300).some(({ heats }) => heats)).toBe(false);
		const again = pass(changed(cold, { linked: true }), 3 * 3600);
		expect(again.log.slice(-120).some(({ heats }) => heats)).toBe(true);
	});

	it('an open window costs more heat, and the next moment of a weekday is found', () => {
		const stat = operable('six-step-room-stat');
		const begun = begin(stat, at('2026-01-06T07:00'), { timeZone: PLACE });
		const minutes = (world: World) => pass(world, 12 * 3600).log.filter(({ heats }) => heats).length;
		expect(minutes(changed(begun, { windowOpen: true }))).toBeGreaterThan(1.5 * minutes(begun));
		expect(nextAt(begun, 0, 330)).toBe(at('2026-01-12T05:30'));
		expect(nextAt(begun, 1, 420)).toBe(at('2026-01-13T07:00'));
	});

	it('cools in Cool, heats in Heat, and in Auto keeps the room between the two, never both at once', () => {
		const both = operable('heat-and-cool-stat');
		const lived = (mode: string, outdoorC: number) => {
			const world = begin(both, at('2026-07-14T06:30'), { timeZone: PLACE, outdoorC, rangeK: 8 });
			const { modes } = both.panel;
			const steps = modes!.names.indexOf(mode);
			let now = { ...world, machine: { ...world.machine, mode: steps } };
			expect(displayOf(now).foot).toBe(mode);
			now = pass(now, 2 * 86_400);
			return now.log.slice(1440);
		};
		const share = (log: World['log'], is: (one: World['log'][number]) => boolean) =>
			log.filter(is).length / log.length;
		const summer = lived('Cool', 30);
		expect(share(summer, ({ cools }) => cools)).toBeGreaterThan(0.03);
		expect(share(summer, ({ heats }) => heats)).toBe(0);
		// 26 °C by day
		const day = summer.filter(
			({ atMs }) => wallAt(PLACE, atMs) % 1440 > 1140 && wallAt(PLACE, atMs) % 1440 < 1300
		);
		expect(Math.max(...day.map(({ roomC }) => roomC))).toBeLessThan(27);
		expect(share(lived('Heat', 30), ({ cools }) => cools)).toBe(0);
		expect(Math.max(...lived('Heat', 30).map(({ roomC }) => roomC))).toBeGreaterThan(28);
		expect(share(lived('Cool', 2), ({ heats }) => heats)).toBe(0);
		const auto = lived('Auto', 22);
		expect(share(auto, ({ heats, cools }) => heats && cools)).toBe(0);
		expect(share(lived('Auto', 2), ({ heats }) => heats)).toBeGreaterThan(0.1);
		expect(share(lived('Auto', 30), ({ cools }) => cools)).toBeGreaterThan(0.03);
	});
});
