import { type ControlOptions, type ControlProfile, type KeyGrammar, type Program } from '../control';
import { isOperable } from '../machine';
import { counted } from '../schema';
import { DAY_SHORT } from '../week';
import {
	goalOf,
	programItems,
	type CardItem,
	type GroupItems,
	type LooseItem,
	type Planned
} from './cardItems';
import { satisfies, type Known } from './known';
import {
	cheapestRoute,
	fieldPresses,
	gestureOf,
	routesToTry,
	typeEverything,
	typingGestures,
	typingPresses,
	type GroupContent,
	type Leg
} from './route';
import { markOf } from './mark';
import { inRuns } from './runs';

type HowSet = Pick<CardItem, 'from' | 'presses' | 'gesture'>;

/** A value of a group of days with how it is set and what it is to bring about. Made field by field: a large card has hundreds. */
function ofGroup(
	planned: Planned,
	group: GroupItems,
	of: OfChannel,
	index: number,
	{ from, presses, gesture }: HowSet,
	all = false
): CardItem {
	const { id, section, what, shows, unit, aside, before } = planned;
	const goal = goalOf(planned, group, of, index, all);
	return {
		id,
		section,
		what,
		shows,
		unit,
		aside,
		before,
		from,
		presses,
		gesture,
		goal,
		why: null,
		stood: false
	};
}

/** The channel of a control that a week is for, and its form. */
interface OfChannel {
	readonly channel: number;
	readonly form: Program['form'];
}

/** A setpoint that is kept for the week. */
const ofWeek = ({ position, ...item }: Planned, index: number): LooseItem => ({
	...item,
	goal: { of: 'setpoint', index, position },
	why: null
});

/** What a route needs to become card items. */
interface Walk {
	readonly grammar: KeyGrammar;
	readonly groups: readonly GroupItems[];
	readonly contents: readonly GroupContent[];
	readonly stem: string;
	readonly of: OfChannel;
	/** For each group the one whose content it holds by now; null while it stands as it was. */
	readonly holds: (number | null)[];
}

function legItems(leg: Leg, { grammar, groups, contents, stem, of, holds }: Walk): CardItem[] {
	switch (leg.kind) {
		case 'type': {
			holds[leg.group] = leg.group;
			const presses = typingPresses(grammar, contents[leg.group]!);
			const gestures = typingGestures(grammar, contents[leg.group]!);
			return groups[leg.group]!.items.map((item, i) =>
				ofGroup(item, groups[leg.group]!, of, i, {
					from: null,
					presses: presses[i]! + (i === 0 ? grammar.presses.day : 0),
					gesture: gestures[i]!
				})
			);
		}
		case 'all-days': {
			holds.fill(leg.like);
			const like = groups[leg.like]!;
			const presses = typingPresses(grammar, contents[leg.like]!);
			const gestures = typingGestures(grammar, contents[leg.like]!);
			return like.items.map((item, i) => ({
				...ofGroup(
					item,
					like,
					of,
					i,
					{
						from: null,
						presses: presses[i]! + (i === 0 ? grammar.presses.day : 0),
						gesture: gestures[i]!
					},
					true
				),
				id: `${stem}/all/${item.id.slice(like.prefix.length)}`,
				section: 'All days at once',
				aside: 'sets every day; correct the rest after'
			}));
		}
		case 'copy': {
			const from = groups[leg.from]!;
			const onto = leg.onto.map((g) => groups[g]!);
			for (const g of leg.onto) holds[g] = holds[leg.from]!;
			const days = onto.flatMap((group) => group.days);
			const last = onto.at(-1)!;
			const ids = [...days].sort((a, b) => a - b).join('');
			return [
				{
					id: `${stem}/copy/${from.days.join('')}-${ids}/${markOf(from.items.map((item) => item.shows))}`,
					section: onto.length === 1 ? last.section : blockName(onto),
					what: onto.length === 1 ? `copy ${from.section} onto it` : `copy ${from.section} up to`,
					shows: DAY_SHORT[last.days[0]!]!,
					unit: '',
					aside: last.aside,
					before: null,
					from: null,
					presses: grammar.copy!.presses + onto.length - 1,
					gesture: null,
					goal: {
						of: 'copy',
						channel: of.channel,
						from: from.days[0]!,
						onto: last.days[0]!,
						over: onto.map((group) => group.days[0]!)
					},
					why: null,
					stood: false
				}
			];
		}
		case 'correct': {
			const there = groups[holds[leg.group] ?? -1];
			const stands = contents[leg.group]!.stands;
			holds[leg.group] = leg.group;
			return groups[leg.group]!.items.flatMap((item, i) => {
				const from = there?.items[i] ?? null;
				const at = from?.position ?? stands[i] ?? item.position;
				return leg.keys.includes(item.id.slice(groups[leg.group]!.prefix.length))
					? [
							{
								...ofGroup(item, groups[leg.group]!, of, i, {
									from: from?.shows ?? null,
									presses: fieldPresses(grammar, at, item.position),
									gesture: from && gestureOf(grammar, at, item.position)
								}),
								aside: `${item.aside} · pass what is right with "${grammar.confirm}"`
							}
						]
					: [];
			});
		}
	}
}

/** A block of days by its first and its last. */
const blockName = (groups: readonly GroupItems[]): string =>
	`${groups[0]!.section} to ${groups.at(-1)!.section}`;

