import { DAY_MINUTES, splitByDay, type Span, type WeekSteps } from '../week';
import { EVENT_ROOM, scaled, type Weights } from './cost';

/** One group of days that will share a program, made ready for searching. */
export interface GroupTarget {
	readonly days: readonly number[];
	/** Candidate times in rising order, 0 first; the day's end 1440 stands last and is no candidate. */
	readonly times: readonly number[];
	/** For each of the group's days and each value, the cost of holding it from midnight to each time. */
	readonly prefix: readonly (readonly Float64Array[])[];
	/** The same summed over the group's days. */
	readonly prefixSum: readonly Float64Array[];
}

/**
 * Times at which an event can stand in an optimum: the target's breakpoints rounded down and up to
 * the control's step. The misfit is piecewise linear in each event's time between these, so no
 * better time lies elsewhere.
 */
function candidateTimes(
	days: readonly Span<number>[][],
	stepMinutes: number,
	extra: readonly number[]
): number[] {
	const times = new Set<number>([0, DAY_MINUTES, ...extra]);
	for (const spans of days) {
		for (const { from } of spans) {
			const down = Math.floor(from / stepMinutes) * stepMinutes;
			times.add(down);
			if (down !== from) times.add(down + stepMinutes);
		}
	}
	return [...times].filter((t) => t >= 0 && t <= DAY_MINUTES).sort((a, b) => a - b);
}

function prefixOf(
	spans: readonly Span<number>[],
	times: readonly number[],
	value: number,
	weights: Weights
): Float64Array {
	const result = new Float64Array(times.length);
	let sum = 0;
	let s = 0;
	for (let i = 1; i < times.length; i++) {
		let from = times[i - 1]!;
		const to = times[i]!;
		while (from < to) {
			const span = spans[s]!;
			const until = Math.min(span.to, to);
			const short = span.value - value;
			sum += (until - from) * (short > 0 ? weights.cold * short : weights.warm * -short);
			if (until === span.to) s++;
			from = until;
		}
		result[i] = sum * EVENT_ROOM;
	}
	return result;
}

/**
 * Makes the groups ready: candidate times and cost sums. `target` in °C, `values` in scaled units.
 * `extraTimes` adds candidates (on the step) that a form needs beside the breakpoints.
 */
export function groupTargets(
	target: WeekSteps<number>,
	groups: readonly (readonly number[])[],
	stepMinutes: number,
	values: readonly number[],
	weights: Weights,
	extraTimes: readonly number[] = []
): GroupTarget[] {
	const byDay = splitByDay(target).map((spans) =>
		spans.map((span) => ({ ...span, value: scaled(span.value) }))
	);
	return groups.map((days) => {
		const spans = days.map((day) => byDay[day]!);
		const times = candidateTimes(spans, stepMinutes, extraTimes);
		const prefix = spans.map((ofDay) => values.map((value) => prefixOf(ofDay, times, value, weights)));
		const prefixSum = values.map((_, v) => {
			const sum = new Float64Array(times.length);
			for (const ofDay of prefix) for (let i = 0; i < sum.length; i++) sum[i]! += ofDay[v]![i]!;
			return sum;
		});
		return { days, times, prefix, prefixSum };
	});
}
