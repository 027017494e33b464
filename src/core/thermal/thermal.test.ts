import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { roomSchema, type Room } from '../plan';
import { expm } from './expm';
import { exactStep, stored, take } from './stepper';
import {
	cyclesPerHour,
	designDay,
	DAILY_FRACTIONS,
	enoughDownTo,
	floorOutput,
	heldAt,
	inventedYear,
	lossOf,
	outdoorByMinute,
	overnightLow,
	radiatorOutput,
	readyRoom,
	roomModel,
	simulate,
	steadyState,
	timeConstantHours,
	warmUp,
	warmUpCurve,
	type Night
} from '.';

const room = (more: object = {}): Room =>
	roomSchema.parse({
		floorAreaM2: 20,
		heightM: 2.5,
		build: 'medium',
		loss: { by: 'figure', wattsPerKelvin: 60 },
		emitter: { kind: 'electric-panel', ratedW: 2500 },
		...more
	});
const light = room({ build: 'very-light', loss: { by: 'figure', wattsPerKelvin: 50 } });
const heavyFloor = room({
	build: 'very-heavy',
	emitter: { kind: 'wet-floor', ratedW: 1800, waterC: 38 },
	finish: 'tile'
});
const night: Night = { beforeC: 20, setbackC: 16, minutes: 480, comfortC: 20 };

describe('exact steps', () => {
	it('are the exponential of one node to 1e-12, and the same however they are cut', () => {
		for (const x of [-3, -0.7, 0, 0.4, 5]) expect(expm([[x]])[0]![0]! / Math.exp(x)).toBeCloseTo(1, 12);
		// beside something fast, what is slow keeps its digits: by Math.expm1, to the last bit of a number near 1
		for (const slow of [-1e-3, -1.6e-4, -3e-6]) {
			const over =
				expm([
					[-5, 0.5],
					[0, slow]
				])[1]![1]! - 1;
			expect(Math.abs(over - Math.expm1(slow))).toBeLessThan(1.2e-16);
		}
		const model = roomModel(room());
		const whole = Float64Array.from([20, 18, 30, 19]);
		const cut = Float64Array.from(whole);
		const [a, b] = [new Float64Array(2), new Float64Array(2)];
		take(exactStep(model, true, 3600), whole, -5, a);
		const minute = exactStep(model, true, 60);
		for (let i = 0; i < 60; i++) take(minute, cut, -5, b);
		for (let i = 0; i < 4; i++) expect(cut[i]!).toBeCloseTo(whole[i]!, 9);
		expect(b[0]! / a[0]!).toBeCloseTo(1, 9);
	});

	it('leave a room at rest where it is, and bring any other there', () => {
		const model = roomModel(heavyFloor);
		for (const on of [false, true]) {
			const rest = Float64Array.from(steadyState(model, on, 3));
			const x = Float64Array.from([30, 5, 40, 12]);
			const sums = new Float64Array(2);
			take(exactStep(model, on, 86_400), rest, 3, sums);
			steadyState(model, on, 3).forEach((c, i) => expect(rest[i]).toBeCloseTo(c, 9));
			for (let i = 0; i < 200; i++) take(exactStep(model, on, 86_400), x, 3, sums);
			steadyState(model, on, 3).forEach((c, i) => expect(x[i]).toBeCloseTo(c, 6));
		}
	});

	it('hold a temperature with the heat that the loss takes', () => {
		const { powerW, state } = heldAt(roomModel(room()), 20, 0);
		// of the loss a part goes through the fabric, which is cooler than the air: nearly H·ΔT, never more
		expect(powerW).toBeGreaterThan(0.9 * 60 * 20);
		expect(powerW).toBeLessThan(1.1 * 60 * 20);
		expect(state[0]).toBe(20);
		expect(heldAt(roomModel(room({ gainsW: 3000 })), 20, 10).powerW).toBe(0);
	});
});

