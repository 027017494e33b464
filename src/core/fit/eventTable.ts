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

/** The cheapest ways from one candidate time to midnight, by [what rules there · values + what rules at the end]. */
interface Ways {
	readonly main: Float64Array;
	readonly tie: Float64Array;
	readonly needed: Uint16Array;
}

const ways = (size: number): Ways => ({
	main: new Float64Array(size).fill(Infinity),
	tie: new Float64Array(size),
	needed: new Uint16Array(size)
});

/**
 * Dynamic programming from midnight backwards over (candidate time, what rules, events left, what rules at the end): at each time
 * what rules goes on, or an event puts another value in its place. Linear in the candidate times.
 */
export function eventTable(group: GroupTarget, values: readonly number[], maxEvents: number): EventTable {
	const { times, prefixSum } = group;
	const end = times.length - 1;
	const width = values.length;
	const square = width * width;
	const weight = group.days.length;

	const table = ways(end * width);
	const firstValue = new Int8Array(end * width);
	/** For k events still to come at most: the value that the next candidate time brings, or −1 where what rules goes on. */
	const decisions = Array.from({ length: maxEvents }, () => new Int8Array(end * square).fill(-1));

	// later[k]: from the time after, with k events to come at most; at midnight only what rules there is at the end
	let later = Array.from({ length: maxEvents }, () => ways(square));
	let now = Array.from({ length: maxEvents }, () => ways(square));
	for (const { main, needed } of later)
		for (let v = 0; v < width; v++) {
			main[v * width + v] = 0;
			needed[v * width + v] = 1 << v;
		}
	for (let i = end - 1; i >= 0; i--) {
		const length = times[i + 1]! - times[i]!;
		for (let k = 0; k < maxEvents; k++) {
			const on = later[k]!;
			const fewer = k > 0 && i + 1 < end ? later[k - 1]! : null;
			const here = now[k]!;
			const chosen = decisions[k]!;
			for (let last = 0; last < width; last++) {
				// the best value to change to at the next time, whatever rules until then
				let toMain = Infinity;
				let toTie = 0;
				let toNeeded = 0;
				let to = -1;
				if (fewer)
					for (let v = 0; v < width; v++) {
						const cell = v * width + last;
						const main = fewer.main[cell]! + 1;
						if (main > toMain || main === Infinity) continue;
						const equal = main === toMain;
						toNeeded = equal ? toNeeded & fewer.needed[cell]! : fewer.needed[cell]!;
						if (!equal || fewer.tie[cell]! < toTie) {
							toMain = main;
							toTie = fewer.tie[cell]!;
							to = v;
						}
					}
				for (let v = 0; v < width; v++) {
					const cell = v * width + last;
					const keep = on.main[cell]!;
					const held = prefixSum[v]![i + 1]! - prefixSum[v]![i]!;
					const warmth = -values[v]! * weight * length;
					const changes = lower(toMain, toTie, keep, on.tie[cell]!);
					const main = changes ? toMain : keep;
					here.main[cell] = main + held;
					here.tie[cell] = (changes ? toTie : on.tie[cell]!) + warmth;
					const bits = toMain === keep ? toNeeded & on.needed[cell]! : changes ? toNeeded : on.needed[cell]!;
					here.needed[cell] = bits | (1 << v);
					chosen[i * square + cell] = changes ? to : -1;
				}
			}
		}
		const all = now[maxEvents - 1]!;
		for (let last = 0; last < width; last++) {
			const at = i * width + last;
			for (let v = 0; v < width; v++) {
				const cell = v * width + last;
				const main = all.main[cell]! + 1;
				if (main > table.main[at]! || main === Infinity) continue;
				const equal = main === table.main[at]!;
				table.needed[at] = equal ? table.needed[at]! & all.needed[cell]! : all.needed[cell]!;
				if (!equal || all.tie[cell]! < table.tie[at]!) {
					table.main[at] = main;
					table.tie[at] = all.tie[cell]!;
					firstValue[at] = v;
				}
			}
		}
		[later, now] = [now, later];
	}

	return {
		...table,
		trace(first, last) {
			let value = firstValue[first * width + last]!;
			const events = [{ time: first, value }];
			for (let i = first, k = maxEvents - 1; i < end; i++) {
				const next = decisions[k]![i * square + value * width + last]!;
				if (next < 0) continue;
				value = next;
				events.push({ time: i + 1, value });
				k--;
			}
			return events;
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

/**
 * The least that a group could cost with at most `maxEvents` events of its values, whatever the days before hand on to it: never more
 * than what any program costs, and cheap to know. With `mayBeEmpty` also without any event.
 */
export function eventBound(group: GroupTarget, maxEvents: number, mayBeEmpty: boolean): number {
	const { times, prefix, prefixSum } = group;
	const end = times.length - 1;
	const width = prefixSum.length;
	/** What is handed on costs at least this up to a time. */
	const handed = new Float64Array(end + 1);
	for (const ofDay of prefix)
		for (let i = 0; i <= end; i++) {
			let least = Infinity;
			for (let v = 0; v < width; v++) if (ofDay[v]![i]! < least) least = ofDay[v]![i]!;
			handed[i]! += least;
		}
	// cost by [events so far · values + what rules]
	const cost = new Float64Array(maxEvents * width).fill(Infinity);
	for (let i = 0; i < end; i++) {
		for (let k = maxEvents - 1; k >= 0; k--) {
			let before = k === 0 ? handed[i]! : Infinity;
			if (k > 0)
				for (let v = 0; v < width; v++) {
					const one = cost[(k - 1) * width + v]!;
					if (one < before) before = one;
				}
			for (let v = 0; v < width; v++) {
				const cell = k * width + v;
				const best = before + 1 < cost[cell]! ? before + 1 : cost[cell]!;
				cost[cell] = best + prefixSum[v]![i + 1]! - prefixSum[v]![i]!;
			}
		}
	}
	let least = mayBeEmpty ? handed[end]! : Infinity;
	for (const one of cost) if (one < least) least = one;
	return least;
}
