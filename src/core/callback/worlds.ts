import type { Asking } from '../house';
import { warmUp } from '../thermal';
import { valueAt, WEEK_MINUTES, type WeekSteps } from '../week';
import type { CalledZone } from './cause';

/** The grain in which a week is looked at, in minutes. */
export const SLOT_MINUTES = 10;
export const SLOTS = WEEK_MINUTES / SLOT_MINUTES;

/** A room of which nothing is known: minutes until it is warm, and until it is no longer (common practice). */
export const USUAL_RISE_MINUTES = 40;
const COOLS_TIMES_SLOWER = 3;

/** A slot of the week, counted on round Sunday. */
export const around = (i: number) => ((i % SLOTS) + SLOTS) % SLOTS;
/** A week as a clock that is ahead by so many slots has it. */
export const rotate = <Week extends Uint8Array | Float64Array>(of: Week, slots: number): Week =>
	of.map((_, i) => of[around(i + slots)]!) as Week;

/** When a room is warm whose heating runs so, if it takes so many minutes to warm: nothing is gained past warm, and it cools three times as slowly. Never where it does not get there. */
export function warmthOf(heats: Uint8Array, riseMinutes: number | null): Uint8Array {
	const warm = new Uint8Array(SLOTS);
	if (riseMinutes === null) return warm;
	const up = SLOT_MINUTES / Math.max(SLOT_MINUTES, riseMinutes);
	const down = up / COOLS_TIMES_SLOWER;
	let level = 0.5;
	// twice round, so that the week closes on itself
	for (let i = 0; i < 2 * SLOTS; i++) {
		level = Math.min(1.15, Math.max(0, level + (heats[i % SLOTS] ? up : -down)));
		if (i >= SLOTS) warm[i - SLOTS] = level >= 1 - 1e-9 ? 1 : 0;
	}
	return warm;
}

/** So far under the warmest of a week, and at so much, a household calls it cold by day, in K and °C: common practice. */
const [COMFORT_K, FROST_C] = [3, 12];

/**
 * When a held week is warm as a household calls it, by slot: near the warmest of its week. What of it asks what feeds the zone is another question
 * (`house/asking.ts`): a study at 18 °C asks, and who works there at 21 calls it cold.
 */
export function asks(held: WeekSteps<number>, like: Pick<Asking, 'held' | 'isSwitch'>): Uint8Array {
	const warmestC = Math.max(...like.held.map(({ value }) => value));
	const isWarm = (value: number) =>
		like.isSwitch ? value >= 0.5 : value > FROST_C && value > warmestC - COMFORT_K + 1e-9;
	return Uint8Array.from({ length: SLOTS }, (_, i) => (isWarm(valueAt(held, i * SLOT_MINUTES)) ? 1 : 0));
}

/** How warm a held week asks it to be, by slot, against the lowest and highest of the one that was planned. */
export function levelsOf(held: WeekSteps<number>, planned: WeekSteps<number>): Float64Array {
	const values = planned.map(({ value }) => value);
	const [low, high] = [Math.min(...values), Math.max(...values)];
	return Float64Array.from({ length: SLOTS }, (_, i) => {
		const at = valueAt(held, i * SLOT_MINUTES);
		return high > low ? Math.min(1.2, Math.max(0, (at - low) / (high - low))) : 0;
	});
}

/** Minutes that the room needs from its setback to comfort at an outdoor temperature; null where it never gets there. */
export function riseOf({ zone, outdoorC }: CalledZone): number | null {
	if (!zone.room) return USUAL_RISE_MINUTES;
	const setpoints = zone.levels.map(({ setpointC }) => setpointC);
	const comfortC = Math.max(...setpoints);
	const setbackC = Math.max(...setpoints.filter((c) => c < comfortC - 1), comfortC - 5);
	return warmUp(zone.room, { beforeC: comfortC, setbackC, minutes: 480, comfortC }, outdoorC).minutes;
}
