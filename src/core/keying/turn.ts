import isSame from 'fast-deep-equal';
import { groupName, type ControlProfile } from '../control';
import {
	clearable,
	dayFields,
	entryOf,
	fieldShown,
	follow,
	groupingOf,
	isOperable,
	type DayContent,
	type DayField,
	type MachineOptions,
	type Operable,
	type Stroke
} from '../machine';
import type { CardItem } from './cardItems';
import { keysOfRun, stepOfKey, type Goal, type GoalOf } from './goal';
import { fieldKeys, knownAsFound, satisfies, withGoal, type Known } from './known';
import { KeyPlanner, type ItemKeys } from './planner';
import { atRest, stateOf, type Stand } from './stand';
import { isOnlyWritten, strokePresses } from './strokes';

/** What a card asks for: its values, the options that they set, and what each day is to hold in the end, by channel; no days of one for which nothing is planned. */
export interface ToKey {
	readonly items: readonly CardItem[];
	readonly options: MachineOptions;
	readonly planned: readonly (readonly DayContent[])[];
}

/** A value that is asked for. */
export type Asked = Pick<CardItem, 'id' | 'section' | 'what' | 'shows' | 'unit' | 'goal'>;

/** One value of a turn at a control: its keys, and where the hand stands before and after them. */
export interface TurnStep {
	readonly item: Asked;
	/** Its place on the card; null for one that only what is there already makes necessary. */
	readonly index: number | null;
	/** null where the keys of the control are not described. */
	readonly keys: ItemKeys | null;
	readonly before: Stand;
	readonly after: Stand;
}

/** What is left to key from where a hand stands: the values in their order, the way out, and what all of it takes. */
export interface Turn {
	readonly steps: readonly TurnStep[];
	readonly leave: readonly Stroke[];
	readonly presses: number;
	/** Where the hand stands after the last value, and once it has left. */
	readonly last: Stand;
	readonly end: Stand;
}

/** More values than any week has. */
const MOST_MISSING = 800;

/** Whether the week is in, whatever way it came. */
export const holdsWeek = ({ planned, options }: ToKey, { memory }: Known): boolean =>
	options.plain ||
	planned.every((days, channel) =>
		days.every((content, day) => isSame(memory.days[channel]?.[day], content))
	);

/** The days of which a day may stand as planned once a copy onto it is in: its own, and those that are still to be copied onto it. */
function likeDays({ items }: ToKey, goal: GoalOf<'copy'>, day: number): readonly number[] {
	const later = items.slice(items.findIndex((item) => item.goal === goal));
	const sources = later.flatMap(({ goal: one }) =>
		one.of === 'copy' && one.channel === goal.channel && one.over.includes(day) ? [one.from] : []
	);
	return [day, ...sources];
}

/** The first value of a day as it is held that is none of what the copies onto another make of that; undefined where there is none. */
function unlike(card: ToKey, { memory }: Known, goal: GoalOf<'copy'>, held: number, onto: number) {
	const week = card.planned[goal.channel] ?? [];
	const content = memory.days[goal.channel]?.[held] ?? {};
	const days = likeDays(card, goal, onto);
	return Object.keys(week[onto] ?? {}).find((key) => days.every((one) => content[key] !== week[one]?.[key]));
}

/** Whether a day that was copied stands as planned, or as one that is still to be copied onto it. */
const copyIsIn = (card: ToKey, known: Known, goal: GoalOf<'copy'>): boolean =>
	goal.over.every((day) => unlike(card, known, goal, day, day) === undefined);

/** Whether all days at once need no filling: each holds it, or was corrected since. One day alone is no reason to fill all of them. */
function allIsIn(profile: ControlProfile, { planned }: ToKey, { memory }: Known, goal: GoalOf<'field'>) {
	const open = (planned[goal.channel] ?? []).filter((content, day) => {
		const held = memory.days[goal.channel]?.[day] ?? {};
		const keys =
			goal.position !== null
				? [goal.key]
				: dayFields(profile, memory.options, day).flatMap((field) =>
						field.step === stepOfKey(goal.key) ? [field.key] : []
					);
		return keys.some((key) => held[key] !== goal.position && held[key] !== content[key]);
	});
	return open.length < 2;
}

/** Whether a value of a card is in: the control holds what it is to bring about, whatever brought that. */
export function isIn(profile: ControlProfile, card: ToKey, known: Known, goal: Goal): boolean {
	switch (goal.of) {
		case 'mode':
			if (goal.when === 'before' && holdsWeek(card, known)) return true;
			return satisfies(profile, known, goal);
		case 'copy':
			return copyIsIn(card, known, goal) || holdsWeek(card, known);
		case 'field':
			if (goal.all) return allIsIn(profile, card, known, goal) || holdsWeek(card, known);
			return satisfies(profile, known, goal);
		default:
			return satisfies(profile, known, goal);
	}
}

