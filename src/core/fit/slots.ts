import { DAY_MINUTES } from '../week';
import { lower, type Cost } from './cost';
import type { GroupTarget } from './groupTarget';

export interface SlotSolution extends Cost {
	/** Indices of the values chosen as settings, warmest first. */
	readonly settings: readonly number[];
	/** For each group and slot the index into `settings`. */
	readonly slots: readonly (readonly number[])[];
}

/** All ways to take `size` of 0 … count − 1, in rising order. */
export function combinations(count: number, size: number): number[][] {
	if (size === 0) return [[]];
	const result: number[][] = [];
	for (let last = size - 1; last < count; last++)
		for (const head of combinations(last, size - 1)) result.push([...head, last]);
	return result;
}

/** One day's slots among the given settings: cheapest, then fewest changes within the day, then warmest. */
function solveDay(
	slotMain: readonly Float64Array[],
	values: readonly number[],
	settings: readonly number[],
	weight: number,
	slotMinutes: number
): { main: number; tie: number; slots: number[] } {
	const slots = slotMain[0]!.length;
	const width = settings.length;
	let main = settings.map((v) => slotMain[v]![0]!);
	let tie = settings.map((v) => -values[v]! * weight * slotMinutes);
	const from: number[][] = [];
	for (let slot = 1; slot < slots; slot++) {
		const nextMain: number[] = [];
		const nextTie: number[] = [];
		const back: number[] = [];
		for (let s = 0; s < width; s++) {
			let best = 0;
			let bestMain = Infinity;
			let bestTie = Infinity;
			for (let p = 0; p < width; p++) {
				const candidate = main[p]! + (p === s ? 0 : 1);
				if (lower(candidate, tie[p]!, bestMain, bestTie)) {
					best = p;
					bestMain = candidate;
					bestTie = tie[p]!;
				}
			}
			const v = settings[s]!;
			nextMain.push(bestMain + slotMain[v]![slot]!);
			nextTie.push(bestTie - values[v]! * weight * slotMinutes);
			back.push(best);
		}
		main = nextMain;
		tie = nextTie;
		from.push(back);
	}
	let last = 0;
	for (let s = 1; s < width; s++) if (lower(main[s]!, tie[s]!, main[last]!, tie[last]!)) last = s;
	const result = [last];
	for (let slot = slots - 2; slot >= 0; slot--) result.unshift(from[slot]![result[0]!]!);
	return { main: main[last]!, tie: tie[last]!, slots: result };
}

/**
 * The exact optimum of a slot program: which levels the control's few settings should be is part of
 * it, so every choice is tried; within one choice slots are independent but for the tie-break.
 * `values` in rising order, scaled. Group times must hold every slot's start.
 */
export function solveSlots(
	groups: readonly GroupTarget[],
	values: readonly number[],
	settingCount: number,
	slotMinutes: number
): SlotSolution {
	const slots = DAY_MINUTES / slotMinutes;
	const costs = groups.map((group) =>
		values.map((_, v) => {
			const sums = group.prefixSum[v]!;
			const at = (minute: number) => sums[group.times.indexOf(minute)]!;
			return Float64Array.from({ length: slots }, (_, s) => at((s + 1) * slotMinutes) - at(s * slotMinutes));
		})
	);
	const choices = combinations(values.length, Math.min(settingCount, values.length)).map((rising) => {
		const settings = [...rising].reverse();
		let bound = 0;
		for (const cost of costs)
			for (let s = 0; s < slots; s++) bound += Math.min(...settings.map((v) => cost[v]![s]!));
		return { settings, bound };
	});
	const least = Math.min(...choices.map((choice) => choice.bound));
	let best: SlotSolution | undefined;
	for (const { settings, bound } of choices) {
		if (bound > least) continue;
		const days = groups.map((group, g) =>
			solveDay(costs[g]!, values, settings, group.days.length, slotMinutes)
		);
		const main = days.reduce((sum, day) => sum + day.main, 0);
		const tie = days.reduce((sum, day) => sum + day.tie, 0);
		if (!best || lower(main, tie, best.main, best.tie))
			best = { main, tie, settings, slots: days.map((day) => day.slots) };
	}
	return best!;
}
