import type { ControlOptions, ControlProfile, Grouping, KeyGrammar, Program } from '../control';
import { DAY_SHORT, WEEK_DAYS } from '../week';
import {
	entryItemId,
	programItems,
	settingItems,
	type CardItem,
	type GroupItems,
	type LooseItem,
	type Planned
} from './cardItems';
import {
	cheapestRoute,
	fieldPresses,
	gestureOf,
	LOOK_PRESSES,
	routeMinutes,
	typeEverything,
	typingGestures,
	typingPresses,
	type GroupContent,
	routesToTry,
	type Leg,
	type Pace,
	type Route
} from './route';
import { capital } from '../schema';
import type { MenuWanted } from './atControl';
import {
	channelCount,
	completeDay,
	isOperable,
	type DayContent,
	type MachineOptions,
	type Operable
} from '../machine';
import { keysOfCard, machineOptions, type CardKeys, type ItemKeys } from './gestures';
import { isMet, type Found, type ToKey } from './held';
import { keysOfRun } from './goal';
import { markOf } from './mark';
import { inRuns } from './runs';

/** Everything to key, in the order in which the control asks for it. */
export interface KeyCard {
	readonly items: readonly CardItem[];
	/** What to do to get to the values of the week. */
	readonly enter: string;
	/** What to do after the last value. */
	readonly leave: string;
	/** Seconds after which the menu leaves by itself; null if it stays. */
	readonly timeoutSeconds: number | null;
	/** What the key is called that takes a value. */
	readonly confirm: string;
	/** The route in a sentence: which day to type, which to copy, which to put right. */
	readonly route: string;
	/** What its keys are found from, where its panel is described; else null. */
	readonly operated: Omit<ToKey, 'items'> | null;
	/** What this way of keying takes, and what typing every value would. */
	readonly cost: { readonly route: KeyCost; readonly typed: KeyCost };
}

