import type { Grouping, Program } from '../control';
import { channelCount, completeDay, type DayContent, type MachineOptions, type Operable } from '../machine';
import { WEEK_DAYS } from '../week';
import type { CardItem } from './cardItems';
import type { CardKeys, ItemKeys } from './gestures';
import { keysOfRun } from './goal';
import { isMet } from './held';
import { LOOK_PRESSES } from './route';

/** What each day is to hold, by channel, from every value that is planned: what none of them fills is empty. Of a channel for which nothing is planned no days: it stays as it is. */
export function plannedDays(
	profile: Operable,
	options: MachineOptions,
	each: readonly CardItem[],
	grouping: Grouping
): DayContent[][] {
	const of = new Set(each.flatMap(({ goal }) => (goal.of === 'field' ? [goal.channel] : [])));
	const days = Array.from({ length: channelCount(profile) }, (_, channel) =>
		Array.from({ length: of.has(channel) ? WEEK_DAYS : 0 }, (_day, day) => ({
			...completeDay(profile, options, day, {})
		}))
	);
	for (const { goal } of each)
		if (goal.of === 'field' && goal.position !== null)
			for (const day of grouping.groups.find((group) => group[0] === goal.day) ?? [goal.day])
				for (const key of keysOfRun(goal)) days[goal.channel]![day]![key] = goal.position;
	return days;
}

/** Which routes were decided on for programs, so that what is in by now moves nothing. */
const decisions = new WeakMap<Program, Map<string, readonly number[]>>();

/**
 * Which of its routes each channel is keyed by: the first one (that a person would go), or another whose exact keys are less.
 * `way` weighs the whole card along routes; what was found is kept with the first program.
 */
export function decide(
	programs: readonly Program[],
	key: string,
	counts: readonly number[],
	way: (routes: readonly number[]) => Way
): { readonly routes: readonly number[]; readonly way: Way | null } {
	let routes: readonly number[] = counts.map(() => 0);
	if (counts.every((count) => count === 1)) return { routes, way: null };
	let known = decisions.get(programs[0]!);
	if (!known) decisions.set(programs[0]!, (known = new Map()));
	const before = known.get(key);
	if (before?.every((route, channel) => route < counts[channel]!)) return { routes: before, way: null };
	let best = way(routes);
	counts.forEach((count, channel) => {
		for (let other = 1; other < count; other++) {
			const tried = routes.map((route, i) => (i === channel ? other : route));
			const its = way(tried);
			if (its.weight < best.weight - 1e-9) [routes, best] = [tried, its];
		}
	});
	known.set(key, routes);
	return { routes, way: best };
}

/** A way to key what is to be keyed, and what is left to do by it. */
export interface Way {
	readonly items: readonly CardItem[];
	readonly keys: CardKeys;
	/** Presses and looks as presses; endless where it does not lead to what is planned. */
	readonly weight: number;
}

/** A way with its weight, by what its keys leave in the control. */
export function wayOf(
	profile: Operable,
	items: readonly CardItem[],
	keys: CardKeys,
	each: readonly CardItem[]
): Way {
	const leads = each.every(({ goal }) => isMet(profile, keys.memory, goal));
	const looks = keys.items.filter((one) => one !== null).length;
	return { items, keys, weight: leads ? keys.presses + looks * LOOK_PRESSES : Infinity };
}

/** An item with what its keys say of it: what shows first, how it is set from there, how many presses that is. */
export function withKeys(profile: Operable, item: CardItem, keys: ItemKeys | null): CardItem {
	if (!keys) return item;
	const [change] = keys.change ?? [];
	const { program } = profile.panel;
	const steps = change?.do === 'press' || change?.do === 'run' ? change : null;
	const up = steps !== null && (steps.key === program?.up || steps.key === profile.panel.rest?.up);
	const isField = item.goal.of === 'field' && item.goal.position !== null && program?.writes.length === 0;
	return {
		...item,
		from: keys.shows === item.shows ? item.from : (keys.shows ?? item.from),
		presses: keys.presses,
		gesture:
			keys.change === null || !(isField || item.goal.of === 'kept')
				? null
				: {
						direction: steps === null ? 'none' : up ? 'up' : 'down',
						times: steps === null ? 0 : steps.do === 'run' ? steps.steps : steps.times,
						held: steps?.do === 'run'
					}
	};
}
