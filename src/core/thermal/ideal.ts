import { surfaceOf, timeConstantHours, type RoomModel } from './roomModel';
import { exactStep } from './stepper';

/** Minutes of one step of an ideally regulated room. */
export const IDEAL_STEP = 5;
const STATES = 4;

/** A room that is held at a setpoint as nearly as its emitter can, and whose floor is guarded (°C; null: not). */
export interface IdealRoom {
	readonly model: RoomModel;
	readonly guardC: number | null;
}

/** States by step of five minutes: air, fabric, emitter, sensor, one after the other; the first is the beginning. */
export type Track = Float64Array;

/** The state at a step of a track. */
export const stateAt = (track: Track, step: number) => track.subarray(step * STATES, (step + 1) * STATES);

/** Steps that full heating takes from a state until what is governed is at the goal, a part of a step as such; Infinity past `most`. */
export function stepsToReach(
	{ model, guardC }: IdealRoom,
	from: ArrayLike<number>,
	goalC: number,
	most: number,
	outdoorAt: (step: number) => number
): number {
	const off = exactStep(model, false, IDEAL_STEP * 60).m;
	const on = exactStep(model, true, IDEAL_STEP * 60).m;
	const governs = model.sensorEmitterShare;
	const guard = guardC ?? Infinity;
	let a = from[0]!;
	let f = from[1]!;
	let e = from[2]!;
	let before = governs * e + (1 - governs) * a;
	if (before >= goalC) return 0;
	for (let step = 0; step < most; step++) {
		const m = surfaceOf(model, a, e) >= guard ? off : on;
		const outdoor = outdoorAt(step);
		const nextA = m[0]! * a + m[1]! * f + m[2]! * e + m[4]! * outdoor + m[5]!;
		const nextF = m[6]! * a + m[7]! * f + m[8]! * e + m[10]! * outdoor + m[11]!;
		e = m[12]! * a + m[13]! * f + m[14]! * e + m[16]! * outdoor + m[17]!;
		a = nextA;
		f = nextF;
		const now = governs * e + (1 - governs) * a;
		if (now >= goalC) return step + (goalC - before) / (now - before);
		before = now;
	}
	return Infinity;
}

/**
 * Runs a room through setpoints by step (°C; NaN: off): off while it is above, on while it is below, and at the setpoint
 * with just the share of a step that keeps it there. Exact steps of the model; the switching itself is left out.
 */
export function runIdeal(
	{ model, guardC }: IdealRoom,
	start: ArrayLike<number>,
	setpointC: Float64Array,
	outdoorC: Float64Array
): Track {
	const off = exactStep(model, false, IDEAL_STEP * 60).m;
	const on = exactStep(model, true, IDEAL_STEP * 60).m;
	const governs = model.sensorEmitterShare;
	const wall = model.surfaceShare ?? 0;
	const guard = guardC ?? Infinity;
	const n = setpointC.length;
	const track = new Float64Array((n + 1) * STATES);
	for (let i = 0; i < STATES; i++) track[i] = start[i]!;
	// the state in numbers at hand: this runs some hundred thousand times for one curve
	let a = start[0]!;
	let f = start[1]!;
	let e = start[2]!;
	let s = start[3]!;
	/** A row of a step; the first three states do not depend on the sensor. */
	const row = (m: Float64Array, i: number, outdoor: number) =>
		m[i]! * a + m[i + 1]! * f + m[i + 2]! * e + m[i + 4]! * outdoor + m[i + 5]!;
	for (let step = 0; step < n; step++) {
		const outdoor = outdoorC[step]!;
		const set = setpointC[step]!;
		let nextA = row(off, 0, outdoor);
		let nextF = row(off, 6, outdoor);
		let nextE = row(off, 12, outdoor);
		let nextS = row(off, 18, outdoor) + off[21]! * s;
		const low = governs * nextE + (1 - governs) * nextA;
		if (low < set && wall * e + (1 - wall) * a < guard) {
			const heatedA = row(on, 0, outdoor);
			const heatedE = row(on, 12, outdoor);
			const high = governs * heatedE + (1 - governs) * heatedA;
			const share = high <= set ? 1 : (set - low) / (high - low);
			nextA += share * (heatedA - nextA);
			nextF += share * (row(on, 6, outdoor) - nextF);
			nextE += share * (heatedE - nextE);
			nextS += share * (row(on, 18, outdoor) + on[21]! * s - nextS);
		}
		a = nextA;
		f = nextF;
		e = nextE;
		s = nextS;
		const at = (step + 1) * STATES;
		track[at] = a;
		track[at + 1] = f;
		track[at + 2] = e;
		track[at + 3] = s;
	}
	return track;
}

/** Runs that a period of ideal steps may take to close, and how near its fabric then is, in K. */
const MOST_RUNS = 8;
const CLOSED_K = 0.02;

/** {@link runIdeal} of a period that repeats itself: found by secants on the fabric, the quick states taken over. */
export function closeIdeal(
	room: IdealRoom,
	guess: ArrayLike<number>,
	setpointC: Float64Array,
	outdoorC: Float64Array
): Track {
	const hours = (setpointC.length * IDEAL_STEP) / 60;
	const slowest = Math.exp(-hours / timeConstantHours(room.model));
	let start = [guess[0]!, guess[1]!, guess[2]!, guess[3]!];
	let before: { fabricC: number; gapC: number } | null = null;
	for (let runs = 1; ; runs++) {
		const track = runIdeal(room, start, setpointC, outdoorC);
		const at = setpointC.length * STATES;
		const gapC = track[at + 1]! - start[1]!;
		// how much of a change at the beginning is left at the end, as the last two runs tell
		const known = before !== null && Math.abs(start[1]! - before.fabricC) > 1e-9;
		const left = known
			? Math.min(Math.max(1 + (gapC - before!.gapC) / (start[1]! - before!.fabricC), 0), slowest)
			: slowest / 2;
		const off = gapC / (1 - left);
		if ((known && Math.abs(off) < CLOSED_K) || runs === MOST_RUNS) return track;
		before = { fabricC: start[1]!, gapC };
		start = [track[at]!, start[1]! + off, track[at + 2]!, track[at + 3]!];
	}
}