/** A value of the week by itself, as it is asked for where no value of the card is it. */
function missing(
	profile: ControlProfile,
	{ planned }: ToKey,
	options: MachineOptions,
	of: {
		readonly channel: number;
		readonly days: readonly number[];
		readonly field: DayField;
		readonly all?: boolean;
	}
): Asked {
	const { channel, days, field, all = false } = of;
	const day = days[0]!;
	const position = planned[channel]?.[day]?.[field.key] ?? null;
	const key = position === null ? `${field.step + 1}/clear` : field.key;
	return {
		id: `missing/${channel}/${day}/${key}`,
		section: groupName(days),
		what: field.label,
		shows: fieldShown(profile, options, field, position),
		unit: field.kind === 'heat' || field.kind === 'cool' ? `°${options.unit}` : '',
		goal: { of: 'field', channel, day, all, key, position }
	};
}

/** Of a day whose values can be passed only by writing them: the first before a value of which nobody knows what it holds. */
function unwritten(
	profile: ControlProfile,
	card: ToKey,
	{ memory }: Known,
	goal: GoalOf<'field'>
): Asked | null {
	const { options } = memory;
	const held = memory.days[goal.channel]?.[goal.day] ?? {};
	const fields = dayFields(profile, options, goal.day);
	const upTo = fields.findIndex(({ key }) => key === goal.key);
	const field = fields.slice(0, upTo).find(({ key }) => held[key] === undefined);
	if (!field) return null;
	const own = card.items.find(
		({ goal: one }) =>
			one.of === 'field' &&
			one.channel === goal.channel &&
			one.day === goal.day &&
			keysOfRun(one).includes(field.key)
	);
	const days = daysWith(profile, options, goal.day);
	return own ?? missing(profile, card, options, { channel: goal.channel, days, field });
}

/** What has to be in before a value: of a step that was cleared its first field, of a day that is copied all that the others are to get; null where nothing is in the way. */
function isBefore(profile: ControlProfile, card: ToKey, known: Known, goal: Goal): Asked | null {
	const { memory } = known;
	const { options } = memory;
	if (goal.of === 'copy') {
		const { channel, from } = goal;
		const key = goal.over.flatMap((day) => unlike(card, known, goal, from, day) ?? [])[0];
		const field = dayFields(profile, options, from).find((one) => one.key === key);
		return field
			? missing(profile, card, options, { channel, days: daysWith(profile, options, from), field })
			: null;
	}
	if (goal.of === 'field' && isOnlyWritten(profile)) return unwritten(profile, card, known, goal);
	if (goal.of !== 'field' || goal.position === null || !clearable(profile)) return null;
	const content = memory.days[goal.channel]?.[goal.all ? 0 : goal.day] ?? {};
	const step = dayFields(profile, options, goal.day).filter((one) => one.step === stepOfKey(goal.key));
	const [field] = step;
	if (!field || field.key === goal.key || step.some(({ key }) => content[key] != null)) return null;
	const asked = missing(profile, card, options, {
		channel: goal.channel,
		days: daysWith(profile, options, goal.day),
		field,
		all: goal.all
	});
	return asked.goal.of === 'field' && asked.goal.position !== null ? asked : null;
}

/** The days that are set together with one. */
const daysWith = (profile: ControlProfile, options: MachineOptions, day: number): readonly number[] =>
	groupingOf(profile, options).groups.find((days) => days[0] === day) ?? [day];

/** The first value of the week that is not in, whatever route the card takes. */
function firstMissing(profile: ControlProfile, card: ToKey, { memory }: Known): Asked | null {
	const { options } = memory;
	const { planned } = card;
	const { groups } = groupingOf(profile, options);
	for (const [channel, week] of planned.entries()) {
		if (week.length === 0) continue;
		for (const days of groups) {
			const day = days[0]!;
			const [held, wanted] = [memory.days[channel]?.[day] ?? {}, week[day] ?? {}];
			const field = dayFields(profile, options, day).find(({ key }) => held[key] !== wanted[key]);
			if (!field) continue;
			return missing(profile, card, options, { channel, days, field });
		}
	}
	return null;
}

/** What is known once a way is gone that begins with a value still to be taken: leaving its place may take it. */
function onArrival(profile: Operable, stand: Stand, way: readonly Stroke[]): Known {
	const { known, place } = stand;
	if (place?.edit === undefined) return known;
	const there = follow(profile, stateOf(profile, stand), way);
	return { ...known, memory: there.memory };
}

/** The keys for one value from a stand, and the stand after them: of a control whose keys nobody described there are none. */
export function keyed(
	profile: ControlProfile,
	stand: Stand,
	goal: Goal
): { readonly keys: ItemKeys | null; readonly after: Stand } {
	const planner = isOperable(profile) ? new KeyPlanner(profile, stand) : null;
	const keys = planner?.reach(goal) ?? null;
	if (planner && keys) {
		const { stand: after } = planner;
		if (goal.of !== 'option' && goal.of !== 'menu') return { keys, after };
		// what a setting takes along hangs on what else is known, and on what its way has taken
		const begun = onArrival(planner.profile, stand, keys.way);
		return {
			keys,
			after: { ...after, known: { ...withGoal(profile, begun, goal), mode: after.known.mode } }
		};
	}
	return { keys, after: atRest(withGoal(profile, stand.known, goal)) };
}

