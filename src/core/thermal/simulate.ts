import { splitByDay, WEEK_MINUTES, type WeekSteps } from '../week';
import type { Room } from '../plan';
import { floorLimitOf } from './classes';
import { governedOf, heldAt, highestUnder, roomModel, steadyState, type RoomModel } from './roomModel';
import { exactStep, stored } from './stepper';
import type { Outdoor } from './weather';

/** How a control switches, and what stops it. */
export interface Regulation {
	readonly by: Room['regulation'];
	/** Minutes it stays off after a stop. */
	readonly minimumOffMinutes: number;
	/** The floor surface above which heat is held back, in °C; null for none. */
	readonly guardC: number | null;
}

/** What a control is about between two runs: one that goes on from another takes it over. */
export interface ControlState {
	readonly on: boolean;
	/** Minutes since it last stopped; many where it never ran. */
	readonly stoppedMinutes: number;
	/** How far a cycling control has warmed its own sensor, in K. */
	readonly anticipatedK: number;
	/** What is governed, as it was felt over the last twenty minutes, in °C. */
	readonly feltC: number;
}

export interface SimulationRequest {
	readonly model: RoomModel;
	readonly regulation: Regulation;
	/** By minute: outdoor and setpoint in °C; a setpoint of NaN is off. */
	readonly outdoorC: Float64Array;
	readonly setpointC: Float64Array;
	/** By minute: the temperature wanted of what is governed (the air, or the floor on its sensor), for counting what is cold; none where missing. */
	readonly wantedC?: Float64Array;
	/** Air, fabric, emitter, sensor; at rest at the first setpoint where missing. */
	readonly start?: readonly number[];
	/** What the control was about before; off for long where missing. */
	readonly control?: ControlState;
	/** Whether temperatures and switching are kept minute by minute. */
	readonly record?: boolean;
}

/** What came of a simulated time. Energies in J. */
export interface Simulation {
	readonly minutes: number;
	/** By minute, at its end: air, fabric, emitter in °C; 1 while heating. Empty unless recorded. */
	readonly air: Float64Array;
	readonly fabric: Float64Array;
	readonly emitter: Float64Array;
	readonly heating: Uint8Array;
	/** Air, fabric, emitter, sensor at the end, and what the control is about there: a run that goes on takes both. */
	readonly end: readonly number[];
	readonly control: ControlState;
	readonly heatJ: number;
	readonly lossJ: number;
	readonly gainsJ: number;
	readonly storedJ: number;
	readonly starts: number;
	readonly heatingMinutes: number;
	/** Minutes in which what is governed was more than half a kelvin under what was wanted, and by how many K·min. */
	readonly coldMinutes: number;
	readonly coldKelvinMinutes: number;
	/** The coldest and the warmest air, and the minutes at which. */
	readonly coldest: { readonly c: number; readonly minute: number };
	/** The coldest of what is governed, in °C. */
	readonly coldestGovernedC: number;
	readonly warmest: { readonly c: number; readonly minute: number };
	/** The warmest floor surface in °C; null where no floor heats. */
	readonly warmestSurfaceC: number | null;
}

/**
 * The share of a minute in what a room is felt to be: a room is cold when both its air and its mean of twenty minutes
 * are, so that the swing of the regulation is not taken for a cold room, nor the memory of a night for the morning.
 */
const FELT_SHARE = 1 - Math.exp(-1 / 20);

/** A control that has been off for longer than any minimum off-time, in minutes. */
const LONG_OFF = 1e9;

/** A room counts as cold when it is more than this under what is wanted, in K: what people begin to notice. */
export const COLD_TOLERANCE_K = 0.5;

/** How a room is regulated as its survey says; its floor is guarded where the sensor is for that. */
export function regulationOf(room: Room, minimumOffMinutes = 0): Regulation {
	return {
		by: room.regulation,
		minimumOffMinutes,
		guardC: room.sensor === 'air-with-floor-guard' ? floorLimitOf(room) : null
	};
}

/** At rest at a setpoint (NaN: off), as far as the emitter and a guarded floor let it: air, fabric, emitter, sensor in °C. */
export function restAt(
	{ model, regulation }: Pick<SimulationRequest, 'model' | 'regulation'>,
	setpointC: number,
	outdoorC: number
): readonly number[] {
	const off = steadyState(model, false, outdoorC);
	if (Number.isNaN(setpointC)) return off;
	const guarded =
		regulation.guardC !== null && model.surfaceShare !== null
			? highestUnder(model, regulation.guardC, outdoorC)
			: Infinity;
	const on = steadyState(model, true, outdoorC);
	const most = Math.min(guarded, governedOf(model, on[0]!, on[2]!));
	return heldAt(model, Math.min(setpointC, most), outdoorC).state;
}

