/**
 * A cost that is compared in two ranks. `main` holds misfit and, in its low bits, the number of
 * events; `tie` is the negated held warmth, so that of equal programs the one with the earlier rise
 * and the later fall wins. Both are whole numbers below 2^53, so sums and comparisons are exact.
 */
export interface Cost {
	readonly main: number;
	readonly tie: number;
}

/** Steps per kelvin inside the fit: 0.1 K and whole °F both fall on whole ninetieths. */
export const STEPS_PER_KELVIN = 90;

/** Room for the count of events below one unit of misfit. A week holds at most 7 · 12 events. */
export const EVENT_ROOM = 256;

/** A temperature in °C as whole ninetieths of a kelvin. */
export function scaled(celsius: number): number {
	return Math.round(celsius * STEPS_PER_KELVIN);
}

/** Whether the first cost is strictly lower. */
export function lower(mainA: number, tieA: number, mainB: number, tieB: number): boolean {
	return mainA < mainB || (mainA === mainB && tieA < tieB);
}

/** What a minute too cold and a minute too warm weigh against each other; whole numbers 0 … 1000, not both 0. */
export interface Weights {
	readonly cold: number;
	readonly warm: number;
}

/** The default: a kelvin-minute too cold counts as four too warm (docs/domain.md §5). */
export const defaultWeights: Weights = { cold: 4, warm: 1 };
