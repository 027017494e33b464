import fc from 'fast-check';
import { expect, it } from 'vitest';
import { roomSchema } from '../plan';
import { readyRoom, simulate, type SimulationRequest } from './simulate';
import { exactStep, stored, take } from './stepper';

/** The same run told as simply as it can be: minute by minute, nothing kept at hand. */
function plainly({
	model,
	regulation,
	outdoorC,
	setpointC,
	wantedC,
	start
}: Required<Omit<SimulationRequest, 'control'>>) {
	const x = Float64Array.from(start);
	const sums = new Float64Array(2);
	const { by, minimumOffMinutes, guardC } = regulation;
	const bandK = by.kind === 'cycling' ? by.bandK : 0;
	let heater = bandK / 2;
	let on = false;
	let stopped = -Infinity;
	/** The air, or the floor on a sensor in it. */
	const governed = () => model.sensorEmitterShare * x[2]! + (1 - model.sensorEmitterShare) * x[0]!;
	let felt = governed();
	const told = {
		starts: 0,
		heatingMinutes: 0,
		coldMinutes: 0,
		coldKelvinMinutes: 0,
		warmestSurfaceC: -Infinity
	};
	const air: number[] = [];
	const heating: number[] = [];
	const surface = () => model.surfaceShare! * x[2]! + (1 - model.surfaceShare!) * x[0]!;
	for (const [minute, set] of setpointC.entries()) {
		const reach = by.kind === 'on-off' ? by.differentialK / 2 : bandK / 6;
		const sensed = x[3]! + heater - bandK / 2;
		const guarded = model.surfaceShare !== null && guardC !== null && surface() >= guardC;
		const wants = !guarded && (on ? sensed < set + reach : sensed <= set - reach);
		if (wants && !on && minute - stopped >= minimumOffMinutes) {
			on = true;
			told.starts++;
		} else if (!wants && on) {
			on = false;
			stopped = minute;
		}
		if (by.kind === 'cycling')
			heater += ((on ? bandK : 0) - heater) * (1 - Math.exp(-(by.perHour * Math.LN2) / 30));
		take(exactStep(model, on, 60), x, outdoorC[minute]!, sums);
		if (on) told.heatingMinutes++;
		felt += (governed() - felt) * (1 - Math.exp(-1 / 20));
		const short = wantedC[minute]! - Math.max(governed(), felt);
		if (short > 0.5) {
			told.coldMinutes++;
			told.coldKelvinMinutes += short;
		}
		if (model.surfaceShare !== null) told.warmestSurfaceC = Math.max(told.warmestSurfaceC, surface());
		air.push(x[0]!);
		heating.push(on ? 1 : 0);
	}
	return { told, end: [...x], heatJ: sums[0]!, lossJ: sums[1]!, air, heating };
}

const room = fc
	.record({
		build: fc.constantFrom('very-light', 'medium', 'very-heavy'),
		emitter: fc.constantFrom(
			{ kind: 'radiator', ratedW: 2400, waterC: 60 },
			{ kind: 'electric-panel', ratedW: 1800 },
			{ kind: 'wet-floor', ratedW: 1700, waterC: 40 },
			{ kind: 'floor-cable', ratedW: 2200 }
		),
		sensor: fc.constantFrom('air', 'floor', 'air-with-floor-guard'),
		finish: fc.constantFrom('tile', 'laminate'),
		wattsPerKelvin: fc.double({ min: 20, max: 120, noNaN: true }),
		gainsW: fc.integer({ min: 0, max: 200 }),
		regulation: fc.oneof(
			fc.record({ kind: fc.constant('on-off'), differentialK: fc.double({ min: 0.2, max: 2, noNaN: true }) }),
			fc.record({
				kind: fc.constant('cycling'),
				perHour: fc.integer({ min: 2, max: 9 }),
				bandK: fc.double({ min: 0.5, max: 2, noNaN: true })
			})
		)
	})
	.map(({ wattsPerKelvin, sensor, ...more }) =>
		roomSchema.parse({
			floorAreaM2: 20,
			heightM: 2.5,
			loss: { by: 'figure', wattsPerKelvin },
			...more,
			sensor: ['wet-floor', 'floor-cable'].includes(more.emitter.kind) ? sensor : 'air'
		})
	);

/** Stretches of a value, of any length. */
const stretches = <T>(value: fc.Arbitrary<T>) =>
	fc
		.array(fc.tuple(fc.integer({ min: 1, max: 500 }), value), { minLength: 1, maxLength: 6 })
		.map((parts) => parts.flatMap(([minutes, what]) => Array.from({ length: minutes }, () => what)));

it('is what stepping minute by minute gives, whatever the room, its regulation and the weather', () => {
	let starts = 0;
	let cold = 0;
	fc.assert(
		fc.property(
			room,
			stretches(fc.oneof(fc.double({ min: 10, max: 24, noNaN: true }), fc.constant(NaN))),
			stretches(fc.double({ min: -15, max: 20, noNaN: true })),
			fc.constantFrom(0, 0, 5),
			(of, set, outdoor, minimumOff) => {
				const request = {
					...readyRoom(of, minimumOff),
					setpointC: Float64Array.from(set),
					outdoorC: Float64Array.from(set, (_, i) => outdoor[i % outdoor.length]!),
					wantedC: Float64Array.from(set, (c) => (Number.isNaN(c) ? 16 : c)),
					start: [18, 18.5, 19, 18],
					record: true
				};
				const run = simulate(request);
				const plain = plainly(request);
				expect([...run.heating]).toEqual(plain.heating);
				const { coldKelvinMinutes, warmestSurfaceC, ...counts } = plain.told;
				expect(run).toMatchObject(counts);
				expect(run.coldKelvinMinutes).toBeCloseTo(coldKelvinMinutes, 6);
				if (request.model.surfaceShare !== null) expect(run.warmestSurfaceC).toBeCloseTo(warmestSurfaceC, 9);
				else expect(run.warmestSurfaceC).toBeNull();
				for (const [i, c] of plain.air.entries())
					if (Math.abs(run.air[i]! - c) > 1e-9) throw new Error(`minute ${i}`);
				for (const [i, c] of plain.end.entries()) expect(run.end[i]).toBeCloseTo(c, 9);
				for (const what of ['heatJ', 'lossJ'] as const)
					expect(Math.abs(run[what] - plain[what])).toBeLessThan(1e-8 * Math.max(1e6, Math.abs(plain[what])));
				expect(run.coldest).toEqual({
					c: Math.min(...run.air),
					minute: run.air.indexOf(Math.min(...run.air))
				});
				expect(run.warmest).toEqual({
					c: Math.max(...run.air),
					minute: run.air.indexOf(Math.max(...run.air))
				});
				expect(run.storedJ).toBeCloseTo(
					stored(request.model, run.end) - stored(request.model, request.start),
					3
				);
				expect(Math.abs(run.heatJ + run.gainsJ - run.lossJ - run.storedJ)).toBeLessThan(
					1e-6 * Math.max(1e6, run.heatJ)
				);
				// what is not recorded is counted alike
				const { air, fabric, emitter, heating } = run;
				expect({ ...simulate({ ...request, record: false }), air, fabric, emitter, heating }).toEqual(run);
				starts += run.starts;
				cold += run.coldMinutes;
			}
		),
		{ numRuns: 150 }
	);
	expect(Math.min(starts, cold)).toBeGreaterThan(100);
});
