import type { Room } from '../plan';
import { DAY_MINUTES, WEEK_MINUTES } from '../week';
import { floorLimitOf } from './classes';
import { closeIdeal, IDEAL_STEP, runIdeal, stateAt, stepsToReach, type IdealRoom, type Track } from './ideal';
import { governedOf, heldAt, highestUnder, roomModel, steadyState, type RoomModel } from './roomModel';
import { steadyOutdoor, type Outdoor } from './weather';

/** How a room warms from a setback to comfort at one outdoor temperature. */
export interface WarmUp {
	readonly outdoorC: number;
	/** Minutes before the need at which the heating must begin; null where it never gets there. */
	readonly minutes: number | null;
	/** How far what is governed has fallen when the heating begins, in °C. */
	readonly fromC: number;
	/** The highest it reaches with the heating on for good. */
	readonly highestC: number;
}

/** A night before a rise: what it is held at before, what it falls to, for how long until the need, and what is wanted then. °C and minutes. */
export interface Night {
	readonly beforeC: number;
	readonly setbackC: number;
	readonly minutes: number;
	readonly comfortC: number;
}

/** Within so much of comfort a room counts as warm, in K. */
export const REACHED_K = 0.25;

/** A room regulated ideally: guarded as its sensor says. */
export function idealRoom(room: Room, model: RoomModel = roomModel(room)): IdealRoom {
	return { model, guardC: room.sensor === 'air-with-floor-guard' ? floorLimitOf(room) : null };
}

/** The highest that what is governed reaches with the heating on for good, in °C, as far as a guarded floor lets it. */
export function highestOf({ model, guardC }: IdealRoom, outdoorC: number): number {
	const on = steadyState(model, true, outdoorC);
	const highest = governedOf(model, on[0]!, on[2]!);
	return guardC !== null && model.surfaceShare !== null
		? Math.min(highest, highestUnder(model, guardC, outdoorC))
		: highest;
}

/**
 * The latest beginning of the heating with which a night ends warm: a night that is cut short by its own lead has fallen
 * less, so the two are found together. `track` is the night without a lead from its beginning to its need, by step. Returns
 * the minutes before the need (not rounded) and from what it begins; null where not even heating all night is enough.
 */
export function leadOfNight(
	room: IdealRoom,
	track: Track,
	goalC: number,
	outdoorC: Float64Array
): { readonly minutes: number; readonly fromC: number } | null {
	const n = outdoorC.length;
	const left = (step: number) =>
		n - step - stepsToReach(room, stateAt(track, step), goalC, n - step, (i) => outdoorC[step + i]!);
	const governed = (step: number) => {
		const x = stateAt(track, step);
		return governedOf(room.model, x[0]!, x[2]!);
	};
	if (governed(n) >= goalC) return { minutes: 0, fromC: governed(n) };
	if (left(0) < 0) return null;
	let [early, late] = [0, n];
	while (late - early > 1) {
		const middle = (early + late) >> 1;
		if (left(middle) >= 0) early = middle;
		else late = middle;
	}
	return { minutes: (n - early - Math.min(left(early), 0.999)) * IDEAL_STEP, fromC: governed(early) };
}

/** How many steps a night's period has: a night that comes every day, a longer one every week. */
const periodSteps = (night: Night) => (night.minutes < DAY_MINUTES ? DAY_MINUTES : WEEK_MINUTES) / IDEAL_STEP;

/** By step of a night's period, which ends with its need: how far it is outside above the mean of the day, in K. */
function swingOf(night: Night, aboveMean: Outdoor, endsAt: number): Float64Array {
	const steps = periodSteps(night);
	return Float64Array.from({ length: steps }, (_, i) => aboveMean(endsAt - (steps - i - 0.5) * IDEAL_STEP));
}