describe('a simulated room', () => {
	const anyRoom = fc
		.record({
			build: fc.constantFrom('very-light', 'light', 'medium', 'heavy', 'very-heavy'),
			kind: fc.constantFrom(
				'radiator',
				'electric-panel',
				'infrared-panel',
				'floor-cable',
				'wet-floor',
				'towel-rail',
				'fan-convector'
			),
			ratedW: fc.integer({ min: 200, max: 6000 }),
			loss: fc.integer({ min: 10, max: 300 }),
			gainsW: fc.integer({ min: 0, max: 300 }),
			cycling: fc.boolean()
		})
		.map(({ build, kind, ratedW, loss, gainsW, cycling }) =>
			room({
				build,
				emitter: { kind, ratedW, waterC: kind === 'wet-floor' ? 40 : 60 },
				loss: { by: 'figure', wattsPerKelvin: loss },
				gainsW,
				regulation: cycling
					? { kind: 'cycling', perHour: 4, bandK: 1.5 }
					: { kind: 'on-off', differentialK: 0.5 }
			})
		);

	it('conserves heat: what came in, went out and stayed balance to 1e-6 of what came in', () => {
		fc.assert(
			fc.property(anyRoom, fc.integer({ min: -15, max: 12 }), (one, outdoor) => {
				const minutes = 2880;
				const result = simulate({
					...readyRoom(one),
					outdoorC: outdoorByMinute(designDay(outdoor, 8), minutes),
					setpointC: Float64Array.from({ length: minutes }, (_, m) => (m % 1440 < 400 ? 15 : 20))
				});
				const balance = result.heatJ + result.gainsJ - result.lossJ - result.storedJ;
				expect(Math.abs(balance)).toBeLessThanOrEqual(
					1e-6 * (result.heatJ + result.gainsJ + Math.abs(result.lossJ))
				);
			}),
			{ numRuns: 60 }
		);
	});

	it('keeps to its differential, but for what sensor and emitter run on', () => {
		const minutes = 2 * 1440;
		const swing = (differentialK: number) => {
			const result = simulate({
				...readyRoom(room({ regulation: { kind: 'on-off', differentialK } })),
				outdoorC: new Float64Array(minutes),
				setpointC: new Float64Array(minutes).fill(20),
				record: true
			});
			const last = result.air.subarray(1440);
			return { span: Math.max(...last) - Math.min(...last), starts: result.starts };
		};
		const [narrow, wide] = [swing(0.3), swing(2)];
		expect(narrow.span).toBeGreaterThan(0.3);
		expect(narrow.span).toBeLessThan(wide.span);
		expect(narrow.starts).toBeGreaterThan(wide.starts);
	});

	it('cycles as its rate says, most at half load, fewer to both sides (NEMA DC 3, from memory)', () => {
		const one = room({
			emitter: { kind: 'electric-panel', ratedW: 1500 },
			regulation: { kind: 'cycling', perHour: 6, bandK: 1.5 }
		});
		const lossAt20 = heldAt(roomModel(one), 20, 0).powerW / 20;
		const starts = [0.25, 0.5, 0.75].map((load) => {
			const minutes = 3 * 1440;
			const result = simulate({
				...readyRoom(one),
				outdoorC: new Float64Array(minutes).fill(20 - (1500 * load) / lossAt20),
				setpointC: new Float64Array(minutes).fill(20)
			});
			return result.starts / 72 / cyclesPerHour(6, load);
		});
		// the room's own swing and whole minutes make them a little fewer
		for (const share of starts) {
			expect(share).toBeGreaterThan(0.75);
			expect(share).toBeLessThan(1.05);
		}
	});

	it('waits its minimum off-time, and holds a floor under its guard', () => {
		const minutes = 1440;
		const outdoorC = new Float64Array(minutes).fill(-10);
		const setpointC = new Float64Array(minutes).fill(24);
		const waiting = simulate({
			...readyRoom(room({ regulation: { kind: 'on-off', differentialK: 0.1 } }), 25),
			outdoorC: new Float64Array(minutes).fill(12),
			setpointC: new Float64Array(minutes).fill(20),
			record: true
		});
		let off = 100;
		for (const on of waiting.heating) {
			if (on && off > 0) expect(off).toBeGreaterThanOrEqual(25);
			off = on ? 0 : off + 1;
		}
		const hot = { emitter: { kind: 'floor-cable', ratedW: 4000 }, finish: 'wood' };
		const free = simulate({ ...readyRoom(room(hot)), outdoorC, setpointC });
		const guarded = simulate({
			...readyRoom(room({ ...hot, sensor: 'air-with-floor-guard' })),
			outdoorC,
			setpointC
		});
		expect(free.warmestSurfaceC!).toBeGreaterThan(27.5);
		expect(guarded.warmestSurfaceC!).toBeLessThan(27.5);
	});
});

