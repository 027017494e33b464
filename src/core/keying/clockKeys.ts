import { weekdayOfDay } from '../civil';
import type { ControlOptions, ControlProfile, PlaceField } from '../control';
import { isOperable, menuFields, menuShown, type Stroke } from '../machine';
import { standingAt } from './card';
import { CLOCK_FIELDS, type GoalOf } from './goal';
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
	if (!isOperable(profile)) return null;
	const place = profile.panel.places.find(({ fields }) => fields.some(isClock));
	if (!place) return null;
	const set = machineOptions(profile, options, profile.groupings[0]!);
	const { known } = standingAt(profile, set, noted);
	const day = Math.floor(wallMinute / 1440);
	const minute = wallMinute - day * 1440;
	const at = {
		'clock-day': weekdayOfDay(day),
		'clock-hour': Math.floor(minute / 60),
		'clock-minute': minute % 60
	};
	const fields = menuFields(profile, place).flatMap((field) =>
		isClock(field.id) ? [{ field, id: field.id, position: at[field.id] }] : []
	);
	const turn = keysInTurn(
		profile,
		known,
		fields.map(({ id, position }) => ({ of: 'clock', field: id, position }))
	);
	return (
		turn && {
			fields: fields.map(({ field, id, position }, i) => ({
				field: id,
				shows: menuShown(profile, known.memory.options, field, position).shows,
				keys: turn.keys[i]!
			})),
			leave: turn.leave
		}
	);
}