/** A night that comes again and again, with the rest of its period between: the night itself, without a lead. */
function nightOver(
	room: IdealRoom,
	night: Night,
	swing: Float64Array,
	meanC: number,
	guess?: ArrayLike<number>
): { readonly track: Track; readonly outdoorC: Float64Array; readonly begins: ArrayLike<number> } {
	const steps = swing.length;
	const nightSteps = Math.min(Math.round(night.minutes / IDEAL_STEP), steps - 1);
	const setpointC = new Float64Array(steps).fill(night.beforeC, 0, steps - nightSteps);
	setpointC.fill(night.setbackC, steps - nightSteps);
	const outdoorC = swing.map((k) => meanC + k);
	const most = Math.min(night.beforeC, highestOf(room, meanC));
	const track = closeIdeal(room, guess ?? heldAt(room.model, most, meanC).state, setpointC, outdoorC);
	return {
		track: track.subarray((steps - nightSteps) * 4),
		outdoorC: outdoorC.subarray(steps - nightSteps),
		begins: stateAt(track, 0)
	};
}

function warmUpOf(
	room: IdealRoom,
	night: Night,
	swing: Float64Array,
	outdoorC: number,
	guess?: ArrayLike<number>
): WarmUp & { readonly begins: ArrayLike<number> } {
	const highestC = highestOf(room, outdoorC);
	const goalC = night.comfortC - REACHED_K;
	const over = nightOver(room, night, swing, outdoorC, guess);
	const lead = highestC < goalC ? null : leadOfNight(room, over.track, goalC, over.outdoorC);
	const last = stateAt(over.track, over.outdoorC.length);
	return {
		outdoorC,
		minutes: lead && Math.ceil(lead.minutes),
		fromC: lead?.fromC ?? governedOf(room.model, last[0]!, last[2]!),
		highestC,
		begins: over.begins
	};
}

/**
 * How long before a need a room must be heated so that its night ends warm, with the heating on from then. `aboveMean` is
 * the day's outdoor curve above its mean (K), `outdoorC` that mean, `endsAt` the minute of the day of the need. The night is
 * one that comes again every day (a longer one every week), so that a slow room is as cold as it really gets.
 */
export function warmUp(
	room: Room,
	night: Night,
	outdoorC: number,
	aboveMean: Outdoor = steadyOutdoor(0),
	endsAt = 0
): WarmUp {
	const { begins: _, ...made } = warmUpOf(
		idealRoom(room),
		night,
		swingOf(night, aboveMean, endsAt),
		outdoorC
	);
	return made;
}

/** The outdoor temperatures of a warm-up curve: −15 … +15 °C. */
export const CURVE_OUTDOOR = Array.from({ length: 31 }, (_, i) => i - 15);

/** {@link warmUp} against the mean outdoor temperature of the day, coldest first. */
export function warmUpCurve(
	room: Room,
	night: Night,
	aboveMean: Outdoor = steadyOutdoor(0),
	endsAt = 0
): WarmUp[] {
	const ideal = idealRoom(room);
	const swing = swingOf(night, aboveMean, endsAt);
	// a degree warmer outside a room begins its day nearly as it did
	let guess: ArrayLike<number> | undefined;
	return CURVE_OUTDOOR.map((outdoorC) => {
		const { begins, ...made } = warmUpOf(ideal, night, swing, outdoorC, guess);
		guess = begins;
		return made;
	});
}

/** How far what is governed would fall in such a night with the heating off altogether, in °C. */
export function overnightLow(
	room: Room,
	night: Night,
	outdoorC: number,
	aboveMean: Outdoor = steadyOutdoor(0),
	endsAt = 0
): number {
	const ideal = idealRoom(room);
	const over = nightOver(ideal, night, swingOf(night, aboveMean, endsAt), outdoorC);
	const n = over.outdoorC.length;
	const off = runIdeal(ideal, stateAt(over.track, 0), new Float64Array(n).fill(NaN), over.outdoorC);
	const end = stateAt(off, n);
	return governedOf(ideal.model, end[0]!, end[2]!);
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
