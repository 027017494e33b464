import isSame from 'fast-deep-equal';
import {
	OPTION_IDS,
	type ControlOptions,
	type ControlProfile,
	type Grouping,
	type Program
} from '../control';
import { isOperable, optionAt, type MachineOptions } from '../machine';
import type { MenuWanted } from './atControl';
import { settingItems, type CardItem, type LooseItem } from './cardItems';
import { channelItems, type ChannelProgram } from './cardRoutes';
export type { ChannelProgram };
import { decide, plannedDays, weightOf, withKeys } from './cardWays';
import { satisfies, type Known } from './known';
import { isNoted, noNotes, notesAt, replayed, type Notes } from './notes';
import { atRest } from './stand';
import { machineOptions } from './strokes';
import { routeMinutes, type Pace } from './route';
import { turnFrom, type ToKey, type Turn } from './turn';

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
	/** The route in the order of doing, a sentence a step: which day to type, which to copy, which to put right. */
	readonly route: readonly string[];
	/** What its keys and what is left of it are found from. */
	readonly operated: Omit<ToKey, 'items'>;
	/** What this way of keying takes, what the week in plain order, by the fewest presses, and with every value typed would, for a control as it was found. */
	readonly cost: Readonly<Record<'route' | 'plain' | 'fewest' | 'typed', KeyCost>>;
}

/** What keying takes: values looked at and set, presses, and minutes at a person's pace. */
export interface KeyCost {
	readonly values: number;
	readonly presses: number;
	readonly minutes: number;
}

/** What is known of a control as it was found, and by now. */
export interface CardStanding {
	readonly found: Known;
	readonly known: Known;
	/** A name for how it was found, where many are found so; else null. */
	readonly as: 'as-new' | 'in-use' | null;
}

/** What is known of a control by what is noted at it; of one at which nothing is, what holds of one as new. */
export function standingAt(profile: ControlProfile, options: MachineOptions, noted: Notes): CardStanding {
	const own = notesAt(profile, noted);
	const notes = isNoted(own) ? own : { ...own, found: 'as-new' as const };
	const { found, known } = replayed(profile, notes, options);
	const isRead = notes.before !== null || notes.acts[0]?.what === 'read';
	return { found, known, as: isRead ? null : (notes.found ?? 'in-use') };
}

/** Whether a control holds something that it neither held when it was found nor is to hold: another plan was keyed. */
function holdsOther(
	{ found, known }: CardStanding,
	{ planned, options }: Omit<ToKey, 'items'>,
	profile: ControlProfile
) {
	const [was, is] = [found.memory, known.memory];
	if (was === is) return false;
	const moved = OPTION_IDS.some((id) => {
		const at = optionAt(profile, is.options, id);
		return at !== optionAt(profile, was.options, id) && at !== optionAt(profile, options, id);
	});
	return (
		moved ||
		is.days.some((week, channel) =>
			week.some((content, day) => {
				const [before, wanted] = [was.days[channel]![day]!, planned[channel]?.[day]];
				return (
					content !== before &&
					wanted !== undefined &&
					Object.entries(content).some(([key, at]) => at !== before[key] && at !== wanted[key])
				);
			})
		)
	);
}

/**
 * The card for the programs of a control's channels, in the order in which they are given: the settings that come before them, once for
 * the control, then the values channel by channel by the cheapest route, in the order the control asks for them. What it held when it was
 * found is not asked for. `grouping` must be that of every program; `menu` is what {@link menuWanted} says of the entries of its own menus;
 * `set` are the options of the control. Without channels it is the card of its settings alone.
 */
