import type { ControlOptions, ControlProfile, Grouping, Program } from '../control';
import { DAY_SHORT } from '../week';
import { programItems, settingItems, type CardItem, type GroupItems, type Planned } from './cardItems';
import { cheapestRoute, routeMinutes, typeEverything, type GroupContent, type Leg, type Pace } from './route';

/** Everything to key, in the order in which the control asks for it. */
export interface KeyCard {
	readonly items: readonly CardItem[];
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

const plain = ({ position: _, ...item }: Planned): CardItem => item;

/** A short mark of a day's content, so that a copy made of another content is another copy. */
function mark(group: GroupItems): string {
	const text = group.items.map((item) => item.shows).join('|');
	let hash = 0;
	for (let i = 0; i < text.length; i++) hash = (Math.imul(hash, 31) + text.charCodeAt(i)) | 0;
	return (hash >>> 0).toString(36);
}

function legItems(leg: Leg, groups: readonly GroupItems[], stem: string, confirm: string): CardItem[] {
	switch (leg.kind) {
		case 'type':
			return groups[leg.group]!.items.map(plain);
		case 'all-days': {
			const like = groups[leg.like]!;
			return like.items.map((item) => ({
				...plain(item),
				id: `${stem}/all/${item.id.slice(like.prefix.length)}`,
				section: 'All days at once',
				aside: 'fills every day; those that differ are put right after'
			}));
		}
		case 'copy': {
			const [from, onto] = [groups[leg.from]!, groups[leg.onto]!];
			return [
				{
					id: `${stem}/copy/${from.days.join('')}-${onto.days.join('')}/${mark(from)}`,
					section: onto.section,
					what: `copy ${from.section} onto it`,
					shows: DAY_SHORT[onto.days[0]!]!,
					unit: '',
					aside: onto.aside,
					before: null
				}
			];
		}
		case 'correct':
			return groups[leg.group]!.items.filter((item) =>
				leg.keys.includes(item.id.slice(groups[leg.group]!.prefix.length))
			).map((item) => ({ ...plain(item), aside: `${item.aside} · pass what is right with "${confirm}"` }));
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
		leg.kind === 'correct' ? [`${name(leg.group)} (${leg.keys.length})`] : []
	);
	if (put.length > 0) said.push(`put right ${put.join(', ')}`);
	const sentence = said.join('; ');
	return sentence === '' ? '' : `${sentence.charAt(0).toUpperCase()}${sentence.slice(1)}.`;
}

/**
 * The card for a program: the settings that come before it, then the values by the cheapest route,
 * in the order the control asks for them. Where a note in `keyed` says that a day copied holds
 * something else than planned, that value is asked for as well. `grouping` must be the program's.
 */
export function keyCard(
	profile: ControlProfile,
	options: ControlOptions,
	grouping: Grouping,
	program: Program,
	keyed: Keyed = {},
	pace?: Pace
): KeyCard {
	const { keying } = profile;
	const settings = settingItems(profile, options, grouping);
	const { stem, settings: setpoints, groups } = programItems(profile, options, program);
	const contents: GroupContent[] = groups.map((group) => ({
		days: group.days,
		fields: group.items.map((item) => ({
			key: item.id.slice(group.prefix.length),
			shows: item.shows,
			position: item.position
		}))
	}));
	const route = cheapestRoute(keying, contents);
	const typed = typeEverything(keying, contents);
	const week: CardItem[] = route.legs.flatMap((leg) => legItems(leg, groups, stem, keying.confirm));
	const asked = new Set(week.map((item) => item.id));
	for (const group of groups)
		for (const item of group.items)
			if (!asked.has(item.id) && (keyed[item.id] ?? item.shows) !== item.shows) week.push(plain(item));
	const before = [...settings, ...setpoints.map(plain)];
	const costOf = (way: typeof route): KeyCost => ({
		values: before.length + way.looks,
		presses: before.length * (keying.presses.field + 2) + way.presses,
		minutes: routeMinutes(
			{ presses: before.length * (keying.presses.field + 2) + way.presses, looks: before.length + way.looks },
			pace
		)
	});
	return {
		items: [
			...before,
			...week.map((item, index) => (index === 0 ? { ...item, before: keying.enter } : item))
		],
		leave: keying.leave,
		timeoutSeconds: keying.timeoutSeconds,
		confirm: keying.confirm,
		route: routeWords(route.legs, groups),
		cost: { route: costOf(route), typed: costOf(typed) }
	};
}

/** What was keyed so far: what the display showed when it was confirmed, by item id. */
export type Keyed = Readonly<Record<string, string>>;

/** Whether this value is in the control already: keyed, and keyed as the plan now wants it. */
export function isKeyed(item: CardItem, keyed: Keyed): boolean {
	return keyed[item.id] === item.shows;
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
