import { WEEK_DAYS } from '../week';
import { lower, type Cost } from './cost';
import { bestFirst, eventTable, type EventTable, type GroupBest } from './eventTable';
import type { GroupTarget } from './groupTarget';

/** What one group does in a solution: its last value and first time, or nothing at all. */
type Choice = { last: number; first: number } | 'empty';

/** Events of each group as (minute of the day, index of value), with the cost of the whole week. */
export interface CoupledSolution extends Cost {
	readonly events: readonly (readonly { at: number; value: number }[])[];
	/** Bits of the values that every optimal program uses. */
	readonly needed: number;
}

/** A solution before its events are read off. */
interface Coupled extends Cost {
	readonly needed: number;
	readonly choices: readonly Choice[];
}

export interface EventProblem {
	readonly groups: readonly GroupTarget[];
	readonly values: readonly number[];
	/** Most events of each group. */
	readonly maxEvents: readonly number[];
	/** Whether a group may have no event at all and simply keep what is carried in. */
	readonly mayBeEmpty: boolean;
	/** The latest minute at which a group's first event may stand (forced periods need room after it). */
	readonly latestFirst: readonly number[];
	/** The value that rules before the first event of any day; null where it is what the day before ended on. */
	readonly beforeFirst: number | null;
}

/** A cost that can be looked up: one group's best, given its last value and what each of its days is handed. */
function groupCost(problem: EventProblem, tables: readonly EventTable[]) {
	const memo = new Map<string, GroupBest>();
	return (group: number, last: number, carried: readonly number[]) => {
		const key = `${group}/${last}/${carried.join()}`;
		let found = memo.get(key);
		if (!found) {
			const { groups, values, latestFirst } = problem;
			found = bestFirst(groups[group]!, tables[group]!, values, last, carried, latestFirst[group]!);
			memo.set(key, found);
		}
		return found;
	};
}

function emptyCost(problem: EventProblem, group: number, carried: readonly number[]): GroupBest {
	const { prefix, times } = problem.groups[group]!;
	const end = times.length - 1;
	let main = 0;
	let tie = 0;
	carried.forEach((value, d) => {
		main += prefix[d]![value]![end]!;
		tie -= problem.values[value]! * times[end]!;
	});
	return { main, tie, first: -1, needed: 0 };
}

/**
 * Groups whose days follow each other round the week: a ring. For every value that may be carried
 * into the first group the cheapest way round is found by dynamic programming; the way that ends
 * with the value it began with closes the ring.
 */
function solveRing(problem: EventProblem, order: readonly number[], tables: readonly EventTable[]): Coupled {
	const width = problem.values.length;
	const cost = groupCost(problem, tables);
	const steps = order.map((group) => {
		const days = problem.groups[group]!.days.length;
		return problem.values.map((_, carried) =>
			problem.values.map((_, last) => {
				const into = Array.from({ length: days }, (_, d) => (d === 0 ? carried : last));
				return cost(group, last, into);
			})
		);
	});
	const empties = order.map((group) =>
		problem.values.map((_, carried) =>
			emptyCost(problem, group, new Array(problem.groups[group]!.days.length).fill(carried))
		)
	);
	type State = { main: number; tie: number; needed: number; from: State | null; choice: Choice | null };
	const add = (from: State, part: GroupBest, choice: Choice): State => ({
		main: from.main + part.main,
		tie: from.tie + part.tie,
		needed: from.needed | part.needed,
		from,
		choice
	});
	const better = (now: State | null | undefined, next: State): State => {
		if (!now || next.main < now.main) return next;
		if (next.main > now.main) return now;
		const needed = now.needed & next.needed;
		return { ...(next.tie < now.tie ? next : now), needed };
	};
	let best: State | null = null;
	for (let start = 0; start < width; start++) {
		// two layers: no event so far, or at least one; a program without any event says nothing
		let none: State | null = { main: 0, tie: 0, needed: 0, from: null, choice: null };
		let some: (State | null)[] = new Array(width).fill(null);
		for (let g = 0; g < order.length; g++) {
			const before = some;
			const beforeNone: State | null = none;
			some = new Array(width).fill(null);
			for (let carried = 0; carried < width; carried++) {
				const from = before[carried];
				const fromNone = carried === start ? beforeNone : null;
				if (from && problem.mayBeEmpty)
					some[carried] = better(some[carried], add(from, empties[g]![carried]!, 'empty'));
				if (!from && !fromNone) continue;
				for (let last = 0; last < width; last++) {
					const part = steps[g]![carried]![last]!;
					if (part.main === Infinity) continue;
					const choice = { last, first: part.first };
					if (from) some[last] = better(some[last], add(from, part, choice));
					if (fromNone) some[last] = better(some[last], add(fromNone, part, choice));
				}
			}
			none = beforeNone && problem.mayBeEmpty ? add(beforeNone, empties[g]![start]!, 'empty') : null;
		}
		const closed = some[start];
		if (closed) best = better(best, closed);
	}
	const choices: Choice[] = new Array(order.length);
	let state: State = best!;
	for (let g = order.length - 1; g >= 0; g--) {
		choices[order[g]!] = state.choice!;
		state = state.from!;
	}
	return { main: best!.main, tie: best!.tie, needed: best!.needed, choices };
}

/**
 * Any grouping, contiguous or not: every assignment of last values to groups, cut short where even
 * the sum of each group's cheapest cannot beat the best found.
 */
