import isSame from 'fast-deep-equal';
import {
	isMet,
	keysFrom,
	strokesToRest,
	type CardItem,
	type Goal,
	type ItemKeys,
	type ToKey
} from '../keying';
import { groupName } from '../control';
import {
	dayFields,
	fieldShown,
	follow,
	groupingOf,
	optionAt,
	type MachineOptions,
	type MachineState,
	type Operable,
	type Stroke
} from '../machine';

/** A value that is asked for. */
export type Asked = Pick<CardItem, 'section' | 'what' | 'shows' | 'unit' | 'goal'>;

/** Where somebody stands who keys a card into a stand-in: by what the control really holds, whatever was pressed. */
export type Rehearsed =
	/** The first value that it does not hold yet, and the keys from where it stands. */
	| {
			readonly at: 'value';
			/** Its place on the card; null where a slip has made something else come first. */
			readonly index: number | null;
			readonly item: Asked;
			readonly keys: ItemKeys | null;
	  }
	/** All is in: what is left is to leave the menu and the mode. */
	| { readonly at: 'leaving'; readonly strokes: readonly Stroke[] }
	| { readonly at: 'done' };

/** Whether a control holds what a value of a card is to bring about. A mode is asked for only while the week is not in, or once it is. */
function isIn(
	profile: Operable,
	{ items, planned }: ToKey,
	{ memory, mode }: MachineState,
	goal: Goal
): boolean {
	switch (goal.of) {
		case 'option':
			return optionAt(profile, memory.options, goal.id) === goal.position;
		case 'copy': {
			// what was copied may have been corrected since, or copied onto once more on the way to its own
			const week = planned[goal.channel] ?? [];
			const later = items.slice(items.findIndex((item) => item.goal === goal));
			return goal.over.every((day) => {
				const held = memory.days[goal.channel]?.[day] ?? {};
				const sources = later.flatMap(({ goal: { of, ...one } }) =>
					of === 'copy' && 'over' in one && one.channel === goal.channel && one.over.includes(day)
						? [one.from]
						: []
				);
				return Object.keys(week[day] ?? {}).every((key) =>
					[day, ...sources].some((one) => held[key] === week[one]?.[key])
				);
			});
		}
		case 'mode':
			return profile.panel.modes?.names[mode] === goal.name;
		case 'field':
			// a day that was filled with the others may have been corrected since, field by field; and one that is
			// being made by a copy is no reason to fill all of them again
			return goal.all
				? (planned[goal.channel] ?? []).filter((content, day) => {
						const held = memory.days[goal.channel]?.[day] ?? {};
						return keysOf(profile, memory.options, goal, day).some(
							(key) => held[key] !== goal.position && held[key] !== content[key]
						);
					}).length < 2
				: isMet(profile, memory, goal);
		default:
			return isMet(profile, memory, goal);
	}
}

/** The fields that a value of all days touches on one of them: of a cleared step all. */
function keysOf(
	profile: Operable,
	options: MachineOptions,
	goal: Extract<Goal, { of: 'field' }>,
	day: number
): string[] {
	if (goal.position !== null) return [goal.key];
	const step = Number(goal.key.split('/')[0]) - 1;
	return dayFields(profile, options, day).flatMap((field) => (field.step === step ? [field.key] : []));
}

/** Whether a control holds the week of its card, whatever way it came to it. */
const holdsWeek = ({ planned }: ToKey, { memory }: MachineState): boolean =>
	planned.every((days, channel) =>
		days.every((content, day) => isSame(memory.days[channel]?.[day], content))
	);

/** Where a rehearsal stands: what the card asks for next, found from the control itself. */
export function rehearsed(profile: Operable, card: ToKey, state: MachineState): Rehearsed {
	const { items } = card;
	const plain = card.options.plain || profile.program.form === 'plain';
	const weekIn = plain || holdsWeek(card, state);
	const open = items.findIndex(({ id, goal }) => {
		if (goal.of === 'mode') return id === 'mode/before' && !weekIn && !isIn(profile, card, state, goal);
		// a day is corrected, or filled with the others, as long as the week is not in
		if ((goal.of === 'field' || goal.of === 'copy') && weekIn) return false;
		return !isIn(profile, card, state, goal);
	});
	if (open >= 0) {
		const item = items[open]!;
		const keys = keysFrom(profile, state, item.goal);
		// a slip can have left the control where the card's own value cannot be keyed by itself
		if (keys && isIn(profile, card, follow(profile, state, strokesOf(keys)), item.goal))
			return { at: 'value', index: open, item, keys };
	}
	if (!weekIn) {
		const item = firstMissing(profile, card, state);
		if (item) return { at: 'value', index: null, item, keys: keysFrom(profile, state, item.goal) };
	}
	const after = items.find(({ id }) => id === 'mode/after');
	const isAfter = !after || isIn(profile, card, state, after.goal);
	const strokes = isAfter ? strokesToRest(profile, state) : (keysFrom(profile, state, after.goal)?.way ?? []);
	return strokes.length > 0 ? { at: 'leaving', strokes } : { at: 'done' };
}

/** All the strokes of a value, in their order. */
export const strokesOf = (keys: Pick<ItemKeys, 'way' | 'change' | 'take'>): Stroke[] => [
	...keys.way,
	...(keys.change ?? []),
	...keys.take
];

/** The first value of the week that the control does not hold: a day's fields in their order, whatever route the card takes. */
function firstMissing(profile: Operable, { planned }: ToKey, { memory }: MachineState): Asked | null {
	const { options } = memory;
	const { groups } = groupingOf(profile, options);
	for (const [channel, week] of planned.entries()) {
		if (week.length === 0) continue;
		for (const days of groups) {
			const day = days[0]!;
			const [held, wanted] = [memory.days[channel]?.[day] ?? {}, week[day] ?? {}];
			const field = dayFields(profile, options, day).find(({ key }) => held[key] !== wanted[key]);
			if (!field) continue;
			const position = wanted[field.key] ?? null;
			const key = position === null ? `${field.step + 1}/clear` : field.key;
			return {
				section: groupName(days),
				what: field.label,
				shows: fieldShown(profile, options, field, position),
				unit: field.kind === 'heat' || field.kind === 'cool' ? `°${options.unit}` : '',
				goal: { of: 'field', channel, day, all: false, key, position }
			};
		}
	}
	return null;
}

/** Whether a stroke is one that the card asks for next: the first of what is left of it, or a part of that. */
export function isAsked(rehearsed: Rehearsed, stroke: Stroke): boolean {
	if (rehearsed.at === 'done') return false;
	const keys = rehearsed.at === 'leaving' ? null : rehearsed.keys;
	const asked: readonly Stroke[] =
		rehearsed.at === 'leaving' ? rehearsed.strokes : keys ? strokesOf(keys) : [];
	const [first] = asked;
	if (!first) return false;
	if (stroke.do === 'press' || stroke.do === 'run')
		return (first.do === 'press' || first.do === 'run') && first.key === stroke.key;
	if (stroke.do === 'hold')
		return first.do === 'hold' && first.keys.every((key) => stroke.keys.includes(key));
	return isSame(stroke, first);
}