describe('warming up', () => {
	it('takes longer the colder it is, and longest in a heavy room', () => {
		const minutes = (one: Room) => warmUpCurve(one, night).map((point) => point.minutes);
		const curve = minutes(light);
		curve.forEach(
			(m, i) => i > 0 && m !== null && curve[i - 1] !== null && expect(m).toBeLessThanOrEqual(curve[i - 1]!)
		);
		expect(warmUp(light, night, 0).minutes!).toBeLessThan(60);
		expect(warmUp(heavyFloor, night, 0).minutes!).toBeGreaterThan(120);
	});

	it('is not reached where the emitter is too small, and says how far it gets', () => {
		const small = warmUp(room({ emitter: { kind: 'electric-panel', ratedW: 900 } }), night, -10);
		expect(small.minutes).toBeNull();
		expect(small.highestC).toBeCloseTo(
			steadyState(roomModel(room({ emitter: { kind: 'electric-panel', ratedW: 900 } })), true, -10)[0]!,
			9
		);
		expect(small.highestC).toBeLessThan(10);
	});

	it('says down to what outdoor temperature half an hour is enough', () => {
		const curve = warmUpCurve(light, night);
		const down = enoughDownTo(curve, 30)!;
		expect(curve.find((point) => point.outdoorC === down)!.minutes!).toBeLessThanOrEqual(30);
		const colder = curve.find((point) => point.outdoorC === down - 1);
		if (colder) expect(colder.minutes ?? Infinity).toBeGreaterThan(30);
		expect(enoughDownTo(warmUpCurve(heavyFloor, night), 30)).toBeNull();
	});

	it('starts from how far the room really falls: a setback below that changes nothing', () => {
		const low = overnightLow(heavyFloor, night, 0);
		expect(low).toBeGreaterThan(15);
		expect(warmUp(heavyFloor, { ...night, setbackC: 12 }, 0)).toEqual(
			warmUp(heavyFloor, { ...night, setbackC: 5 }, 0)
		);
		expect(overnightLow(light, night, 0)).toBeLessThan(low);
	});
});

describe('figures from outside', () => {
	it('ISO 13790 Table 12 and its time constant (from memory): τ = C/H where one node holds nearly all', () => {
		const capacities = (['very-light', 'light', 'medium', 'heavy', 'very-heavy'] as const).map(
			(build) => roomModel(room({ build })).fabricCapacity / 20 / 1000
		);
		expect(capacities).toEqual([80, 110, 165, 260, 370]);
		// a tight, heavy room: the air follows the fabric
		const tight = room({ build: 'very-heavy', loss: { by: 'figure', wattsPerKelvin: 20 } });
		const simple = (370_000 * 20 + 10_000 * 20) / 20 / 3600;
		expect(timeConstantHours(roomModel(tight)) / simple).toBeCloseTo(1, 1);
	});

	it('EN 442: radiator output off its rating at 60, 40, 30 and 20 K', () => {
		const share = (delta: number) => Math.round(radiatorOutput(1000, delta)) / 1000;
		expect([share(60), share(40), share(30), share(20), share(-3)]).toEqual([1.267, 0.748, 0.515, 0.304, 0]);
	});

	it('EN 1264-2 (from memory): 100 W/m² at 29 °C over a room of 20 °C', () => {
		expect(floorOutput(9)).toBeCloseTo(100, 0);
		// the model's linear film gives the same there
		const floor = room({
			emitter: { kind: 'wet-floor', ratedW: 2000, waterC: 45 },
			finish: 'tile',
			loss: { by: 'figure', wattsPerKelvin: 100 }
		});
		const model = roomModel(floor);
		const { state, powerW } = heldAt(model, 20, 0);
		const surface = model.surfaceShare! * state[2]! + (1 - model.surfaceShare!) * state[0]!;
		expect(Math.abs(powerW / 20 - floorOutput(surface - 20)) / (powerW / 20)).toBeLessThan(0.15);
	});

	it('NEMA DC 3 (from memory): cycles an hour 4·N·d·(1−d)', () => {
		expect([cyclesPerHour(6, 0.5), cyclesPerHour(6, 0.25), cyclesPerHour(6, 0), cyclesPerHour(6, 1)]).toEqual(
			[6, 4.5, 0, 0]
		);
	});

	it('ASHRAE daily curve (from memory): the whole range under the highest at 05:00, none at 15:00', () => {
		const day = designDay(0, 10);
		expect(day(15 * 60) - day(5 * 60)).toBeCloseTo(10, 9);
		expect(DAILY_FRACTIONS[4]).toBe(1);
		expect(Math.max(...Array.from({ length: 1440 }, (_, m) => day(m)))).toBeCloseTo(day(900), 9);
		const mean = Array.from({ length: 24 }, (_, h) => day(h * 60)).reduce((a, b) => a + b, 0) / 24;
		expect(mean).toBeCloseTo(0, 9);
	});

	it('an invented year is the same every time, and a plausible one', () => {
		const year = inventedYear();
		expect(year).toHaveLength(8760);
		expect(inventedYear()).toEqual(year);
		const mean = year.reduce((a, b) => a + b, 0) / 8760;
		expect(mean).toBeGreaterThan(8);
		expect(mean).toBeLessThan(11);
		expect(Math.min(...year)).toBeGreaterThan(-20);
		expect(Math.max(...year)).toBeLessThan(36);
	});

	it('a survey gives a loss of the usual size; stored heat is that of its parts', () => {
		const survey = room({ loss: { by: 'survey', insulation: 'fair', exposedM2: 30 } });
		expect(lossOf(survey)).toBeCloseTo(0.65 * 30 + 0.34 * 0.5 * 50, 9);
		const model = roomModel(room());
		expect(stored(model, [1, 0, 0, 0])).toBe(200_000);
	});
});