/** Air, fabric, emitter and outdoors, each summed over minutes as they begin, and the count of these: heat in and out is linear in them. */
const SUMS = 5;

function addUp(sums: Float64Array, a: number, f: number, e: number, outdoor: number, minutes: number): void {
	sums[0]! += a;
	sums[1]! += f;
	sums[2]! += e;
	sums[3]! += outdoor;
	sums[4]! += minutes;
}

/** A row of a step summed over the minutes that `sums` tells of. */
function summed(step: Float64Array, row: number, sums: Float64Array): number {
	const at = (i: number) => step[row * 6 + i]!;
	return at(0) * sums[0]! + at(1) * sums[1]! + at(2) * sums[2]! + at(4) * sums[3]! + at(5) * sums[4]!;
}

/**
 * Runs a room minute by minute: each minute an exact step, switched by the control as it does it (on/off round a
 * differential with a lagging sensor; or cycling, N times an hour at half load, by a heater at its own sensor that
 * spreads the load over a band: cycles then follow 4·N·d·(1−d)). The heat balance closes to rounding:
 * heatJ + gainsJ − lossJ = storedJ.
 */
export function simulate(request: SimulationRequest): Simulation {
	const { model, regulation, outdoorC, setpointC, wantedC, record = false } = request;
	const n = setpointC.length;
	const mOff = exactStep(model, false, 60).m;
	const mOn = exactStep(model, true, 60).m;
	const x = Float64Array.from(request.start ?? restAt(request, setpointC[0]!, outdoorC[0]!));
	const before = stored(model, x);
	const kept = record ? n : 0;
	const air = new Float64Array(kept);
	const fabric = new Float64Array(kept);
	const emitter = new Float64Array(kept);
	const heating = new Uint8Array(kept);
	const { by } = regulation;
	const minimumOff = regulation.minimumOffMinutes;
	const share = model.surfaceShare;
	const guard = regulation.guardC ?? Infinity;
	const wallShare = share ?? 0;

	// the state in four numbers
	let a = x[0]!;
	let f = x[1]!;
	let e = x[2]!;
	let s = x[3]!;
	const sumsOff = new Float64Array(SUMS);
	const sumsOn = new Float64Array(SUMS);
	const earlier = request.control;
	let on = earlier?.on ?? false;
	let stoppedAt = earlier ? -earlier.stoppedMinutes : -LONG_OFF;
	// a cycling control warms its own sensor a little while it heats: that makes the cycles, and its band
	const bandK = by.kind === 'cycling' ? by.bandK : 0;
	const reach = by.kind === 'on-off' ? by.differentialK / 2 : bandK / 6;
	const anticipation = by.kind === 'cycling' ? 1 - Math.exp(-(by.perHour * Math.LN2) / 30) : 0;
	const middle = bandK / 2;
	let anticipated = earlier?.anticipatedK ?? middle;
	let starts = 0;
	// what is judged is what the control governs: the air, or the floor's surface on a sensor in it
	const governs = model.sensorEmitterShare;
	let felt = earlier?.feltC ?? governs * e + (1 - governs) * a;
	let coldestGoverned = Infinity;
	let coldMinutes = 0;
	let coldKelvinMinutes = 0;
	let coldest = Infinity;
	let coldestAt = 0;
	let warmest = -Infinity;
	let warmestAt = 0;
	let surface = -Infinity;
	let decided = false;
	for (let minute = 0; minute < n;) {
		// a stretch of heating, or of none: what it steps by stands still and is at hand (a typed array is looked into each time);
		// on the sensor nothing depends but itself
		const m = on ? mOn : mOff;
		const aa = m[0]!;
		const af = m[1]!;
		const ae = m[2]!;
		const fa = m[6]!;
		const ff = m[7]!;
		const fe = m[8]!;
		const ea = m[12]!;
		const ef = m[13]!;
		const ee = m[14]!;
		const sa = m[18]!;
		const sf = m[19]!;
		const se = m[20]!;
		const ss = m[21]!;
		const began = minute;
		let sumA = 0;
		let sumF = 0;
		let sumE = 0;
		let sumOutdoor = 0;
		// what a minute adds by the outdoors and by what is constant
		let outdoor = NaN;
		let addA = NaN;
		let addF = NaN;
		let addE = NaN;
		let addS = NaN;
		for (; minute < n; minute++) {
			if (decided) decided = false;
			else {
				const set = setpointC[minute]!;
				const sensed = s + anticipated - middle;
				let wants: boolean = on ? sensed < set + reach : sensed <= set - reach;
				if (wants && share !== null && wallShare * e + (1 - wallShare) * a >= guard) wants = false;
				if (wants !== on && (on || minute - stoppedAt >= minimumOff)) {
					decided = true;
					break;
				}
			}
			if (bandK > 0) anticipated += ((on ? bandK : 0) - anticipated) * anticipation;
			if (outdoorC[minute] !== outdoor) {
				outdoor = outdoorC[minute]!;
				addA = m[4]! * outdoor + m[5]!;
				addF = m[10]! * outdoor + m[11]!;
				addE = m[16]! * outdoor + m[17]!;
				addS = m[22]! * outdoor + m[23]!;
			}
			sumA += a;
			sumF += f;
			sumE += e;
			sumOutdoor += outdoor;
			const now = aa * a + af * f + (ae * e + addA);
			const nextF = fa * a + ff * f + (fe * e + addF);
			const nextE = ea * a + ef * f + (ee * e + addE);
			s = sa * a + sf * f + (se * e + addS) + ss * s;
			a = now;
			f = nextF;
			e = nextE;
			if (now < coldest) {
				coldest = now;
				coldestAt = minute;
			}
			if (now > warmest) {
				warmest = now;
				warmestAt = minute;
			}
			if (share !== null) {
				const c = wallShare * e + (1 - wallShare) * now;
				if (c > surface) surface = c;
			}
			const governed = governs === 0 ? now : governs * e + (1 - governs) * now;
			if (governed < coldestGoverned) coldestGoverned = governed;
			if (wantedC !== undefined) {
				felt += (governed - felt) * FELT_SHARE;
				const short = wantedC[minute]! - (governed > felt ? governed : felt);
				if (short > COLD_TOLERANCE_K) {
					coldMinutes++;
					coldKelvinMinutes += short;
				}
			}
			if (record) {
				air[minute] = now;
				fabric[minute] = f;
				emitter[minute] = e;
				heating[minute] = on ? 1 : 0;
			}
		}
		addUp(on ? sumsOn : sumsOff, sumA, sumF, sumE, sumOutdoor, minute - began);
		if (!decided) break;
		if (on) stoppedAt = minute;
		else starts++;
		on = !on;
	}
	const end = [a, f, e, s];
	/** A row of a step summed over all minutes while off and while on. */
	const total = (row: number) => summed(mOff, row, sumsOff) + summed(mOn, row, sumsOn);
	return {
		minutes: n,
		air,
		fabric,
		emitter,
		heating,
		end,
		control: { on, stoppedMinutes: n - stoppedAt, anticipatedK: anticipated, feltC: felt },
		heatJ: total(4),
		lossJ: total(5),
		gainsJ: model.gainsW * 60 * n,
		storedJ: stored(model, end) - before,
		starts,
		heatingMinutes: sumsOn[4]!,
		coldMinutes,
		coldKelvinMinutes,
		coldest: { c: coldest, minute: coldestAt },
		coldestGovernedC: coldestGoverned,
		warmest: { c: warmest, minute: warmestAt },
		warmestSurfaceC: share === null ? null : surface
	};
}

/** A week of setpoints (°C) laid out by minute, over and over, for so many minutes from Monday 00:00. */
export function byMinute(week: WeekSteps<number>, minutes: number): Float64Array {
	const one = new Float64Array(WEEK_MINUTES);
	splitByDay(week).forEach((spans, day) =>
		spans.forEach((span) => one.fill(span.value, day * 1440 + span.from, day * 1440 + span.to))
	);
	const all = new Float64Array(minutes);
	for (let at = 0; at < minutes; at += WEEK_MINUTES)
		all.set(one.subarray(0, Math.min(WEEK_MINUTES, minutes - at)), at);
	return all;
}

/** An outdoor temperature laid out by minute. */
export function outdoorByMinute(outdoor: Outdoor, minutes: number): Float64Array {
	return Float64Array.from({ length: minutes }, (_, minute) => outdoor(minute));
}

/** A room ready to be run. */
export function readyRoom(room: Room, minimumOffMinutes = 0): { model: RoomModel; regulation: Regulation } {
	return { model: roomModel(room), regulation: regulationOf(room, minimumOffMinutes) };
}
