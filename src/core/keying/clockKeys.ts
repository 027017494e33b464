import { dateOfDay, weekdayOfDay } from '../civil';
import { CLOCK_FIELDS, type ControlOptions, type ControlProfile, type PlaceField } from '../control';
import { isOperable, menuShown, statesOf, type Operable, type Stroke } from '../machine';
import { standingAt } from './card';
import type { GoalOf } from './goal';
import type { Notes } from './notes';
import { keysInTurn } from './fromStand';
import type { ItemKeys } from './planner';
import { machineOptions } from './strokes';

/** A field of a control's clock: what its display is to show there, and the keys for it. */
export interface ClockKey {
	readonly field: GoalOf<'clock'>['field'];
	readonly shows: string;
	readonly keys: ItemKeys;
}

const isClock = (id: PlaceField): id is ClockKey['field'] => (CLOCK_FIELDS as readonly string[]).includes(id);

/** What the menus of a control ask for of its clock, field by field in their order, as it is to stand at a wall minute ({@link wallAt}); none where its panel does not say. */
export function clockGoals(profile: Operable, wallMinute: number): GoalOf<'clock'>[] {
	const asked = [...statesOf(profile).of.values()].flatMap(({ field }) =>
		field?.of === 'value' && isClock(field.id) ? [field.id] : []
	);
	const day = Math.floor(wallMinute / 1440);
	const minute = wallMinute - day * 1440;
	const [year, month, date] = dateOfDay(day).split('-').map(Number);
	const at = {
		'clock-day': weekdayOfDay(day),
		'clock-hour': Math.floor(minute / 60),
		'clock-minute': minute % 60,
		'clock-time': minute,
		'clock-year': year!,
		'clock-month': month!,
		'clock-date': date!
	};
	return [...new Set(asked)].map((field) => ({ of: 'clock', field, position: at[field] }));
}

/**
 * The keys that set a control's clock from rest, field by field in the order of its menu, and those that leave it. null where its panel does
 * not say how. `wallMinute` is the time to set, as {@link wallAt} gives it.
 */
export function clockKeys(
	profile: ControlProfile,
	options: ControlOptions,
	noted: Notes,
	wallMinute: number
): { readonly fields: readonly ClockKey[]; readonly leave: readonly Stroke[] } | null {
	const goals = isOperable(profile) ? clockGoals(profile, wallMinute) : [];
	if (!isOperable(profile) || goals.length === 0) return null;
	const set = machineOptions(profile, options, profile.groupings[0]!);
	const { known } = standingAt(profile, set, noted);
	const turn = keysInTurn(profile, known, goals);
	return (
		turn && {
			fields: goals.map(({ field, position }, i) => ({
				field,
				shows: menuShown(profile, known.memory.options, { id: field }, position).shows,
				keys: turn.keys[i]!
			})),
			leave: turn.leave
		}
	);
}