export function controlCard(
	profile: ControlProfile,
	channels: readonly ChannelProgram[],
	grouping: Grouping,
	noted: Notes = noNotes(profile),
	pace?: Pace,
	menu: readonly MenuWanted[] = [],
	set: ControlOptions = channels[0]!.options
): KeyCard {
	const { keying } = profile;
	const options = machineOptions(profile, set, grouping);
	const standing = standingAt(profile, options, noted);
	const single = keying.presses.field + 2;
	const once = (item: LooseItem): CardItem => ({
		...item,
		from: null,
		presses: single,
		gesture: null,
		stood: satisfies(profile, standing.found, item.goal)
	});
	const bracket = (when: 'before' | 'after', section: string, aside: string): CardItem[] =>
		keying.bracket && channels.length > 0
			? [
					once({
						id: `mode/${when}`,
						section,
						what: 'mode',
						shows: keying.bracket[when],
						unit: '',
						aside,
						before: null,
						goal: { of: 'mode', name: keying.bracket[when], when },
						why: null
					})
				]
			: [];
	const opening = bracket('before', 'Before anything', 'it takes no values otherwise');
	const closing = bracket('after', 'At the end', 'otherwise the program does not run');
	const settings = settingItems(profile, set, grouping, menu);

	/** All that a card can be made of where so much is known. */
	const from = (known: Known) => {
		const all = channels.map((one) => channelItems(profile, one, known));
		const setpoints = all
			.flatMap((one) => one.settings)
			.filter((item, i, every) => every.findIndex(({ id }) => id === item.id) === i);
		const whole = (weeks: readonly (readonly CardItem[])[]) => [
			...opening,
			...[...settings, ...setpoints].map(once),
			...weeks.flat(),
			...closing
		];
		return { all, whole };
	};
	const made = from(standing.found);
	const operated = {
		options,
		planned: plannedDays(
			profile,
			options,
			made.all.flatMap((one) => one.each()),
			grouping
		)
	};
	const turn = (items: readonly CardItem[], known: Known) =>
		turnFrom(profile, { items, ...operated }, atRest(known));

	/** The card by the best of its routes for where so much is known. */
	const best = ({ all, whole }: ReturnType<typeof from>, known: Known, key: string | null) => {
		const along = (routes: readonly number[]) => whole(all.map((one, i) => one.routes[routes[i]!]!.week));
		const { taken, fewest } = decide(
			channels.map(({ program }) => program),
			key && `${profile.id}/${key}`,
			all.map((one) => one.routes.length),
			(tried) => weightOf(turn(along(tried), known))
		);
		const plain = taken.map(() => 0);
		return {
			items: along(taken),
			words: all.flatMap((one, i) => one.routes[taken[i]!]!.words),
			plain: isSame(plain, taken) ? null : () => along(plain),
			fewest: isSame(fewest, taken) ? null : () => along(fewest)
		};
	};
	const planned = best(made, standing.found, standing.as);
	const first = turn(planned.items, standing.known);
	// what was keyed by another plan is no part of this one's route: then what differs may be less
	const other = holdsOther(standing, operated, profile)
		? best(from(standing.known), standing.known, null)
		: null;
	const instead = other && turn(other.items, standing.known);
	const isLess = instead !== null && weightOf(instead) < weightOf(first);
	const { items, words } = isLess ? other! : planned;
	const left = isLess ? instead : first;

	/** What a turn takes, counted only when somebody asks: most who need a card do not. */
	const costOf = (whose: () => Turn): KeyCost => {
		let known: Turn | undefined;
		const now = () => (known ??= whose());
		return {
			get values() {
				return now().steps.length;
			},
			get presses() {
				return now().presses;
			},
			get minutes() {
				return routeMinutes({ presses: now().presses, looks: now().steps.length }, pace);
			}
		};
	};
	const route = costOf(() =>
		standing.found === standing.known ? left : turn(planned.items, standing.found)
	);
	const keysOf = new Map(left.steps.map(({ index, keys }) => [index, keys]));
	return {
		enter: keying.enter,
		leave: keying.leave,
		timeoutSeconds: keying.timeoutSeconds,
		confirm: keying.confirm,
		route: words,
		operated,
		items: isOperable(profile)
			? items.map((item, i) => withKeys(profile, item, keysOf.get(i) ?? null))
			: items,
		cost: {
			route,
			plain: planned.plain ? costOf(() => turn(planned.plain!(), standing.found)) : route,
			fewest: planned.fewest ? costOf(() => turn(planned.fewest!(), standing.found)) : route,
			typed: costOf(() => turn(made.whole(made.all.map((one) => one.typedItems())), standing.found))
		}
	};
}

/** The card for the program of a control with one channel; see {@link controlCard}. */
export const keyCard = (
	profile: ControlProfile,
	options: ControlOptions,
	grouping: Grouping,
	program: Program,
	noted: Notes = noNotes(profile),
	pace?: Pace,
	menu: readonly MenuWanted[] = []
): KeyCard => controlCard(profile, [{ options, program }], grouping, noted, pace, menu);
