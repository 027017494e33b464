/** A cheapest directed spanning tree: the parent of every node (−1 for the root) and its cost. */
export interface Arborescence {
	readonly parents: readonly number[];
	readonly cost: number;
}

/**
 * The cheapest directed tree that reaches every node from `root`, or null if some node cannot be
 * reached. `cost[from][to]` is Infinity where there is no edge. Exact: Chu and Liu (1965), Edmonds
 * (1967); each node takes its cheapest way in, circles are drawn together and taken apart again.
 */
export function cheapestArborescence(
	cost: readonly (readonly number[])[],
	root: number
): Arborescence | null {
	const count = cost.length;
	const parents = new Array<number>(count).fill(-1);
	for (let to = 0; to < count; to++) {
		if (to === root) continue;
		let best = -1;
		for (let from = 0; from < count; from++)
			if (from !== to && cost[from]![to]! < Infinity && (best < 0 || cost[from]![to]! < cost[best]![to]!))
				best = from;
		if (best < 0) return null;
		parents[to] = best;
	}
	const circle = findCircle(parents, root);
	if (circle) {
		const solved = drawTogether(cost, root, parents, circle);
		if (!solved) return null;
		parents.splice(0, count, ...solved);
	}
	return {
		parents,
		cost: parents.reduce((sum, from, to) => (to === root ? sum : sum + cost[from]![to]!), 0)
	};
}

function findCircle(parents: readonly number[], root: number): number[] | null {
	for (let start = 0; start < parents.length; start++) {
		const seen: number[] = [];
		let node = start;
		while (node !== root && node >= 0 && !seen.includes(node)) {
			seen.push(node);
			node = parents[node]!;
		}
		if (seen.includes(node)) return seen.slice(seen.indexOf(node));
	}
	return null;
}

function drawTogether(
	cost: readonly (readonly number[])[],
	root: number,
	parents: readonly number[],
	circle: readonly number[]
): number[] | null {
	const outside = parents.map((_, node) => node).filter((node) => !circle.includes(node));
	const one = outside.length;
	/** For each edge into the drawn-together node: where it enters; for each out of it: where it leaves. */
	const enters = new Map<number, number>();
	const leaves = new Map<number, number>();
	const smaller = Array.from({ length: one + 1 }, () => new Array<number>(one + 1).fill(Infinity));
	outside.forEach((a, i) => {
		outside.forEach((b, j) => (smaller[i]![j] = cost[a]![b]!));
		for (const node of circle) {
			const entering = cost[a]![node]! - cost[parents[node]!]![node]!;
			if (entering < smaller[i]![one]!) {
				smaller[i]![one] = entering;
				enters.set(i, node);
			}
			if (cost[node]![a]! < smaller[one]![i]!) {
				smaller[one]![i] = cost[node]![a]!;
				leaves.set(i, node);
			}
		}
	});
	const solved = cheapestArborescence(smaller, outside.indexOf(root));
	if (!solved) return null;
	const result = [...parents];
	outside.forEach((node, i) => {
		if (node !== root)
			result[node] = solved.parents[i] === one ? leaves.get(i)! : outside[solved.parents[i]!]!;
	});
	const from = solved.parents[one]!;
	result[enters.get(from)!] = outside[from]!;
	return result;
}
