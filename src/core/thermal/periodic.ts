import { timeConstantHours } from './roomModel';
import { restAt, simulate, type ControlState, type Simulation, type SimulationRequest } from './simulate';

/** A week that repeats itself. */
export interface Closed {
	/** The week, which ends where it began, but for what one switching more or less does. */
	readonly run: Simulation;
	/** The heat that it needs in the long run, in J: what it loses less what it gains, so that the moment of a switching does not count. */
	readonly heatJ: number;
	/** How many weeks were run to find it. */
	readonly runs: number;
}

/** A week counts as closed when its fabric ends within the heat of so small a share of the week's heat. */
const CLOSED_SHARE = 2e-4;
/** And where hardly anything heats, within so many K. */
const CLOSED_K = 0.001;
/** Between a beginning that ends warmer and one that ends cooler by no more than this there is no third: one switching decides, in K. */
const APART_K = 0.004;
const MOST_RUNS = 12;

/** The rate at which the fabric nears its rest while what is governed is held, per hour: the emitter gives what the air lacks. */
function heldRate({ model }: SimulationRequest): number {
	const { airFabric, fabricOutside, emitterFabric, emitterAir, fabricCapacity } = model;
	const through = emitterAir > 0 ? emitterFabric * (1 + airFabric / emitterAir) : 0;
	return ((airFabric + fabricOutside + through) / fabricCapacity) * 3600;
}

const heatOf = (run: Simulation) => Math.max(0, run.lossJ - run.gainsJ);

/** A week that was tried: where its fabric began, and by how much warmer it ended. */
interface Tried {
	readonly fabricC: number;
	readonly gapC: number;
	readonly run: Simulation;
}

/**
 * A typical week of a room: one that ends as it began, the fabric of a slow room included, whatever it was before. What
 * a week makes of the fabric at its beginning is nearly a straight line (exact steps between the switchings) that rises
 * by less than one, so its fixed point is found by secants between a beginning that ends warmer and one that ends cooler;
 * the quick states (air, emitter, sensor, the control itself) are taken over from week to week. Where one switching more
 * or less keeps it from closing, the heat is that of both ways, weighted so that they balance. `request` is one such
 * period by minute. A fast room takes two runs, a slow one three to six.
 */
export function periodic(request: Omit<SimulationRequest, 'start' | 'control'>): Closed {
	const { model, setpointC } = request;
	const hours = setpointC.length / 60;
	const slowest = Math.exp(-hours / timeConstantHours(model));
	const held = Math.min(slowest, Math.exp(-hours * heldRate(request)));
	let start = restAtWarmest(request);
	let control: ControlState | undefined;
	let before: Tried | null = null;
	let cooler: Tried | null = null;
	let warmer: Tried | null = null;
	let last = false;
	for (let runs = 1; ; runs++) {
		const run = simulate({ ...request, start, ...(control ? { control } : {}) });
		const now: Tried = { fabricC: start[1]!, gapC: run.end[1]! - start[1]!, run };
		const size = Math.abs(now.gapC);
		const near = Math.max((CLOSED_SHARE * heatOf(run)) / model.fabricCapacity, CLOSED_K);
		if (last || (runs > 1 && size <= near)) return { run, heatJ: heatOf(run), runs };
		// the first week begins at rest, which is no beginning of its own: it tells where to look, not more
		if (runs > 1) {
			if (now.gapC > 0 && (!cooler || now.fabricC > cooler.fabricC)) cooler = now;
			if (now.gapC < 0 && (!warmer || now.fabricC < warmer.fabricC)) warmer = now;
		}
		const apart = cooler && warmer ? warmer.fabricC - cooler.fabricC : Infinity;
		if (apart <= APART_K || runs >= MOST_RUNS) return between(cooler, warmer, now, runs);
		// how much of a change at the beginning is left at the end: as the last two runs tell, or as the room would
		let left = run.starts > 0 ? held : slowest;
		if (before && Math.abs(now.fabricC - before.fabricC) > 1e-9)
			left = 1 + (now.gapC - before.gapC) / (now.fabricC - before.fabricC);
		left = Math.min(Math.max(left, 0), slowest);
		let next = now.fabricC + now.gapC / (1 - left);
		if (cooler && warmer && !(next > cooler.fabricC && next < warmer.fabricC))
			next = (cooler.fabricC + warmer.fabricC) / 2;
		before = runs > 1 ? now : null;
		// what is left after another plain week is small enough: no need to jump
		last = (slowest / (1 - slowest)) * size <= near;
		const [air, , emitter, sensor] = run.end as [number, number, number, number];
		start = last ? run.end : [air, next, emitter, sensor];
		control = run.control;
	}

	/** Of two beginnings that do not close the one that nearly does, with the heat of both in their long-run shares. */
	function between(low: Tried | null, high: Tried | null, now: Tried, runs: number): Closed {
		if (!low || !high) return { run: now.run, heatJ: heatOf(now.run), runs };
		const share = -high.gapC / (low.gapC - high.gapC);
		const { run } = Math.abs(low.gapC) < Math.abs(high.gapC) ? low : high;
		return { run, heatJ: share * heatOf(low.run) + (1 - share) * heatOf(high.run), runs };
	}
}

/**
 * Where to begin to look: at rest at the warmest setpoint; on a switch as much of the way from off to on as it is on.
 * A setback that is never reached so changes nothing at all.
 */
function restAtWarmest(request: SimulationRequest): readonly number[] {
	const { setpointC, outdoorC } = request;
	const minutes = setpointC.length;
	let warmest = -Infinity;
	let on = 0;
	let outdoor = 0;
	for (let i = 0; i < minutes; i++) {
		outdoor += outdoorC[i]! / minutes;
		if (Number.isNaN(setpointC[i]!)) continue;
		warmest = Math.max(warmest, setpointC[i]!);
		on += 1 / minutes;
	}
	const off = restAt(request, NaN, outdoor);
	if (on === 0) return off;
	return restAt(request, warmest, outdoor).map((c, i) => off[i]! + on * (c - off[i]!));
}