/** The strokes from a stand to rest, and the stand after them. */
export function leaving(profile: ControlProfile, stand: Stand): { leave: readonly Stroke[]; end: Stand } {
	if (!isOperable(profile)) return { leave: [], end: stand };
	const planner = new KeyPlanner(profile, stand);
	const leave = planner.leave();
	return { leave, end: planner.stand };
}

/** Whether what other values mean, or whether they last, hangs on a value: it comes before them, wherever somebody begins. */
function comesFirst(profile: ControlProfile, goal: Goal): boolean {
	if (goal.of === 'mode') return goal.when === 'before';
	if (goal.of !== 'menu') return goal.of === 'option';
	const wipes = entryOf(profile, goal.id)?.wipes ?? 'nothing';
	return wipes === 'program' || wipes === 'all';
}

/** The places of a card's values in the order in which they are asked for: from one on and round, what others hang on before all, what closes the card last. */
function inOrder(profile: ControlProfile, items: readonly CardItem[], first: number): readonly number[] {
	const round = items.map((_, n) => (first + n) % items.length);
	const isFirst = (at: number) => comesFirst(profile, items[at]!.goal);
	const isLast = (at: number) => items[at]!.goal.of === 'mode' && !isFirst(at);
	const early = items.map((_, at) => at).filter(isFirst);
	return [...early, ...round.filter((at) => !isFirst(at) && !isLast(at))];
}

/**
 * What is left to key from where a hand stands, beginning with the value at `first` and going
 * round: what is in is passed over; what no value of the card brings about any more is asked for by itself.
 */
export function turnFrom(profile: ControlProfile, card: ToKey, stand: Stand, first = 0): Turn {
	const { items } = card;
	const steps: TurnStep[] = [];
	let now = stand;
	const add = (item: Asked, index: number | null) => {
		for (let first, n = 0; n < MOST_MISSING && (first = isBefore(profile, card, now.known, item.goal)); n++) {
			const { goal } = first;
			const at = items.findIndex((one) => isSame(one.goal, goal));
			add(items[at] ?? first, at < 0 ? null : at);
		}
		const { keys, after } = keyed(profile, now, item.goal);
		steps.push({ item, index, keys, before: now, after });
		now = after;
	};
	const order = inOrder(profile, items, first);
	// once more round where a value took along what another had brought about
	for (let round = 0; round < 2; round++)
		for (const index of order) {
			const { goal } = items[index]!;
			if (!isIn(profile, card, now.known, goal)) add(items[index]!, index);
		}
	for (let n = 0; n < MOST_MISSING; n++) {
		const next = holdsWeek(card, now.known) ? null : firstMissing(profile, card, now.known);
		if (!next) break;
		add(next, null);
	}
	const last = items.findIndex(({ goal }) => goal.of === 'mode' && goal.when === 'after');
	if (last >= 0 && !isIn(profile, card, now.known, items[last]!.goal)) add(items[last]!, last);
	const { leave, end } = leaving(profile, now);
	const presses = steps.reduce(
		(sum, { keys }) => sum + (keys?.presses ?? 0),
		isOperable(profile) ? strokePresses(profile, leave) : 0
	);
	return { steps, leave, presses, last: now, end };
}

/**
 * All that a value changes in the week of a control apart from what it is of: the fields that were filled on the way to it, and
 * those that were filled with what nobody knows.
 */
export function passedBy(
	profile: ControlProfile,
	{ item: { goal }, before, after }: TurnStep
): { readonly filled: Goal[]; readonly unknown: Goal[] } {
	const expected = withGoal(profile, before.known, goal).memory;
	const now = after.known.memory;
	const filled: Goal[] = [];
	const unknown: Goal[] = [];
	for (const [channel, week] of now.days.entries())
		for (const [day, content] of week.entries()) {
			const was = expected.days[channel]![day]!;
			if (was === content) continue;
			for (const key of new Set([...Object.keys(was), ...Object.keys(content)])) {
				const position = content[key];
				if (position === was[key] || position === null) continue;
				const of = { of: 'field' as const, channel, day, all: false, key };
				if (position === undefined) unknown.push({ ...of, position: 0 });
				else filled.push({ ...of, position });
			}
		}
	return { filled, unknown };
}

/** What each value of a goal is noted under, where it was read from the display. */
export function refsOf(profile: ControlProfile, known: Known, goal: Goal): string[] {
	switch (goal.of) {
		case 'field':
			return fieldKeys(profile, known.memory, goal).map((key) => `${goal.channel}/${goal.day}/${key}`);
		case 'setpoint':
			return [`setpoint/${goal.index}`];
		case 'kept':
			return [`kept/${goal.side}`];
		case 'menu':
			return [`menu/${goal.id}`];
		case 'option':
			return [`option/${goal.id}`];
		default:
			return [];
	}
}

/** What a card takes on a control as new, and what the control holds after it. */
export function cardAsNew(profile: ControlProfile, card: ToKey): Turn & { readonly memory: Known['memory'] } {
	const turn = turnFrom(profile, card, atRest(knownAsFound(profile, card.options, 'as-new')));
	return { ...turn, memory: turn.last.known.memory };
}
