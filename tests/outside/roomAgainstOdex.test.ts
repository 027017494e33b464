/**
 * The full room model against `odex` (Gragg, Bulirsch and Stoer; Hairer and Wanner's code) on the same equations with
 * the same switching, over a week: within 0.005 K. One node against the closed form: 1e-9.
 */
import { describe, expect, it } from 'vitest';
import { roomSchema, type Room } from '../../src/core/plan';
import { odexSolver } from './odex';
import {
	designDay,
	outdoorByMinute,
	periodic,
	readyRoom,
	simulate,
	timeConstantHours,
	type RoomModel
} from '../../src/core/thermal';

const WEEK = 10_080;

/** The same room's equations written out from its conductances, not taken from the code under test. */
function derivative(model: RoomModel, on: boolean, outdoorC: number) {
	return (_: number, [air, fabric, emitter, sensor]: number[]): number[] => {
		const [a, f, e, s] = [air!, fabric!, emitter!, sensor!];
		const source = !on
			? 0
			: model.water
				? model.water.conductance * (model.water.temperatureC - e)
				: model.electricW;
		const toAir = model.emitterAir * (e - a);
		const toFabric = model.emitterFabric * (e - f);
		const measured = model.sensorEmitterShare * e + (1 - model.sensorEmitterShare) * a;
		return [
			(model.airFabric * (f - a) + model.airOutside * (outdoorC - a) + toAir + model.gainsW) /
				model.airCapacity,
			(model.airFabric * (a - f) + model.fabricOutside * (outdoorC - f) + toFabric) / model.fabricCapacity,
			(source - toAir - toFabric) / model.emitterCapacity,
			(measured - s) / model.sensorSeconds
		];
	};
}

const rooms: [string, object][] = [
	[
		'a light room on an electric panel',
		{ build: 'very-light', emitter: { kind: 'electric-panel', ratedW: 2000 } }
	],
	[
		'a medium room on a radiator',
		{ build: 'medium', emitter: { kind: 'radiator', ratedW: 2400, waterC: 60 }, gainsW: 120 }
	],
	[
		'a heavy room on a wet floor, sensed in the floor',
		{
			build: 'very-heavy',
			emitter: { kind: 'wet-floor', ratedW: 1600, waterC: 38 },
			sensor: 'floor',
			finish: 'tile'
		}
	]
];

describe('a room over a week', () => {
	it.each(rooms)('%s goes as odex has it', (_, more) => {
		const room: Room = roomSchema.parse({
			floorAreaM2: 22,
			heightM: 2.6,
			loss: { by: 'figure', wattsPerKelvin: 65 },
			...more
		});
		const ready = readyRoom(room);
		const floor = room.sensor === 'floor';
		// steps of outdoor temperature an hour long, the same for both
		const outdoorC = outdoorByMinute((minute) => designDay(2, 9)(Math.floor(minute / 60) * 60), WEEK);
		const setpointC = Float64Array.from({ length: WEEK }, (__, m) =>
			m % 1440 < 380 || m % 1440 > 1320 ? (floor ? 22 : 16) : floor ? 27 : 20.5
		);
		const start = [18, 17.5, 19, 18];
		const run = simulate({ ...ready, outdoorC, setpointC, start, record: true });
		expect(run.starts).toBeGreaterThan(5);

		const solver = odexSolver(4, 1e-9);
		let state = start;
		let worst = 0;
		for (let from = 0; from < WEEK;) {
			let to = from + 1;
			while (to < WEEK && run.heating[to] === run.heating[from] && outdoorC[to] === outdoorC[from]) to++;
			state = solver.solve(
				derivative(ready.model, run.heating[from] === 1, outdoorC[from]!),
				0,
				state,
				(to - from) * 60
			).y;
			worst = Math.max(
				worst,
				Math.abs(state[0]! - run.air[to - 1]!),
				Math.abs(state[1]! - run.fabric[to - 1]!),
				Math.abs(state[2]! - run.emitter[to - 1]!)
			);
			from = to;
		}
		expect(worst).toBeLessThan(0.005);
	});

	it('closed on itself is where odex comes to, week after week with the same switching: 0.01 K, 0.1 % of the heat', () => {
		const room = roomSchema.parse({
			floorAreaM2: 22,
			heightM: 2.6,
			build: 'very-heavy',
			loss: { by: 'figure', wattsPerKelvin: 18 },
			emitter: { kind: 'radiator', ratedW: 900, waterC: 55 }
		});
		const ready = readyRoom(room);
		expect(timeConstantHours(ready.model)).toBeGreaterThan(120);
		const outdoorC = outdoorByMinute((minute) => designDay(2, 9)(Math.floor(minute / 60) * 60), WEEK);
		const setpointC = Float64Array.from({ length: WEEK }, (__, m) =>
			m % 1440 < 380 || m % 1440 > 1320 ? 16 : 20.5
		);
		const { run, heatJ } = periodic({ ...ready, outdoorC, setpointC, record: true });
		const solver = odexSolver(4, 1e-8);
		// from somewhere else altogether; fifteen weeks are far more than this room remembers
		let state = [10, 10, 10, 10];
		let worst = 0;
		let lossJ = 0;
		const { airOutside, fabricOutside } = ready.model;
		for (let week = 0; week < 15; week++) {
			lossJ = 0;
			worst = 0;
			for (let from = 0; from < WEEK;) {
				let to = from + 1;
				while (to < WEEK && run.heating[to] === run.heating[from] && outdoorC[to] === outdoorC[from]) to++;
				const before = state;
				const outdoor = outdoorC[from]!;
				const rate = derivative(ready.model, run.heating[from] === 1, outdoor);
				const ended = solver.solve(rate, 0, state, (to - from) * 60).y;
				state = ended;
				// the trapezium over a stretch of an hour at most is near enough for a thousandth
				const lossW = ([a, f]: number[]) => airOutside * (a! - outdoor) + fabricOutside * (f! - outdoor);
				lossJ += ((lossW(before) + lossW(ended)) / 2) * (to - from) * 60;
				worst = Math.max(
					worst,
					Math.abs(ended[0]! - run.air[to - 1]!),
					Math.abs(ended[1]! - run.fabric[to - 1]!)
				);
				from = to;
			}
		}
		expect(worst).toBeLessThan(0.01);
		expect(Math.abs(lossJ / heatJ - 1)).toBeLessThan(1e-3);
	});

	it('of one node cools along its exponential to 1e-9, with τ = C/H (ISO 13790)', () => {
		const hours = 48;
		const one: RoomModel = {
			airCapacity: 5e6,
			fabricCapacity: 1e6,
			emitterCapacity: 1,
			airFabric: 0,
			airOutside: 50,
			fabricOutside: 1e-9,
			emitterAir: 0,
			emitterFabric: 1e-9,
			electricW: 0,
			water: null,
			gainsW: 0,
			sensorSeconds: 60,
			sensorEmitterShare: 0,
			surfaceShare: null
		};
		const minutes = hours * 60;
		const run = simulate({
			model: one,
			regulation: { by: { kind: 'on-off', differentialK: 0.5 }, minimumOffMinutes: 0, guardC: null },
			outdoorC: new Float64Array(minutes).fill(-3),
			setpointC: new Float64Array(minutes).fill(NaN),
			start: [21, 0, 0, 21],
			record: true
		});
		const tau = 5e6 / 50;
		for (const minute of [1, 60, 600, minutes])
			expect(run.air[minute - 1]!).toBeCloseTo(-3 + 24 * Math.exp((-minute * 60) / tau), 9);
	});
});
