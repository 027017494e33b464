import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import type { Room } from '../plan';
import { AIR_LOSS_SHARE } from './classes';
import { roomModel, timeConstantHours } from './roomModel';
import { exactStep, take } from './stepper';

/** A logger's readings, five minutes apart: room and outdoor in °C, whether it heated in the five minutes that follow. */
export interface EvenLog {
	readonly roomC: readonly number[];
	readonly outdoorC: readonly number[];
	readonly heating: readonly boolean[];
}

/** What a log says of a room. */
export interface Measured {
	readonly wattsPerKelvin: number;
	readonly capacityScale: number;
	readonly timeConstantHours: number;
	/** One standard error. */
	readonly standardErrorHours: number;
	/** Root mean square of what is left between log and model, in K. */
	readonly residualK: number;
	/** The model over the data, in °C. */
	readonly modelC: readonly number[];
}

/** Minutes between readings of an even log. */
export const LOG_STEP_MINUTES = 5;
const SHORTEST_HOURS = 18;
/** A room that is not heated for this long says nothing of its heating. */
const LEAST_HEATING_HOURS = 0.5;
const LEAST_COOLING_HOURS = 3;

const hours = (steps: number) => (steps * LOG_STEP_MINUTES) / 60;

/** Why a log cannot be used, in a sentence; null where it can. */
export function logRefusal(log: EvenLog): string | null {
	const n = log.roomC.length;
	if (hours(n) < SHORTEST_HOURS)
		return `The log is ${Math.round(hours(n))} h long; a night and a morning are needed, ${SHORTEST_HOURS} h at least.`;
	const on = log.heating.filter(Boolean).length;
	if (hours(on) < LEAST_HEATING_HOURS)
		return 'The heating hardly ran in this log: how fast the room warms cannot be told.';
	if (hours(n - on) < LEAST_COOLING_HOURS)
		return 'The heating ran nearly all the time: how the room cools cannot be told.';
	const span = Math.max(...log.roomC) - Math.min(...log.roomC);
	if (span < 0.8) return `The room moved by ${span.toFixed(1)} K only: too little to tell anything from.`;
	return null;
}

/** The room with another loss and capacity. */
function scaled(room: Room, wattsPerKelvin: number, capacityScale: number): Room {
	return {
		...room,
		loss: {
			by: 'measured',
			wattsPerKelvin,
			capacityScale,
			timeConstantHours: 10,
			standardErrorHours: 0,
			on: '2000-01-01'
		}
	};
}

/** The room's temperature over a log's outdoor and heating, from its first reading; `fabricK` is how far its fabric was from the air then. */
function follow(
	room: Room,
	log: EvenLog,
	wattsPerKelvin: number,
	capacityScale: number,
	fabricK: number
): number[] {
	const model = roomModel(scaled(room, wattsPerKelvin, capacityScale));
	const [off, on] = [
		exactStep(model, false, LOG_STEP_MINUTES * 60),
		exactStep(model, true, LOG_STEP_MINUTES * 60)
	];
	const first = log.roomC[0]!;
	const x = Float64Array.from([first, first + fabricK, first + fabricK, first]);
	const sums = new Float64Array(2);
	return log.roomC.map((_, i) => {
		const now = x[0]!;
		take(log.heating[i] ? on : off, x, log.outdoorC[i]!, sums);
		return now;
	});
}

/**
 * A room's loss and capacity from a log, by least squares (Levenberg and Marquardt) on the very model that is used for
 * everything else; its emitter's output is taken as surveyed. The time constant comes with one standard error, from the
 * curvature at the answer. Refused, as a sentence: a log too short, without heating or cooling, or one that no such room
 * could have written.
 */
export function measureRoom(room: Room, log: EvenLog): Measured | string {
	const refusal = logRefusal(log);
	if (refusal) return refusal;
	const start = roomModel(room);
	const loss = start.airOutside / AIR_LOSS_SHARE;
	// in logarithms, so that neither can become negative
	const run = ([a, b, c]: readonly number[]) => follow(room, log, loss * Math.exp(a!), Math.exp(b!), c!);
	const x = log.roomC.map((_, i) => i);
	const fit = levenbergMarquardt(
		{ x, y: [...log.roomC] },
		(parameters: number[]) => {
			const series = run(parameters);
			return (i: number) => series[i]!;
		},
		{
			initialValues: [0, 0, 0],
			minValues: [-3, -3, -8],
			maxValues: [3, 3, 8],
			gradientDifference: 1e-4,
			damping: 0.01,
			maxIterations: 120,
			errorTolerance: 1e-9
		}
	);
	const best = fit.parameterValues;
	const model = run(best);
	const n = x.length;
	const residual = model.reduce((sum, c, i) => sum + (c - log.roomC[i]!) ** 2, 0);
	const residualK = Math.sqrt(residual / n);
	if (residualK > 1.5)
		return `The log does not look like this room: the model stays ${residualK.toFixed(1)} K off it. Is the emitter right, and the column of the heating?`;
	if (Math.abs(best[0]!) > 2.9 || Math.abs(best[1]!) > 2.9)
		return 'The log points to a room many times lighter, heavier or leakier than surveyed: check the emitter and its power first.';

	// neighbouring readings tell much the same: about one in an hour counts by itself
	const independent = Math.max(4, hours(n)) - best.length;
	const variance = (residual / (n - best.length)) * (n / independent);
	const jacobian = best.map((_, k) => {
		const shifted = best.map((value, j) => (j === k ? value + 1e-4 : value));
		return run(shifted).map((c, i) => (c - model[i]!) / 1e-4);
	});
	const normal = jacobian.map((a) =>
		jacobian.map((b) => a.reduce((sum, value, i) => sum + value * b[i]!, 0))
	);
	const tau = (a: readonly number[]) =>
		timeConstantHours(roomModel(scaled(room, loss * Math.exp(a[0]!), Math.exp(a[1]!))));
	const here = tau(best);
	const gradient = best.map(
		(value, k) => (tau(best.map((other, j) => (j === k ? value + 1e-4 : other))) - here) / 1e-4
	);
	const direction = inverseTimes(normal, gradient);
	const spread = variance * gradient.reduce((sum, g, i) => sum + g * direction[i]!, 0);
	return {
		wattsPerKelvin: loss * Math.exp(best[0]!),
		capacityScale: Math.exp(best[1]!),
		timeConstantHours: here,
		standardErrorHours: Math.sqrt(Math.max(0, spread)),
		residualK,
		modelC: model
	};
}

function inverseTimes(a: readonly (readonly number[])[], b: readonly number[]): number[] {
	// three by three, by Cramer's rule
	const det = (m: readonly (readonly number[])[]) =>
		m[0]![0]! * (m[1]![1]! * m[2]![2]! - m[1]![2]! * m[2]![1]!) -
		m[0]![1]! * (m[1]![0]! * m[2]![2]! - m[1]![2]! * m[2]![0]!) +
		m[0]![2]! * (m[1]![0]! * m[2]![1]! - m[1]![1]! * m[2]![0]!);
	const whole = det(a);
	return b.map((_, k) => det(a.map((row, i) => row.map((value, j) => (j === k ? b[i]! : value)))) / whole);
}
