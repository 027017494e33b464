import { lower, type Cost } from './cost';
import type { GroupTarget } from './groupTarget';

/**
 * For one group: the cheapest way to fill the day from a first event at each candidate time to
 * midnight with at most n events, for every value that may rule at the end of the day.
 */
export interface EventTable {
	/** Cost by [first time · values + last value], from the first event to midnight. */
	readonly main: Float64Array;
	readonly tie: Float64Array;
	/** Bits of the values that every equally cheap way uses. */
	readonly needed: Uint16Array;
	/** The events of that cheapest way, as indices of times and values. */
	trace(first: number, last: number): { time: number; value: number }[];
}

/**
 * Dynamic programming over (candidate time, events left, last value). What rules between two
 * events does not depend on what comes after, so the best value of every stretch is found once.
 */
export function eventTable(group: GroupTarget, values: readonly number[], maxEvents: number): EventTable {
	const { times, prefixSum } = group;
	const end = times.length - 1;
	const width = values.length;
	const weight = group.days.length;

	const stretch = end + 1;
	const stretchMain = new Float64Array(end * stretch);
	const stretchTie = new Float64Array(end * stretch);
	const stretchValue = new Uint8Array(end * stretch);
	const stretchNeeded = new Uint16Array(end * stretch);
	stretchMain.fill(Infinity);
	for (let v = 0; v < width; v++) {
		const sums = prefixSum[v]!;
		const warmth = -values[v]! * weight;
		for (let i = 0; i < end; i++) {
			const base = sums[i]!;
			const from = times[i]!;
			for (let j = i + 1; j < end; j++) {
				const cell = i * stretch + j;
				const main = sums[j]! - base;
				if (main > stretchMain[cell]!) continue;
				const tie = warmth * (times[j]! - from);
				const equal = main === stretchMain[cell]!;
				stretchNeeded[cell] = equal ? 0 : 1 << v;
				if (!equal || tie < stretchTie[cell]!) {
					stretchMain[cell] = main;
					stretchTie[cell] = tie;
					stretchValue[cell] = v;
				}
			}
		}
	}

	// one event: the last value from there to midnight
	let main = new Float64Array(end * width);
	let tie = new Float64Array(end * width);
	let needed = new Uint16Array(end * width);
	for (let i = 0; i < end; i++) {
		for (let v = 0; v < width; v++) {
			needed[i * width + v] = 1 << v;
			main[i * width + v] = prefixSum[v]![end]! - prefixSum[v]![i]! + 1;
			tie[i * width + v] = -values[v]! * weight * (times[end]! - times[i]!);
		}
	}
	// next[k − 1] holds, for k events at most, the index of the event after, or `end` if there is none
	const next: Int16Array[] = [new Int16Array(end * width).fill(end)];
	for (let k = 2; k <= maxEvents; k++) {
		const nextMain = main.slice();
		const nextTie = tie.slice();
		const nextNeeded = needed.slice();
		const follow = next[k - 2]!.slice();
		for (let i = 0; i < end; i++) {
			const row = i * width;
			for (let j = i + 1; j < end; j++) {
				const addMain = stretchMain[i * stretch + j]! + 1;
				const addTie = stretchTie[i * stretch + j]!;
				const bits = stretchNeeded[i * stretch + j]!;
				const from = j * width;
				for (let v = 0; v < width; v++) {
					const candidate = addMain + main[from + v]!;
					if (candidate > nextMain[row + v]!) continue;
					const candidateTie = addTie + tie[from + v]!;
					const equal = candidate === nextMain[row + v]!;
					nextNeeded[row + v] = (bits | needed[from + v]!) & (equal ? nextNeeded[row + v]! : 0xffff);
					if (!equal || candidateTie < nextTie[row + v]!) {
						nextMain[row + v] = candidate;
						nextTie[row + v] = candidateTie;
						follow[row + v] = j;
					}
				}
			}
		}
		main = nextMain;
		tie = nextTie;
		needed = nextNeeded;
		next.push(follow);
	}

	return {
		main,
		tie,
		needed,
		trace(first, last) {
			const events: { time: number; value: number }[] = [];
			let i = first;
			let k = maxEvents;
			for (;;) {
				const j = next[k - 1]![i * width + last]!;
				if (j === end) {
					events.push({ time: i, value: last });
					return events;
				}
				events.push({ time: i, value: stretchValue[i * stretch + j]! });
				i = j;
				k--;
			}
		}
	};
}

/** The cheapest way for one group: when its first event stands, and which values no cheapest way can do without. */
export interface GroupBest extends Cost {
	readonly first: number;
	readonly needed: number;
}

/** The first event's time that is cheapest for a group, given what is carried into each of its days. */
export function bestFirst(
	group: GroupTarget,
	table: EventTable,
	values: readonly number[],
	last: number,
	carried: readonly number[],
	latestFirst: number
): GroupBest {
	const width = values.length;
	let bestMain = Infinity;
	let bestTie = Infinity;
	let best = -1;
	let needed = 0;
	const end = group.times.length - 1;
	for (let i = 0; i < end && group.times[i]! <= latestFirst; i++) {
		let main = table.main[i * width + last]!;
		for (let d = 0; d < carried.length; d++) main += group.prefix[d]![carried[d]!]![i]!;
		if (main > bestMain) continue;
		let tie = table.tie[i * width + last]!;
		for (let d = 0; d < carried.length; d++) tie -= values[carried[d]!]! * group.times[i]!;
		const bits = table.needed[i * width + last]!;
		needed = main === bestMain ? needed & bits : bits;
		if (lower(main, tie, bestMain, bestTie)) {
			bestMain = main;
			bestTie = tie;
			best = i;
		}
	}
	return { main: bestMain, tie: bestTie, first: best, needed };
}
