import { lower, type Cost } from './cost';
import type { GroupTarget } from './groupTarget';

export interface PairSolution extends Cost {
	readonly pairs: readonly { on: number; off: number }[];
}

/**
 * The exact optimum of one group's on/off pairs: at most `maxPairs`, each within the day, off before
 * the first. `offValue` and `onValue` are indices of the group's values, `warmth` by how much on is
 * the warmer, scaled.
 */
export function solvePairs(
	group: GroupTarget,
	maxPairs: number,
	endsAtMidnight: boolean,
	offValue: number,
	onValue: number,
	warmth: number
): PairSolution {
	const { times, prefixSum } = group;
	const [off, on] = [prefixSum[offValue]!, prefixSum[onValue]!];
	const end = times.length - 1;
	const lastOff = endsAtMidnight ? end : end - 1;
	const weight = group.days.length;

	// after[k][i]: from time i, switched off there, with k pairs left
	let afterMain = Float64Array.from(times, (_, i) => off[end]! - off[i]!);
	let afterTie = new Float64Array(times.length);
	const startOf: Int16Array[] = [];
	const endOf: Int16Array[] = [];
	for (let k = 1; k <= maxPairs; k++) {
		// a pair that begins at a: where it ends
		const pairMain = new Float64Array(end).fill(Infinity);
		const pairTie = new Float64Array(end).fill(Infinity);
		const pairEnd = new Int16Array(end).fill(-1);
		for (let a = 0; a < end; a++) {
			for (let b = a + 1; b <= lastOff; b++) {
				const main = on[b]! - on[a]! + afterMain[b]! + 2;
				const tie = afterTie[b]! - warmth * weight * (times[b]! - times[a]!);
				if (lower(main, tie, pairMain[a]!, pairTie[a]!)) {
					pairMain[a] = main;
					pairTie[a] = tie;
					pairEnd[a] = b;
				}
			}
		}
		const nextMain = Float64Array.from(times, (_, i) => off[end]! - off[i]!);
		const nextTie = new Float64Array(times.length);
		const begins = new Int16Array(times.length).fill(-1);
		for (let i = 0; i < end; i++) {
			for (let a = i; a < end; a++) {
				const main = off[a]! - off[i]! + pairMain[a]!;
				if (lower(main, pairTie[a]!, nextMain[i]!, nextTie[i]!)) {
					nextMain[i] = main;
					nextTie[i] = pairTie[a]!;
					begins[i] = a;
				}
			}
		}
		afterMain = nextMain;
		afterTie = nextTie;
		startOf.push(begins);
		endOf.push(pairEnd);
	}

	const pairs: { on: number; off: number }[] = [];
	let i = 0;
	for (let k = maxPairs; k >= 1; k--) {
		const a = startOf[k - 1]![i]!;
		if (a < 0) break;
		const b = endOf[k - 1]![a]!;
		pairs.push({ on: times[a]!, off: times[b]! });
		i = b;
	}
	return { main: afterMain[0]!, tie: afterTie[0]!, pairs };
}
