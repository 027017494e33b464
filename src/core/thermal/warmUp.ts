import type { Room } from '../plan';
import { floorLimitOf } from './classes';
import { heldAt, highestUnder, roomModel, steadyState, type RoomModel } from './roomModel';
import { exactStep, take } from './stepper';

/** How a room warms from a setback to comfort at one outdoor temperature. */
export interface WarmUp {
	readonly outdoorC: number;
	/** Minutes from the rise until the room is at comfort; null where it never gets there. */
	readonly minutes: number | null;
	/** How far the room had fallen at the rise, in °C. */
	readonly fromC: number;
	/** The highest it reaches with the heating on for good. */
	readonly highestC: number;
}

/** A night before a rise: what it is held at before, what it falls to, for how long, and what is wanted. °C and minutes. */
export interface Night {
	readonly beforeC: number;
	readonly setbackC: number;
	readonly minutes: number;
	readonly comfortC: number;
}

/** Within so much of comfort a room counts as warm, in K. */
export const REACHED_K = 0.25;
/** Longer than this nobody waits: a day and a half. */
const LONGEST_MINUTES = 2160;
/** Steps of the search, in minutes: coarse, then fine. */
const COARSE = 10;

/**
 * How far a room falls in a night with the heating held at its setback, from rest at what it was before:
 * the state after `minutes`. Where the fall ends at the setback it is held there.
 */
function fall(model: RoomModel, night: Night, outdoorC: number): Float64Array {
	const x = Float64Array.from(heldAt(model, night.beforeC, outdoorC).state);
	const sums = new Float64Array(2);
	const ten = exactStep(model, false, 600);
	for (let minute = 0; minute + 10 <= night.minutes; minute += 10) {
		take(ten, x, outdoorC, sums);
		if (x[0]! <= night.setbackC) {
			// from here on the control holds it: fabric and emitter go on towards rest at the setback
			const held = heldAt(model, night.setbackC, outdoorC).state;
			const left = (night.minutes - minute - 10) / 60;
			const slow = model.fabricCapacity / (model.airFabric + model.fabricOutside) / 3600;
			const kept = Math.exp(-left / slow);
			x[1] = held[1]! + (x[1]! - held[1]!) * kept;
			x[2] = held[2]! + (x[2]! - held[2]!) * kept;
			x[0] = night.setbackC;
			x[3] = held[3]!;
			return x;
		}
	}
	return x;
}

/** How long a room takes from its night to comfort, with the heating on throughout, at one outdoor temperature. */
export function warmUp(room: Room, night: Night, outdoorC: number, model = roomModel(room)): WarmUp {
	const limit = room.sensor === 'air-with-floor-guard' ? floorLimitOf(room) : null;
	const x = fall(model, night, outdoorC);
	const fromC = x[0]!;
	let highestC = steadyState(model, true, outdoorC)[0]!;
	if (limit !== null && model.surfaceShare !== null)
		highestC = Math.min(highestC, highestUnder(model, limit, outdoorC));
	const goal = night.comfortC - REACHED_K;
	if (fromC >= goal) return { outdoorC, minutes: 0, fromC, highestC };
	if (highestC < goal) return { outdoorC, minutes: null, fromC, highestC };
	const sums = new Float64Array(2);
	const [coarse, fine] = [exactStep(model, true, COARSE * 60), exactStep(model, true, 60)];
	const coarseOff = exactStep(model, false, COARSE * 60);
	for (let minute = 0; minute < LONGEST_MINUTES; minute += COARSE) {
		const before = Float64Array.from(x);
		const surface = (model.surfaceShare ?? 0) * x[2]! + (1 - (model.surfaceShare ?? 0)) * x[0]!;
		take(limit !== null && surface >= limit ? coarseOff : coarse, x, outdoorC, sums);
		if (x[0]! < goal) continue;
		for (let extra = 1; extra <= COARSE; extra++) {
			take(fine, before, outdoorC, sums);
			if (before[0]! >= goal) return { outdoorC, minutes: minute + extra, fromC, highestC };
		}
		return { outdoorC, minutes: minute + COARSE, fromC, highestC };
	}
	return { outdoorC, minutes: null, fromC, highestC };
}

/** The outdoor temperatures of a warm-up curve: −15 … +15 °C. */
export const CURVE_OUTDOOR = Array.from({ length: 31 }, (_, i) => i - 15);

/** Warm-up against outdoor temperature, coldest first. */
export function warmUpCurve(room: Room, night: Night): WarmUp[] {
	const model = roomModel(room);
	return CURVE_OUTDOOR.map((outdoorC) => warmUp(room, night, outdoorC, model));
}

/** How far a room would fall in a night with the heating off altogether, in °C. */
export function overnightLow(room: Room, night: Night, outdoorC: number): number {
	return fall(roomModel(room), { ...night, setbackC: -50 }, outdoorC)[0]!;
}

/** The lowest outdoor temperature (whole °C) down to which a fixed lead is enough; null where it never is on the curve. */
export function enoughDownTo(curve: readonly WarmUp[], leadMinutes: number): number | null {
	let enough: number | null = null;
	for (const point of [...curve].reverse()) {
		if (point.minutes === null || point.minutes > leadMinutes) break;
		enough = point.outdoorC;
	}
	return enough;
}