/** What keying takes: values looked at and set, presses, and minutes at a person's pace. */
export interface KeyCost {
	readonly values: number;
	readonly presses: number;
	readonly minutes: number;
}

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
function channelItems(profile: ControlProfile, { options, program }: ChannelProgram, keyed: Keyed) {
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

/**
 * The card for the programs of a control's channels, in the order in which they are given: the settings that come before them, once for
 * the control, then the values channel by channel by the cheapest route, in the order the control asks for them. Where a note in `keyed`
 * says that a day copied holds something else than planned, that value is asked for as well. `grouping` must be that of every program; `menu` is what
 * {@link menuWanted} says of the entries of its own menus.
 */
export function controlCard(
	profile: ControlProfile,
	channels: readonly ChannelProgram[],
	grouping: Grouping,
	keyed: Keyed = {},
	pace?: Pace,
	found: Found = 'as-new',
	menu: readonly MenuWanted[] = []
): KeyCard {
	const { keying } = profile;
	// what stands so as new is keyed only where nobody knows how it stands, or where it was noted to stand otherwise
	const toSet = menu.filter(
		({ entry, isFactory }) => !isFactory || found === 'unknown' || entryItemId(entry) in keyed
	);
	const settings = settingItems(profile, channels[0]!.options, grouping, toSet);
	const all = channels.map((one) => channelItems(profile, one, keyed));
	const setpoints = all
		.flatMap((one) => one.settings)
		.filter((item, i, every) => every.findIndex(({ id }) => id === item.id) === i);
	const single = keying.presses.field + 2;
	const once = (item: LooseItem): CardItem => ({
		...item,
		from: null,
		presses: single,
		gesture: null
	});
	const bracket = (id: 'before' | 'after', section: string, aside: string): CardItem[] =>
		keying.bracket
			? [
					once({
						id: `mode/${id}`,
						section,
						what: 'mode',
						shows: keying.bracket[id],
						unit: '',
						aside,
						before: null,
						goal: { of: 'mode', name: keying.bracket[id] },
						why: null
					})
				]
			: [];
	const before = [
		...bracket('before', 'Before anything', 'it takes no values otherwise'),
		...settings.map(once),
		...setpoints.map(once)
	];
	const after = bracket('after', 'At the end', 'otherwise the program does not run');
	const fixed = before.length + after.length;
	const costOf = (ways: readonly { readonly looks: number; readonly presses: number }[]): KeyCost => {
		const values = fixed + ways.reduce((sum, way) => sum + way.looks, 0);
		const presses = fixed * single + ways.reduce((sum, way) => sum + way.presses, 0);
		return { values, presses, minutes: routeMinutes({ presses, looks: values }, pace) };
	};
	/** What was keyed or read otherwise is what the display stands at, whatever the route would have it show. */
	const standing = (item: CardItem): CardItem => {
		const shown = keyed[item.id];
		return shown === undefined || shown === item.shows ? item : { ...item, from: shown, gesture: null };
	};
	const rest = {
		enter: keying.enter,
		leave: keying.leave,
		timeoutSeconds: keying.timeoutSeconds,
		confirm: keying.confirm
	};
	const whole = (weeks: readonly (readonly CardItem[])[]) => [...before, ...weeks.flat(), ...after];
	const said = (words: readonly string[]) => words.filter((one) => one !== '').join(' ');
	if (!isOperable(profile)) {
		const first = all.map(({ routes }) => routes[0]!);
		return {
			...rest,
			route: said(first.map(({ words }) => words)),
			items: whole(first.map(({ week }) => week)).map(standing),
			operated: null,
			cost: { route: costOf(first.map(({ route }) => route)), typed: costOf(all.map((one) => one.typed)) }
		};
	}
	const typedItems = () => whole(all.map((one) => one.typedItems()));
	const each = all.flatMap((one) => one.each());
	const options = machineOptions(profile, channels[0]!.options, grouping);
	const operated = { options, planned: plannedDays(profile, options, each, grouping) };
	const keysOf = (items: readonly CardItem[], noted = keyed, count = items.length) =>
		keysOfCard(profile, { items, ...operated }, noted, found, count);
	/** What keys cost, counted only when somebody asks: most who need a card do not. */
	const pressed = (asked: () => readonly CardItem[], keysNow: () => Pick<CardKeys, 'presses'>): KeyCost => {
		let known: number | undefined;
		const count = () => (known ??= keysNow().presses);
		return {
			get values() {
				return asked().length;
			},
			get presses() {
				return count();
			},
			get minutes() {
				return routeMinutes({ presses: count(), looks: asked().length }, pace);
			}
		};
	};
	/** The way along a route of each channel, from a control that nobody has keyed yet. */
	const unkeyed = (chosen: readonly number[]): Way => {
		const items = whole(all.map(({ routes }, i) => routes[chosen[i]!]!.week));
		return wayOf(profile, items, keysOf(items, {}), each);
	};
	const decided = decide(
		channels.map(({ program }) => program),
		`${profile.id}/${found}`,
		all.map(({ routes }) => routes.length),
		unkeyed
	);
	const chosen = all.map(({ routes }, i) => routes[decided.routes[i]!]!);
	const weeks = chosen.map(({ week }) => week);
	const isUnkeyed = Object.keys(keyed).length === 0;
	const route: Way = (isUnkeyed && decided.way) || wayOf(profile, whole(weeks), keysOf(whole(weeks)), each);
	// what was keyed by another plan is no part of this one's route: then what differs may be less, or the route not lead there
	const byRoute = new Map(route.items.map((item) => [item.id, item.shows]));
	const stale = Object.entries(keyed).some(
		([id, shows]) => !/^(setting|mode|read)\/|^found$/.test(id) && byRoute.get(id) !== shows
	);
	const difference = (): Way => {
		const { memory } = keysOf(whole(weeks), keyed, before.length);
		const isIn = (item: CardItem) => keyed[item.id] === item.shows;
		const wrong = each.filter(({ goal }) => !isMet(profile, memory, goal));
		// where no value of a day can be put right by itself the whole day is asked for
		const days = new Set(wrong.map(({ section }) => section));
		const open = keying.correctsSingly ? wrong : each.filter(({ section }) => days.has(section));
		const asked = new Set(open.map(({ id }) => id));
		const own = new Set(each.map(({ id }) => id));
		// in one order whatever is in by now, so that nothing moves under the thumb
		const items = [
			...before,
			...weeks.flat().filter((item) => isIn(item) && !own.has(item.id)),
			...each.filter((item) => isIn(item) || asked.has(item.id)),
			...after
		];
		return wayOf(profile, items, keysOf(items), each);
	};
	const other = stale || route.weight === Infinity ? difference() : route;
	const { items, keys } = other.weight < route.weight ? other : route;
	return {
		...rest,
		route: said(chosen.map(({ words }) => words)),
		operated,
		items: items.map((item, i) => withKeys(profile, standing(item), keys.items[i] ?? null)),
		cost: {
			route: pressed(
				() => whole(weeks),
				() => (isUnkeyed ? keys : keysOf(whole(weeks), {}))
			),
			typed: pressed(typedItems, () => keysOf(typedItems(), {}))
		}
	};
}

/** What each day is to hold, by channel, from every value that is planned: what none of them fills is empty. Of a channel for which nothing is planned no days: it stays as it is. */
function plannedDays(
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
function decide(
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
interface Way {
	readonly items: readonly CardItem[];
	readonly keys: CardKeys;
	/** Presses and looks as presses; endless where it does not lead to what is planned. */
	readonly weight: number;
}

function wayOf(
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
function withKeys(profile: Operable, item: CardItem, keys: ItemKeys | null): CardItem {
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

/** The card for the program of a control with one channel; see {@link controlCard}. */
export const keyCard = (
	profile: ControlProfile,
	options: ControlOptions,
	grouping: Grouping,
	program: Program,
	keyed: Keyed = {},
	pace?: Pace,
	found: Found = 'as-new',
	menu: readonly MenuWanted[] = []
): KeyCard => controlCard(profile, [{ options, program }], grouping, keyed, pace, found, menu);

/** What was keyed so far: what the display showed when it was confirmed, by item id. */
export type Keyed = Readonly<Record<string, string>>;

/** Whether this value is in the control already: keyed, and keyed as the plan now wants it. */
export function isKeyed(item: CardItem, keyed: Keyed): boolean {
	return keyed[item.id] === item.shows;
}

/** The place of the value to key after one: the next that is not in yet, else the first that is not, else the end. What is in already is not asked again. */
export function nextToKey(card: Pick<KeyCard, 'items'>, keyed: Keyed, after: number): number {
	const open = (item: CardItem, i: number) => i !== after && !isKeyed(item, keyed);
	const later = card.items.findIndex((item, i) => i > after && open(item, i));
	if (later >= 0) return later;
	const first = card.items.findIndex(open);
	return first >= 0 ? first : card.items.length;
}

/** Where a card stands: values in, values in all, and the index of the first one still to key (the count when none is). */
export function cardProgress(card: KeyCard, keyed: Keyed): { done: number; of: number; next: number } {
	const next = card.items.findIndex((item) => !isKeyed(item, keyed));
	return {
		done: card.items.filter((item) => isKeyed(item, keyed)).length,
		of: card.items.length,
		next: next === -1 ? card.items.length : next
	};
}
