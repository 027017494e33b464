import type { Grouping } from '../../src/core/control';
import { DAY_MINUTES, splitByDay, type WeekSteps } from '../../src/core/week';

/**
 * The fit written down as a mixed-integer program in LP text, independently of the search in
 * core/fit: held values per day and interval, events per group and interval. Only event indicators
 * are integers; with them fixed the rest is a choice of one value for each connected stretch, whose
 * optimum is integral.
 */
export interface MilpCase {
	readonly target: WeekSteps<number>;
	readonly grouping: Grouping;
	readonly values: readonly number[];
	readonly weights: { readonly cold: number; readonly warm: number };
	/** Starts of the intervals of a day between which nothing may change; the first is 0. */
	readonly times: readonly number[];
	/** On a control that also cools: the cooling target and the setpoint that goes with each value. */
	readonly cool?: { readonly target: WeekSteps<number>; readonly values: readonly number[] };
	/** Index of the value that rules before the first event of a day, where nothing is carried over. */
	readonly beforeFirst?: number;
}

function intervalCost(problem: MilpCase): number[][][] {
	const { target, values, cool, weights, times } = problem;
	const heating = costsOf(target, times, values, weights.cold, weights.warm);
	if (!cool) return heating;
	// too high a cooling setpoint is too little cooling, and counts as cold does
	const cooling = costsOf(cool.target, times, cool.values, weights.warm, weights.cold);
	return heating.map((day, d) => day.map((row, s) => row.map((cost, v) => cost + cooling[d]![s]![v]!)));
}

/** For each day, interval and value: the sum over its minutes of `low` or `high` times how far the value is under or over. */
function costsOf(
	target: WeekSteps<number>,
	times: readonly number[],
	values: readonly number[],
	low: number,
	high: number
): number[][][] {
	return splitByDay(target).map((spans) =>
		times.map((from, s) => {
			const to = times[s + 1] ?? DAY_MINUTES;
			return values.map((value) => {
				let cost = 0;
				for (const span of spans) {
					const minutes = Math.min(span.to, to) - Math.max(span.from, from);
					if (minutes <= 0) continue;
					const short = span.value - value;
					cost += minutes * (short > 0 ? low * short : -high * short);
				}
				return cost;
			});
		})
	);
}

const sum = (terms: string[]) => (terms.length === 0 ? '0' : terms.join(' + ').replace(/\+ -/g, '- '));

/**
 * Events that carry over midnight: at most `most` a group or, `forced`, exactly that many. A forced
 * event may repeat the value before on any step after the first event, so all that forcing asks is a
 * first event with room for the others behind it. Each group is a path through the day: s starts it, f goes from one
 * event to the next, l runs from the last event to midnight on a value; q says, for each day, what it
 * is handed and when the path starts, so that what one day ends on is what the next is handed.
 */
export function eventsLp(problem: MilpCase, mostOf: number | readonly number[], forced: boolean): string {
	const { grouping, values, times } = problem;
	const cost = intervalCost(problem);
	const groupOf = Array.from({ length: 7 }, (_, day) => grouping.groups.findIndex((g) => g.includes(day)));
	const end = times.length;
	const until = (day: number, v: number, s: number) =>
		cost[day]!.slice(0, s).reduce((t, row) => t + row[v]!, 0);
	const objective: string[] = [];
	const rules: string[] = [];
	const binaries: string[] = [];
	grouping.groups.forEach((days, g) => {
		const most = typeof mostOf === 'number' ? mostOf : mostOf[g]!;
		const between = (v: number, i: number, j: number) =>
			days.reduce((t, day) => t + until(day, v, j) - until(day, v, i), 0);
		const used: string[] = [];
		const starts = [...times.keys(), end].map((i) => `s_${g}_${i}`);
		binaries.push(...starts);
		rules.push(`${sum(forced ? starts.slice(0, end - most + 1) : starts)} = 1`);
		if (forced) rules.push(`${sum(starts.slice(end - most + 1))} = 0`);
		times.forEach((_, i) => {
			const out = values.map((_, v) => {
				objective.push(`${between(v, i, end)} l_${g}_${i}_${v}`);
				return `l_${g}_${i}_${v}`;
			});
			for (let j = i + 1; j < end; j++) {
				objective.push(`${Math.min(...values.map((_, v) => between(v, i, j)))} f_${g}_${i}_${j}`);
				out.push(`f_${g}_${i}_${j}`);
			}
			used.push(...out);
			binaries.push(...out);
			const into = times.slice(0, i).map((_, h) => ` - f_${g}_${h}_${i}`);
			rules.push(`${sum(out)} - s_${g}_${i}${into.join('')} = 0`);
		});
		rules.push(`${sum(used)} <= ${most}`);
		for (const day of days) {
			for (let i = 0; i <= end; i++)
				rules.push(`${sum(values.map((_, v) => `q_${day}_${v}_${i}`))} - s_${g}_${i} = 0`);
			values.forEach((_, v) => {
				const all = [...times.keys(), end].map((i) => `q_${day}_${v}_${i}`);
				all.forEach((q, i) => objective.push(`${until(day, v, i)} ${q}`));
				rules.push(`${sum(all)} - c_${day}_${v} = 0`);
			});
		}
	});
	for (let day = 0; day < 7; day++) {
		const before = (day + 6) % 7;
		values.forEach((_, v) => {
			if (problem.beforeFirst !== undefined) {
				rules.push(`c_${day}_${v} = ${v === problem.beforeFirst ? 1 : 0}`);
				return;
			}
			const ends = times.map((_, i) => `l_${groupOf[before]}_${i}_${v}`);
			rules.push(`c_${day}_${v} - q_${before}_${v}_${end} - ${ends.join(' - ')} = 0`);
		});
	}
	return lp(objective, rules, binaries);
}

