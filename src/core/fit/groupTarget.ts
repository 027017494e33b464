import { DAY_MINUTES, splitByDay, type Span, type WeekSteps } from '../week';
import { EVENT_ROOM } from './cost';

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
function candidateTimes<T>(
	days: readonly Span<T>[][],
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

function prefixOf<T>(
	spans: readonly Span<T>[],
	times: readonly number[],
	costPerMinute: (wanted: T) => number
): Float64Array {
	const result = new Float64Array(times.length);
	const costs = spans.map((span) => costPerMinute(span.value));
	let sum = 0;
	let s = 0;
	for (let i = 1; i < times.length; i++) {
		let from = times[i - 1]!;
		const to = times[i]!;
		while (from < to) {
			const until = Math.min(spans[s]!.to, to);
			sum += (until - from) * costs[s]!;
			if (until === spans[s]!.to) s++;
			from = until;
		}
		result[i] = sum * EVENT_ROOM;
	}
	return result;
}

/**
 * Makes the groups ready: candidate times and cost sums. `cost` is the scaled whole-number cost a
 * minute of holding value v while `wanted` is wanted. `extraTimes` adds candidates (on the step)
 * that a form needs beside the breakpoints.
 */
export function groupTargets<T>(
	target: WeekSteps<T>,
	groups: readonly (readonly number[])[],
	stepMinutes: number,
	valueCount: number,
	cost: (wanted: T, value: number) => number,
	extraTimes: readonly number[] = []
): GroupTarget[] {
	const byDay = splitByDay(target);
	return groups.map((days) => {
		const spans = days.map((day) => byDay[day]!);
		const times = candidateTimes(spans, stepMinutes, extraTimes);
		const prefix = spans.map((ofDay) =>
			Array.from({ length: valueCount }, (_, v) => prefixOf(ofDay, times, (wanted) => cost(wanted, v)))
		);
		const prefixSum = Array.from({ length: valueCount }, (_, v) => {
			const sum = new Float64Array(times.length);
			for (const ofDay of prefix) for (let i = 0; i < sum.length; i++) sum[i]! += ofDay[v]![i]!;
			return sum;
		});
		return { days, times, prefix, prefixSum };
	});
}