/** Places one after another by their first and last, others by their names. */
function listed(all: readonly number[], groups: readonly GroupItems[]): string {
	const runs: number[][] = [];
	for (const at of all) {
		const run = runs.at(-1);
		if (run && run.at(-1) === at - 1) run.push(at);
		else runs.push([at]);
	}
	const name = (at: number) => groups[at]!.section;
	return runs
		.map((run) => (run.length > 2 ? `${name(run[0]!)}–${name(run.at(-1)!)}` : run.map(name).join(', ')))
		.join(', ');
}

/** The legs of a route as they are done, a sentence each: "Type Monday.", "Copy it to Tuesday to Friday." */
function routeWords(legs: readonly Leg[], groups: readonly GroupItems[]): string[] {
	const name = (at: number) => groups[at]!.section;
	const values = (count: number) => counted(count, 'value');
	const said: string[] = [];
	/** The day that was made last, and those that were filled by a copy or with all others. */
	let made = -1;
	const filled = new Set<number>();
	for (let i = 0; i < legs.length; i++) {
		const leg = legs[i]!;
		/** The legs from here on that belong into one sentence. */
		const alike = (isIt: (next: Leg, before: Leg) => boolean) => {
			const all: Leg[] = [leg];
			while (legs[i + 1] && isIt(legs[i + 1]!, all.at(-1)!)) all.push(legs[++i]!);
			return all;
		};
		switch (leg.kind) {
			case 'all-days':
				said.push(`Fill all days like ${name(leg.like)}`);
				groups.forEach((_, at) => filled.add(at));
				break;
			case 'type': {
				const all = alike((next) => next.kind === 'type').map((one) => (one as typeof leg).group);
				said.push(`Type ${listed(all, groups)}`);
				made = all.at(-1)!;
				break;
			}
			case 'correct':
				said.push(
					filled.has(leg.group) && made === leg.group
						? `${said.pop()!}, then put ${name(leg.group)} right in ${values(leg.keys.length)}`
						: `${filled.has(leg.group) ? 'Put right' : 'Set'} ${name(leg.group)} in ${values(leg.keys.length)}`
				);
				made = leg.group;
				break;
			case 'copy': {
				const from = leg.from === made ? 'it' : name(leg.from);
				const onward = (next: Leg, before: Leg) =>
					next.kind === 'copy' && before.kind === 'copy' && next.from === before.onto.at(-1);
				if (legs[i + 1] && onward(legs[i + 1]!, leg)) {
					const all = alike(onward) as (typeof leg)[];
					for (const one of all) for (const at of one.onto) filled.add(at);
					made = all.at(-1)!.onto.at(-1)!;
					said.push(`Copy ${from} on from day to day up to ${name(made)}`);
				} else {
					const all = alike((next) => next.kind === 'copy' && next.from === leg.from) as (typeof leg)[];
					const onto = all.flatMap((one) => one.onto);
					for (const at of onto) filled.add(at);
					made = onto.at(-1)!;
					said.push(`Copy ${from} to ${listed(onto, groups)}`);
				}
			}
		}
	}
	return said.map((sentence) => `${sentence}.`);
}

/** What one channel of a control is to hold. */
export interface ChannelProgram {
	/** The control's options, with the channel. */
	readonly options: ControlOptions;
	readonly program: Program;
}

/** Where the values of a group stand before anything is keyed; of a step that is to be cleared whether it is. */
function standing(profile: ControlProfile, known: Known, group: GroupItems, of: OfChannel) {
	const content = known.memory.days[of.channel]?.[group.days[0]!] ?? {};
	return group.items.map((item, i) => {
		const goal = goalOf(item, group, of, i);
		if (goal.of === 'kept') return known.memory.kept[goal.side];
		if (goal.position === null) return satisfies(profile, known, goal) ? item.position : undefined;
		return content[goal.key];
	});
}

/** The week of one channel by each of the routes between which its keys decide, from what is known of it, and what its settings ask. */
export function channelItems(profile: ControlProfile, { options, program }: ChannelProgram, known: Known) {
	const { keying } = profile;
	const { stem, settings, groups } = programItems(profile, options, program);
	const of: OfChannel = { channel: options.channel, form: program.form };
	const contents: GroupContent[] = groups.map((group) => ({
		days: group.days,
		fields: group.items.map((item) => ({
			key: item.id.slice(group.prefix.length),
			shows: item.shows,
			position: item.position
		})),
		stands: standing(profile, known, group, of)
	}));
	const inLegs = (legs: readonly Leg[]) => {
		const walk = { grammar: keying, groups, contents, stem, of, holds: groups.map(() => null) };
		return legs.flatMap((leg) => inRuns(profile, legItems(leg, walk)));
	};
	const first = (items: CardItem[]) =>
		items.map((item, index) => (index === 0 ? { ...item, before: keying.enter } : item));
	const routes = isOperable(profile) ? routesToTry(keying, contents) : [cheapestRoute(keying, contents)];
	const typed = typeEverything(keying, contents);
	const alone: HowSet = { from: null, presses: keying.presses.field + 2, gesture: null };
	return {
		settings: settings.map(ofWeek),
		routes: routes.map((route) => ({
			route,
			week: first(inLegs(route.legs)),
			words: routeWords(route.legs, groups)
		})),
		/** Every value typed, as the route is measured against. */
		typedItems: () => inLegs(typed.legs),
		/** Every value of the week as it is planned, asked for by itself. */
		each: () =>
			groups.flatMap((group) =>
				inRuns(
					profile,
					group.items.map((item, i) => ofGroup(item, group, of, i, alone))
				)
			),
		typed
	};
}
