import type { StateId, When } from '../control';
import type { DayContent, Memory } from './memory';
import { dayRound, isCleared, opensAt, programFields } from './days';
import { scaleOf, type DayField, type Scale } from './fields';
import { statesOf } from './states';
import { menuAt, menuScale, type MenuField } from './menus';
import type { Operable } from './operable';

/** Where the cursor stands: nowhere (at rest), or in a state that has a field. `edit` is what stands in the field and was not taken yet. */
export type Place = null | {
	readonly at: StateId;
	readonly channel: number;
	/** The place in the round of day groups; see {@link dayRound}. */
	readonly group: number;
	readonly step: number;
	readonly edit: number | undefined;
	/** The place of the round that a copy is to go to, while that is being chosen. */
	readonly copyTo: number | null;
};
export type AtField = Exclude<Place, null>;

/** The cursor at the first field of a state. */
export const firstOf = (at: StateId, channel = 0): AtField => ({
	at,
	channel,
	group: 0,
	step: 0,
	edit: undefined,
	copyTo: null
});

/** What the cursor stands on. */
export type Under =
	| {
			readonly of: 'day';
			readonly field: DayField;
			/** Its place among the fields of its day. */
			readonly index: number;
			readonly fields: readonly DayField[];
			readonly content: DayContent;
			readonly days: readonly number[];
			/** Whether these are all days at once. */
			readonly all: boolean;
	  }
	| { readonly of: 'value'; readonly field: MenuField }
	| { readonly of: 'group'; readonly days: readonly number[] };

/** What the cursor stands on; null where there is nothing: a menu without a field, a step that the day has no more. */
export function underCursor(profile: Operable, memory: Memory, place: AtField): Under | null {
	const ref = statesOf(profile).of.get(place.at)?.field;
	if (!ref) return null;
	if (ref.of === 'value') return { of: 'value', field: ref };
	if (ref.of === 'group') return { of: 'group', days: dayRound(profile, memory.options)[place.group]!.days };
	const { fields, content, days } = programFields(profile, memory, place);
	// the fields of a step stand one after another, the same in each
	const key = ref.name === '' ? String(place.step) : `${place.step + 1}/${ref.name}`;
	const guess = place.step * statesOf(profile).names.length + statesOf(profile).names.indexOf(ref.name);
	const index = fields[guess]?.key === key ? guess : fields.findIndex((field) => field.key === key);
	const { all } = dayRound(profile, memory.options)[place.group]!;
	return index < 0 ? null : { of: 'day', field: fields[index]!, index, fields, content, days, all };
}

/** Where a field stands: at what was changed in it, else at what it opens at; null where a step is cleared, undefined where nobody knows. */
export const standsAt = (
	profile: Operable,
	memory: Memory,
	under: Exclude<Under, { of: 'group' }>,
	edit: number | undefined,
	atSeconds: number
): number | null | undefined =>
	edit ??
	(under.of === 'value'
		? menuAt(profile, memory, under.field, atSeconds)
		: opensAt(profile, memory.options, under.fields, under.content, under.index));

/** The scale on which what is under the cursor moves. */
export const scaleUnder = (
	profile: Operable,
	memory: Memory,
	under: Exclude<Under, { of: 'group' }>
): Scale =>
	under.of === 'value'
		? menuScale(profile, memory, under.field)
		: scaleOf(profile, memory.options, under.field);

/** Whether what a rule asks for is so. */
export function holds(
	profile: Operable,
	{ memory, mode, place }: { readonly memory: Memory; readonly mode: number; readonly place: Place },
	when: When | undefined
): boolean {
	if (!when) return true;
	if (when.mode && !when.mode.includes(mode)) return false;
	if (when.week && memory.options.plain) return false;
	// a day is copied, never days that are put together
	if (when.singles && !dayRound(profile, memory.options).every(({ days, all }) => all || days.length === 1))
		return false;
	if (!place || (when.cleared === undefined && !when.last)) return true;
	const under = underCursor(profile, memory, place);
	if (!under) return false;
	if (when.cleared !== undefined) {
		const is =
			under.of === 'day' &&
			place.edit === undefined &&
			isCleared(profile, under.fields, under.content, under.field.step);
		if (is !== when.cleared) return false;
	}
	const lasts = {
		step: under.of === 'day' && under.field.step === under.fields.at(-1)!.step,
		group: place.group === dayRound(profile, memory.options).length - 1
	};
	return (['step', 'group'] as const).every(
		(cursor) => when.last?.[cursor] === undefined || when.last[cursor] === lasts[cursor]
	);
}
