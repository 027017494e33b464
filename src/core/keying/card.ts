import type { ControlOptions, ControlProfile, Grouping, Program } from '../control';
import { isOperable } from '../machine';
import type { MenuWanted } from './atControl';
import { entryItemId, settingItems, type CardItem, type LooseItem } from './cardItems';
import { channelItems, type ChannelProgram } from './cardRoutes';
import { decide, plannedDays, wayOf, withKeys, type Way } from './cardWays';
import { keysOfCard, machineOptions, type CardKeys } from './gestures';
import { isMet, type Found, type ToKey } from './held';
import type { Keyed } from './keyed';
import { routeMinutes, type Pace } from './route';

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
