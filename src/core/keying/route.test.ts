import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findProfile, type KeyGrammar } from '../control';
import { cheapestArborescence } from './arborescence';
import { cheapestRoute, routeMinutes, typeEverything, type GroupContent, type Leg } from './route';

/** The cheapest tree by trying every choice of parents. */
function byTryingAll(cost: number[][]): number {
	const count = cost.length;
	let best = Infinity;
	const parents = new Array<number>(count).fill(0);
	const reaches = (node: number) => {
		for (let hops = 0; hops <= count; hops++) {
			if (node === 0) return true;
			node = parents[node]!;
		}
		return false;
	};
	const grow = (node: number, sum: number) => {
		if (sum >= best) return;
		if (node === count) {
			if (parents.every((_, n) => reaches(n))) best = sum;
			return;
		}
		for (let from = 0; from < count; from++)
			if (from !== node && cost[from]![node]! < Infinity) {
				parents[node] = from;
				grow(node + 1, sum + cost[from]![node]!);
			}
	};
	grow(1, 0);
	return best;
}

describe('the cheapest directed spanning tree', () => {
	it('equals the best of all trees on up to 8 nodes', () => {
		const edge = fc.oneof(
			{ weight: 4, arbitrary: fc.integer({ min: 0, max: 20 }) },
			{ weight: 1, arbitrary: fc.constant(Infinity) }
		);
		const graph = fc
			.integer({ min: 2, max: 7 })
			.chain((n) => fc.array(fc.array(edge, { minLength: n, maxLength: n }), { minLength: n, maxLength: n }));
		fc.assert(
			fc.property(graph, (cost) => {
				const found = cheapestArborescence(cost, 0);
				expect(found?.cost ?? Infinity).toBe(byTryingAll(cost));
			}),
			{ numRuns: 300 }
		);
		const eight = fc.array(fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 8, maxLength: 8 }), {
			minLength: 8,
			maxLength: 8
		});
		fc.assert(
			fc.property(eight, (cost) => {
				expect(cheapestArborescence(cost, 0)!.cost).toBe(byTryingAll(cost));
			}),
			{ numRuns: 10 }
		);
	});
});

const copying: KeyGrammar = findProfile('six-step-room-stat')!.keying;
const nextDay: KeyGrammar = findProfile('four-step-copy-stat')!.keying;
const block: KeyGrammar = { ...copying, copy: { onto: 'block', presses: 3 } };
const atOnce: KeyGrammar = { ...copying, copy: null, allDays: true };

function week(...days: number[][]): GroupContent[] {
	return days.map((times, day) => ({
		days: [day],
		fields: times.map((position, i) => ({ key: `${i + 1}/time`, shows: String(position), position })),
		stands: times.map(() => undefined)
	}));
}

/** What the control holds after a route, acted out leg by leg. */
function actOut(route: { legs: readonly Leg[] }, groups: readonly GroupContent[]): (string[] | undefined)[] {
	const held: (string[] | undefined)[] = groups.map(() => undefined);
	const shows = (g: number) => groups[g]!.fields.map((field) => field.shows);
	for (const leg of route.legs) {
		if (leg.kind === 'type') held[leg.group] = shows(leg.group);
		else if (leg.kind === 'all-days') held.fill(shows(leg.like));
		else if (leg.kind === 'copy') for (const onto of leg.onto) held[onto] = held[leg.from];
		else
			held[leg.group] = groups[leg.group]!.fields.map((field, i) =>
				leg.keys.includes(field.key) ? field.shows : held[leg.group]![i]!
			);
	}
	return held;
}

describe('the route', () => {
	const work = [40, 100];
	const home = [48, 100];

	it('types one day, copies it, and puts right the one that differs', () => {
		const groups = week(work, work, home, work, work, work, work);
		const route = cheapestRoute(copying, groups);
		expect(route.legs.filter((leg) => leg.kind === 'type')).toHaveLength(1);
		expect(route.legs.filter((leg) => leg.kind === 'copy')).toHaveLength(6);
		expect(route.legs).toContainEqual({ kind: 'correct', group: 2, keys: ['1/time'] });
		expect(routeMinutes(route)).toBeLessThan(routeMinutes(typeEverything(copying, groups)));
	});

	it('fills all days at once where the control can, and corrects from there', () => {
		const route = cheapestRoute(atOnce, week(work, work, home, work, work, work, work));
		expect(route.legs).toEqual([
			{ kind: 'all-days', like: 0 },
			{ kind: 'correct', group: 2, keys: ['1/time'] }
		]);
	});

	it('copies only onto the next day where the control can do no more', () => {
		const route = cheapestRoute(nextDay, week(work, work, work, work, work, home, home));
		for (const leg of route.legs) if (leg.kind === 'copy') expect(leg.onto).toEqual([(leg.from + 1) % 7]);
	});

	it('copies a block of days in one go, as far as they are alike', () => {
		const groups = week(work, work, work, home, work, work, work);
		const route = cheapestRoute(block, groups);
		expect(route.legs).toEqual([
			{ kind: 'type', group: 0 },
			{ kind: 'copy', from: 0, onto: [1, 2, 3, 4, 5, 6] },
			{ kind: 'correct', group: 3, keys: ['1/time'] }
		]);
		const single: KeyGrammar = { ...copying, copy: { onto: 'next-day', presses: 3 } };
		expect(route.presses).toBeLessThan(cheapestRoute(single, groups).presses);
	});

	it('always leaves the plan in the control, never at more than typing everything', () => {
		const anyDay = fc.array(fc.integer({ min: 0, max: 6 }), { minLength: 3, maxLength: 3 });
		fc.assert(
			fc.property(
				fc.array(anyDay, { minLength: 7, maxLength: 7 }),
				fc.constantFrom(copying, nextDay, block, atOnce, { ...copying, correctsSingly: false }),
				(days, grammar) => {
					const groups = week(...days);
					const route = cheapestRoute(grammar, groups);
					expect(actOut(route, groups)).toEqual(
						groups.map((group) => group.fields.map((field) => field.shows))
					);
					expect(routeMinutes(route)).toBeLessThanOrEqual(
						routeMinutes(typeEverything(grammar, groups)) + 1e-9
					);
				}
			),
			{ numRuns: 150 }
		);
	});
});
