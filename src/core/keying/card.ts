import type { ControlOptions, ControlProfile, Grouping, KeyGrammar, Program } from '../control';
import { DAY_SHORT } from '../week';
import {
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
	routeMinutes,
	typeEverything,
	typingGestures,
	typingPresses,
	type GroupContent,
	type Leg,
	type Pace
} from './route';
import { capital } from '../schema';

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
	/** What this way of keying takes, and what typing every value would. */
	readonly cost: { readonly route: KeyCost; readonly typed: KeyCost };
}

/** What keying takes: values looked at and set, presses, and minutes at a person's pace. */
export interface KeyCost {
	readonly values: number;
	readonly presses: number;
	readonly minutes: number;
}

const plain = ({ position: _, ...item }: Planned): LooseItem => item;

/** A short mark of a day's content, so that a copy made of another content is another copy. */
function mark(group: GroupItems): string {
	const text = group.items.map((item) => item.shows).join('|');
	let hash = 0;
	for (let i = 0; i < text.length; i++) hash = (Math.imul(hash, 31) + text.charCodeAt(i)) | 0;
	return (hash >>> 0).toString(36);
}

/** What a route needs to become card items. */
interface Walk {
	readonly grammar: KeyGrammar;
	readonly groups: readonly GroupItems[];
	readonly contents: readonly GroupContent[];
	readonly stem: string;
	/** For each group the one whose content it holds by now. */
	readonly holds: number[];
}

function legItems(leg: Leg, { grammar, groups, contents, stem, holds }: Walk): CardItem[] {
	switch (leg.kind) {
		case 'type': {
			holds[leg.group] = leg.group;
			const presses = typingPresses(grammar, contents[leg.group]!);
			const gestures = typingGestures(grammar, contents[leg.group]!);
			return groups[leg.group]!.items.map((item, i) => ({
				...plain(item),
				from: null,
				presses: presses[i]! + (i === 0 ? grammar.presses.day : 0),
				gesture: gestures[i]!
			}));
		}
		case 'all-days': {
			holds.fill(leg.like);
			const like = groups[leg.like]!;
			const presses = typingPresses(grammar, contents[leg.like]!);
			const gestures = typingGestures(grammar, contents[leg.like]!);
			return like.items.map((item, i) => ({
				...plain(item),
				id: `${stem}/all/${item.id.slice(like.prefix.length)}`,
				section: 'All days at once',
				aside: 'fills every day; those that differ are corrected after',
				from: null,
				presses: presses[i]! + (i === 0 ? grammar.presses.day : 0),
				gesture: gestures[i]!
			}));
		}
		case 'copy': {
			const [from, onto] = [groups[leg.from]!, groups[leg.onto]!];
			holds[leg.onto] = holds[leg.from]!;
			return [
				{
					id: `${stem}/copy/${from.days.join('')}-${onto.days.join('')}/${mark(from)}`,
					section: onto.section,
					what: `copy ${from.section} onto it`,
					shows: DAY_SHORT[onto.days[0]!]!,
					unit: '',
					aside: onto.aside,
					before: null,
					from: null,
					presses: grammar.copy!.presses,
					gesture: null
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
								...plain(item),
								aside: `${item.aside} · pass what is right with "${grammar.confirm}"`,
								from: there.items[i]!.shows,
								presses: fieldPresses(grammar, there.items[i]!.position, item.position),
								gesture: gestureOf(grammar, there.items[i]!.position, item.position)
							}
						]
					: []
			);
		}
	}
}

/** The legs of a route as a person would say them. */
function routeWords(legs: readonly Leg[], groups: readonly GroupItems[]): string {
	const name = (g: number) => groups[g]!.section;
	const said: string[] = [];
	const typed = legs.flatMap((leg) => (leg.kind === 'type' ? [name(leg.group)] : []));
	for (const leg of legs) if (leg.kind === 'all-days') said.push(`fill all days like ${name(leg.like)}`);
	if (typed.length > 0) said.push(`type ${typed.join(', ')}`);
	const copies = new Map<number, string[]>();
	for (const leg of legs)
		if (leg.kind === 'copy') copies.set(leg.from, [...(copies.get(leg.from) ?? []), name(leg.onto)]);
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

/** The week of one channel by its cheapest route, and what its settings ask. */
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
	const route = cheapestRoute(keying, contents);
	const walk = { grammar: keying, groups, contents, stem, holds: groups.map((_, g) => g) };
	const week: CardItem[] = route.legs.flatMap((leg) => legItems(leg, walk));
	const asked = new Set(week.map((item) => item.id));
	for (const group of groups)
		for (const item of group.items)
			if (!asked.has(item.id) && (keyed[item.id] ?? item.shows) !== item.shows)
				week.push({
					...plain(item),
					from: keyed[item.id]!,
					presses: keying.presses.field + 2,
					gesture: null
				});
	return {
		settings,
		week: week.map((item, index) => (index === 0 ? { ...item, before: keying.enter } : item)),
		route,
		typed: typeEverything(keying, contents),
		words: routeWords(route.legs, groups)
	};
}

/**
 * The card for the programs of a control's channels, in the order in which they are given: the settings that come before them, once for
 * the control, then the values channel by channel by the cheapest route, in the order the control asks for them. Where a note in `keyed`
 * says that a day copied holds something else than planned, that value is asked for as well. `grouping` must be that of every program.
 */
export function controlCard(
	profile: ControlProfile,
	channels: readonly ChannelProgram[],
	grouping: Grouping,
	keyed: Keyed = {},
	pace?: Pace
): KeyCard {
	const { keying } = profile;
	const settings = settingItems(profile, channels[0]!.options, grouping);
	const all = channels.map((one) => channelItems(profile, one, keyed));
	const setpoints = all
		.flatMap((one) => one.settings)
		.filter((item, i, every) => every.findIndex(({ id }) => id === item.id) === i);
	const single = keying.presses.field + 2;
	const once = (item: LooseItem): CardItem => ({ ...item, from: null, presses: single, gesture: null });
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
						before: null
					})
				]
			: [];
	const before = [
		...bracket('before', 'Before anything', 'it takes no values otherwise'),
		...settings.map(once),
		...setpoints.map((item) => once(plain(item)))
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
	return {
		items: [...before, ...all.flatMap((one) => one.week), ...after].map(standing),
		enter: keying.enter,
		leave: keying.leave,
		timeoutSeconds: keying.timeoutSeconds,
		confirm: keying.confirm,
		route: all
			.map((one) => one.words)
			.filter((words) => words !== '')
			.join(' '),
		cost: { route: costOf(all.map((one) => one.route)), typed: costOf(all.map((one) => one.typed)) }
	};
}

/** The card for the program of a control with one channel; see {@link controlCard}. */
export const keyCard = (
	profile: ControlProfile,
	options: ControlOptions,
	grouping: Grouping,
	program: Program,
	keyed: Keyed = {},
	pace?: Pace
): KeyCard => controlCard(profile, [{ options, program }], grouping, keyed, pace);

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
