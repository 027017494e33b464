import type { Grouping, Program } from '../control';
import { channelCount, completeDay, type DayContent, type MachineOptions, type Operable } from '../machine';
import { WEEK_DAYS } from '../week';
import type { ControlProfile } from '../control';
import type { CardItem } from './cardItems';
import { keysOfRun } from './goal';
import type { ItemKeys } from './planner';
import { LOOK_PRESSES } from './route';
import type { Turn } from './turn';

/** What each day is to hold, by channel, from every value that is planned: what none of them fills is empty. Of a channel for which nothing is planned no days: it stays as it is. */
export function plannedDays(
	profile: ControlProfile,
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

/** The routes of a card, of each channel by its place: those it goes by, and those of the fewest presses. */
interface Decided {
	readonly taken: readonly number[];
	readonly fewest: readonly number[];
}

/** Which routes were decided on for programs, so that what is in by now moves nothing. */
const decisions = new WeakMap<Program, Map<string, Decided>>();

/** By how much more than the fewest presses the plain order may take and still be the one that is keyed (our own figure). */
const PLAIN_MOST = 1.15;

/**
 * Which of its routes each channel is keyed by: the first one, in plain order, unless another takes much less by its exact keys.
 * `weigh` tells what the whole card along routes takes; what was found is kept with the first program under `key`, if there is one.
 */
export function decide(
	programs: readonly Program[],
	key: string | null,
	counts: readonly number[],
	weigh: (routes: readonly number[]) => number
): Decided {
	const plain = counts.map(() => 0);
	if (counts.every((count) => count === 1)) return { taken: plain, fewest: plain };
	const known = decisions.get(programs[0]!) ?? new Map<string, Decided>();
	decisions.set(programs[0]!, known);
	const before = key === null ? undefined : known.get(key);
	if (before?.fewest.every((route, channel) => route < counts[channel]!)) return before;
	const plainWeight = weigh(plain);
	let fewest: readonly number[] = plain;
	let best = plainWeight;
	counts.forEach((count, channel) => {
		for (let other = 1; other < count; other++) {
			const tried = fewest.map((route, i) => (i === channel ? other : route));
			const its = weigh(tried);
			if (its < best - 1e-9) [fewest, best] = [tried, its];
		}
	});
	const decided = { taken: plainWeight <= best * PLAIN_MOST ? plain : fewest, fewest };
	if (key !== null) known.set(key, decided);
	return decided;
}

/** What a turn weighs: its presses, and its looks at the card as presses. */
export const weightOf = ({ presses, steps }: Turn): number => presses + steps.length * LOOK_PRESSES;

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
