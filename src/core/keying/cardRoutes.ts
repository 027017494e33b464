import { type ControlOptions, type ControlProfile, type KeyGrammar, type Program } from '../control';
import { isOperable } from '../machine';
import { DAY_SHORT } from '../week';
import { capital } from '../schema';
import { programItems, type CardItem, type GroupItems, type LooseItem, type Planned } from './cardItems';
import type { Keyed } from './keyed';
import {
	cheapestRoute,
	fieldPresses,
	gestureOf,
	routesToTry,
	typeEverything,
	typingGestures,
	typingPresses,
	type GroupContent,
	type Leg,
	type Route
} from './route';
import { markOf } from './mark';
import { inRuns } from './runs';

type HowSet = Pick<CardItem, 'from' | 'presses' | 'gesture'>;

/** An item of a group of days with how it is set and what it is to bring about. Made field by field: a large card has hundreds. */
function ofGroup(
	{ id, section, what, shows, unit, aside, before, position }: Planned,
	{ prefix, days }: GroupItems,
	program: Pick<ChannelProgram, 'options'> & { readonly form: Program['form'] },
	index: number,
	{ from, presses, gesture }: HowSet,
	all = false
): CardItem {
	const key = id.slice(prefix.length);
	const goal: CardItem['goal'] =
		program.form === 'plain'
			? { of: 'kept', side: index === 0 ? 'heat' : 'cool', position }
			: {
					of: 'field',
					channel: program.options.channel,
					day: days[0]!,
					all,
					key,
					position: key.endsWith('/clear') ? null : position
				};
	return { id, section, what, shows, unit, aside, before, from, presses, gesture, goal, why: null };
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
	readonly of: Pick<ChannelProgram, 'options'> & { readonly form: Program['form'] };
	/** For each group the one whose content it holds by now. */
	readonly holds: number[];
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
				aside: 'fills every day; those that differ are corrected after'
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
						channel: of.options.channel,
						from: from.days[0]!,
						onto: last.days[0]!,
						over: onto.map((group) => group.days[0]!)
					},
					why: null
				}
			];
		}
		case 'correct': {
			const there = groups[holds[leg.group]!]!;
			holds[leg.group] = leg.group;
			return groups[leg.group]!.items.flatMap((item, i) =>
				leg.keys.includes(item.id.slice(groups[leg.group]!.prefix.length))
					? [
							{
								...ofGroup(item, groups[leg.group]!, of, i, {
									from: there.items[i]!.shows,
									presses: fieldPresses(grammar, there.items[i]!.position, item.position),
									gesture: gestureOf(grammar, there.items[i]!.position, item.position)
								}),
								aside: `${item.aside} · pass what is right with "${grammar.confirm}"`
							}
						]
					: []
			);
		}
	}
}

/** A block of days by its first and its last. */
const blockName = (groups: readonly GroupItems[]): string =>
	`${groups[0]!.section} to ${groups.at(-1)!.section}`;

/** The legs of a route as a person would say them. */
function routeWords(legs: readonly Leg[], groups: readonly GroupItems[]): string {
	const name = (g: number) => groups[g]!.section;
	const said: string[] = [];
	const typed = legs.flatMap((leg) => (leg.kind === 'type' ? [name(leg.group)] : []));
	for (const leg of legs) if (leg.kind === 'all-days') said.push(`fill all days like ${name(leg.like)}`);
	if (typed.length > 0) said.push(`type ${typed.join(', ')}`);
	const copies = new Map<number, string[]>();
	for (const leg of legs)
		if (leg.kind === 'copy')
			copies.set(leg.from, [
				...(copies.get(leg.from) ?? []),
				leg.onto.length === 1 ? name(leg.onto[0]!) : blockName(leg.onto.map((g) => groups[g]!))
			]);
	for (const [from, onto] of copies) said.push(`copy ${name(from)} onto ${onto.join(', ')}`);
	const put = legs.flatMap((leg) =>
		leg.kind === 'correct'
			? [`${name(leg.group)} in ${leg.keys.length} ${leg.keys.length === 1 ? 'value' : 'values'}`]
			: []
	);
	if (put.length > 0) said.push(`correct ${put.join(', ')}`);
	const sentence = said.join('; ');
	return sentence === '' ? '' : `${capital(sentence)}.`;
}

/** What one channel of a control is to hold. */
export interface ChannelProgram {
	/** The control's options, with the channel. */
	readonly options: ControlOptions;
	readonly program: Program;
}

/** Whether it is noted that a value of a day stands otherwise than planned: it was keyed so, or its step was cleared, or was not. */
function standsOtherwise(item: Planned, prefix: string, keyed: Keyed): boolean {
	const noted = keyed[item.id];
	if (noted !== undefined) return noted !== item.shows;
	const step = `${prefix}${item.id.slice(prefix.length).split('/')[0]}/`;
	const clear = `${step}clear`;
	return item.id === clear
		? Object.keys(keyed).some((id) => id.startsWith(step) && id !== clear)
		: keyed[clear] !== undefined;
}

/** The week of one channel by each of the routes between which its keys decide, and what its settings ask. */
export function channelItems(profile: ControlProfile, { options, program }: ChannelProgram, keyed: Keyed) {
	const { keying } = profile;
	const { stem, settings, groups } = programItems(profile, options, program);
	const contents: GroupContent[] = groups.map((group) => ({
		days: group.days,
		fields: group.items.map((item) => ({
			key: item.id.slice(group.prefix.length),
			shows: item.shows,
			position: item.position
		}))
	}));
	const of = { options, form: program.form };
	const walk = { grammar: keying, groups, contents, stem, of, holds: groups.map((_, g) => g) };
	const inLegs = (legs: readonly Leg[], holds: number[]) =>
		legs.flatMap((leg) => inRuns(profile, legItems(leg, { ...walk, holds })));
	const first = (items: CardItem[]) =>
		items.map((item, index) => (index === 0 ? { ...item, before: keying.enter } : item));
	/** What is asked for along a route, and what is noted to stand otherwise. */
	const along = (route: Route): CardItem[] => {
		const week = inLegs(
			route.legs,
			groups.map((_, g) => g)
		);
		const asked = new Set(week.map((item) => item.id));
		for (const group of groups)
			for (const [i, item] of group.items.entries())
				if (!isOperable(profile) && !asked.has(item.id) && standsOtherwise(item, group.prefix, keyed))
					week.push(
						ofGroup(item, group, of, i, {
							from: keyed[item.id] ?? null,
							presses: keying.presses.field + 2,
							gesture: null
						})
					);
		return first(week);
	};
	const routes = isOperable(profile) ? routesToTry(keying, contents) : [cheapestRoute(keying, contents)];
	const typed = typeEverything(keying, contents);
	const alone: HowSet = { from: null, presses: keying.presses.field + 2, gesture: null };
	return {
		settings: settings.map(ofWeek),
		routes: routes.map((route) => ({
			route,
			week: along(route),
			words: routeWords(route.legs, groups)
		})),
		/** Every value typed, as the route is measured against. */
		typedItems: () =>
			inLegs(
				typed.legs,
				groups.map((_, g) => g)
			),
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