function solveAny(
	problem: EventProblem,
	groupOfDay: readonly number[],
	tables: readonly EventTable[]
): Coupled {
	const count = problem.groups.length;
	const width = problem.values.length;
	const cost = groupCost(problem, tables);
	const EMPTY = width;
	const bounds = problem.groups.map((group, g) => {
		const end = group.times.length - 1;
		const least = (i: number) =>
			group.prefix.reduce((sum, ofDay) => sum + Math.min(...ofDay.map((row) => row[i]!)), 0);
		const row: number[] = problem.values.map((_, last) => {
			let bound = Infinity;
			for (let i = 0; i < end && group.times[i]! <= problem.latestFirst[g]!; i++)
				bound = Math.min(bound, least(i) + tables[g]!.main[i * width + last]!);
			return bound;
		});
		row.push(problem.mayBeEmpty ? least(end) : Infinity);
		return row;
	});
	const restBound = new Array<number>(count + 1).fill(0);
	for (let g = count - 1; g >= 0; g--) restBound[g] = restBound[g + 1]! + Math.min(...bounds[g]!);

	let best: Coupled | undefined;
	const chosen: number[] = new Array(count).fill(0);
	const leaf = () => {
		if (chosen.every((value) => value === EMPTY)) return;
		const carriedInto = (day: number) => {
			let before = day;
			do before = (before + WEEK_DAYS - 1) % WEEK_DAYS;
			while (chosen[groupOfDay[before]!] === EMPTY);
			return chosen[groupOfDay[before]!]!;
		};
		let main = 0;
		let tie = 0;
		let needed = 0;
		const choices: Choice[] = [];
		for (let g = 0; g < count; g++) {
			const carried = problem.groups[g]!.days.map(carriedInto);
			const part = chosen[g] === EMPTY ? emptyCost(problem, g, carried) : cost(g, chosen[g]!, carried);
			main += part.main;
			tie += part.tie;
			needed |= part.needed;
			choices.push(chosen[g] === EMPTY ? 'empty' : { last: chosen[g]!, first: part.first });
		}
		if (main === Infinity || (best && main > best.main)) return;
		if (best && main === best.main) needed &= best.needed;
		best =
			best && !lower(main, tie, best.main, best.tie) ? { ...best, needed } : { main, tie, needed, choices };
	};
	const descend = (g: number, sum: number) => {
		if (best && sum + restBound[g]! > best.main) return;
		if (g === count) return leaf();
		const order = bounds[g]!.map((bound, value) => ({ bound, value })).sort((a, b) => a.bound - b.bound);
		for (const { bound, value } of order) {
			if (bound === Infinity) continue;
			chosen[g] = value;
			descend(g + 1, sum + bound);
		}
	};
	descend(0, 0);
	return best!;
}

/** Days that begin on a value of their own: nothing is carried over, so every group is best by itself. */
function solveApart(problem: EventProblem, beforeFirst: number, tables: readonly EventTable[]): Coupled {
	const cost = groupCost(problem, tables);
	let main = 0;
	let tie = 0;
	let needed = 0;
	const choices = problem.groups.map((group, g): Choice => {
		const carried = new Array<number>(group.days.length).fill(beforeFirst);
		let best: { part: GroupBest; choice: Choice } | null = problem.mayBeEmpty
			? { part: emptyCost(problem, g, carried), choice: 'empty' }
			: null;
		problem.values.forEach((_, last) => {
			const part = cost(g, last, carried);
			if (part.main === Infinity) return;
			if (!best || lower(part.main, part.tie, best.part.main, best.part.tie))
				best = { part, choice: { last, first: part.first } };
		});
		main += best!.part.main;
		tie += best!.part.tie;
		needed |= best!.part.needed;
		return best!.choice;
	});
	return { main, tie, needed, choices };
}

/** Groups in the order in which they come round the week, or null if one of them comes up twice. */
function ringOrder(groupOfDay: readonly number[]): number[] | null {
	const runs: number[] = [];
	for (let day = 0; day < WEEK_DAYS; day++) {
		if (runs.length === 0 || groupOfDay[day] !== runs.at(-1)) runs.push(groupOfDay[day]!);
	}
	if (runs.length > 1 && runs[0] === runs.at(-1)) runs.pop();
	return new Set(runs).size === runs.length ? runs : null;
}

/** The group's days in the order in which they follow each other round the week, beginning after a foreign day. */
export function inRunningOrder(days: readonly number[]): number[] {
	const sorted = [...days].sort((a, b) => a - b);
	const start = sorted.findIndex((day) => !sorted.includes((day + WEEK_DAYS - 1) % WEEK_DAYS));
	return start <= 0 ? sorted : [...sorted.slice(start), ...sorted.slice(0, start)];
}

/**
 * The exact optimum of an event program over the whole week. The groups' days must stand in running
 * order ({@link inRunningOrder}).
 */
export function solveCoupled(problem: EventProblem): CoupledSolution {
	const groupOfDay: number[] = [];
	problem.groups.forEach((group, g) => group.days.forEach((day) => (groupOfDay[day] = g)));
	const tables = problem.groups.map((group, g) => eventTable(group, problem.values, problem.maxEvents[g]!));
	const order = ringOrder(groupOfDay);
	const best =
		problem.beforeFirst !== null
			? solveApart(problem, problem.beforeFirst, tables)
			: order
				? solveRing(problem, order, tables)
				: solveAny(problem, groupOfDay, tables);
	const events = best.choices.map((choice, g) =>
		choice === 'empty'
			? []
			: tables[g]!.trace(choice.first, choice.last).map(({ time, value }) => ({
					at: problem.groups[g]!.times[time]!,
					value
				}))
	);
	return { main: best.main, tie: best.tie, needed: best.needed, events };
}