/** One value a slot from at most `settings` values chosen for the whole week; nothing carries over. */
export function slotsLp(problem: MilpCase, settings: number): string {
	const { grouping, values, times } = problem;
	const cost = intervalCost(problem);
	const objective: string[] = [];
	const rules: string[] = [];
	grouping.groups.forEach((days, g) =>
		times.forEach((_, s) => {
			values.forEach((_, v) => {
				const c = days.reduce((total, day) => total + cost[day]![s]![v]!, 0);
				if (c !== 0) objective.push(`${c} x_${g}_${s}_${v}`);
				rules.push(`x_${g}_${s}_${v} - u_${v} <= 0`);
			});
			rules.push(`${sum(values.map((_, v) => `x_${g}_${s}_${v}`))} = 1`);
		})
	);
	rules.push(`${sum(values.map((_, v) => `u_${v}`))} <= ${settings}`);
	return lp(
		objective,
		rules,
		values.map((_, v) => `u_${v}`)
	);
}

/** Pairs within the day, at most `most` a group; values are [off, on]. `endsBefore`: off again before midnight, in the last interval at the latest. */
export function pairsLp(problem: MilpCase, most: number, endsBefore = false): string {
	const { grouping, times } = problem;
	const cost = intervalCost(problem);
	const objective: string[] = [];
	const rules: string[] = [];
	const binaries: string[] = [];
	grouping.groups.forEach((days, g) => {
		times.forEach((_, s) => {
			const total = (v: number) => days.reduce((t, day) => t + cost[day]![s]![v]!, 0);
			// cost of on minus cost of off; the off cost is a constant, added by hand through x_off
			objective.push(`${total(1)} x_${g}_${s}`, `${total(0)} o_${g}_${s}`);
			rules.push(`x_${g}_${s} + o_${g}_${s} = 1`);
			const before = s === 0 ? '' : ` + x_${g}_${s - 1}`;
			rules.push(`p_${g}_${s} - x_${g}_${s}${before} >= 0`);
			binaries.push(`x_${g}_${s}`);
		});
		if (endsBefore) rules.push(`x_${g}_${times.length - 1} = 0`);
		rules.push(`${sum(times.map((_, s) => `p_${g}_${s}`))} <= ${most}`);
	});
	return lp(objective, rules, binaries);
}

function lp(objective: string[], rules: string[], binaries: string[]): string {
	const wrap = (text: string) => text.replace(/((?:\S+ ){12})/g, '$1\n ');
	return `Minimize\n obj: ${wrap(sum(objective))}\nSubject To\n${rules
		.map((rule, i) => ` c${i}: ${wrap(rule)}`)
		.join('\n')}\nBinary\n ${wrap(binaries.join(' '))}\nEnd\n`;
}

/** The intervals at whose starts an event can stand in an optimum: breakpoints rounded both ways, midnight, the last step. */
export function candidateStarts(target: WeekSteps<number>, step: number): number[] {
	const times = new Set([0, DAY_MINUTES - step]);
	for (const spans of splitByDay(target))
		for (const { from } of spans) {
			times.add(Math.floor(from / step) * step);
			times.add(Math.min(Math.ceil(from / step) * step, DAY_MINUTES - step));
		}
	return [...times].sort((a, b) => a - b);
}
