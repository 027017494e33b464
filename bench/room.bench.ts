/**
 * The room model, as ratios in one run: a zone-year at one-minute steps with on/off regulation against a bare loop that
 * does the same multiplications over typed arrays, and against odex on a week of it with the same switching; a warm-up
 * curve of 31 outdoor temperatures against 30 ms.
 */
import { roomSchema } from '../src/core/plan';
import { hourly, inventedYear, outdoorByMinute, readyRoom, simulate, warmUpCurve } from '../src/core/thermal';
import { odexSolver } from '../tests/outside/odex';

function median(times: number[]): number {
	return [...times].sort((a, b) => a - b)[times.length >> 1]!;
}
function time(work: () => void): number {
	const start = performance.now();
	work();
	return performance.now() - start;
}

const room = roomSchema.parse({
	floorAreaM2: 22,
	heightM: 2.6,
	build: 'medium',
	loss: { by: 'figure', wattsPerKelvin: 65 },
	emitter: { kind: 'radiator', ratedW: 2400, waterC: 60 }
});
const ready = readyRoom(room);
const minutes = 525_600;
const outdoorC = outdoorByMinute(hourly(inventedYear()), minutes);
const setpointC = Float64Array.from({ length: minutes }, (_, m) =>
	m % 1440 < 380 || m % 1440 > 1320 ? 16 : 20.5
);
const year = () => simulate({ ...ready, outdoorC, setpointC, wantedC: setpointC });
year();
const took = median(Array.from({ length: 7 }, () => time(year)));

const m = Float64Array.from({ length: 36 }, (_, i) => Math.sin(i) / 40);
const out = new Float64Array(minutes);
function bare(): void {
	const x = new Float64Array(6).fill(1);
	const next = new Float64Array(6);
	for (let minute = 0; minute < minutes; minute++) {
		x[4] = outdoorC[minute]!;
		x[5] = 1;
		for (let i = 0; i < 6; i++) {
			let sum = 0;
			for (let j = 0; j < 6; j++) sum += m[i * 6 + j]! * x[j]!;
			next[i] = sum;
		}
		x.set(next);
		out[minute] = x[0]!;
	}
}
bare();
const loop = median(Array.from({ length: 7 }, () => time(bare)));
console.log(
	`a zone-year at one-minute steps: median ${took.toFixed(0)} ms, ${(took / loop).toFixed(2)} times a bare loop of the same multiplications (at most 3 asked for)`
);

const start = [18, 18, 20, 18];
const recorded = simulate({ ...ready, outdoorC, setpointC, start, record: true });
const { model } = ready;
// the loosest tolerance, in powers of ten, at which it comes as near as it ever does: what is left is of both
const solver = odexSolver(4, 1e-13);
let worst = 0;
const reference = time(() => {
	let state = start;
	for (let from = 0; from < minutes;) {
		const on = recorded.heating[from] === 1;
		let to = from + 1;
		while (to < minutes && recorded.heating[to] === recorded.heating[from] && outdoorC[to] === outdoorC[from])
			to++;
		const outdoor = outdoorC[from]!;
		state = solver.solve(
			(_, [a, f, e, s]) => {
				const source = on && model.water ? model.water.conductance * (model.water.temperatureC - e!) : 0;
				const [toAir, toFabric] = [model.emitterAir * (e! - a!), model.emitterFabric * (e! - f!)];
				return [
					(model.airFabric * (f! - a!) + model.airOutside * (outdoor - a!) + toAir + model.gainsW) /
						model.airCapacity,
					(model.airFabric * (a! - f!) + model.fabricOutside * (outdoor - f!) + toFabric) /
						model.fabricCapacity,
					(source - toAir - toFabric) / model.emitterCapacity,
					(a! - s!) / model.sensorSeconds
				];
			},
			0,
			state,
			(to - from) * 60
		).y;
		worst = Math.max(worst, Math.abs(state[0]! - recorded.air[to - 1]!));
		from = to;
	}
});
console.log(
	`against odex over that year: ${(reference / 1000).toFixed(1)} s, ${Math.round(reference / took)} times as long (at least 100 asked for); they differ by ${worst.toExponential(1)} K at most`
);

const night = { beforeC: 20.5, setbackC: 16, minutes: 500, comfortC: 20.5 };
warmUpCurve(room, night);
const curve = median(Array.from({ length: 31 }, () => time(() => warmUpCurve(room, night))));
console.log(
	`a warm-up curve of 31 outdoor temperatures: median ${curve.toFixed(1)} ms, ${(curve / 30).toFixed(2)} of the 30 ms allowed`
);
