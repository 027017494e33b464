import { dateOfDay } from '../civil';
import { awayPlaceAt, isAwayField, type AwayField, type ControlOptions } from '../control';
import { degreesAt, menuShown, type Operable, type Stroke } from '../machine';
import { DAY_MINUTES } from '../week';
import { knownAsFound, type Known } from './known';
import { keysInTurn } from './fromStand';
import type { GoalOf } from './goal';
import type { ItemKeys } from './planner';
import { machineOptions } from './strokes';

/** One value of an absence as it is keyed. */
export interface AwayKey {
	readonly field: AwayField;
	/** Where it is to stand on its scale. */
	readonly position: number;
	/** What the display must show, and the unit behind it. */
	readonly shows: string;
	readonly unit: string;
	readonly keys: ItemKeys;
}

/** An absence as it is keyed: value by value, and the way out. */
export interface AwayKeys {
	readonly values: readonly AwayKey[];
	readonly leave: readonly Stroke[];
}

/** An absence as the control takes it, planned: by days, from and until in wall minutes, the return, the setpoint in °C. */
export interface AbsenceToKey {
	readonly by: 'days' | 'return-date' | 'periods' | 'until-ended' | 'by-hand';
	readonly days: number | null;
	readonly fromWall: number;
	readonly toWall: number | null;
	readonly backWall: number;
	readonly setpointC: number;
}

/** What stands in each field of an absence's menu for an absence; null where the control does not take it so. */
function positions(
	profile: Operable,
	unit: 'C' | 'F',
	absence: AbsenceToKey
): Partial<Record<AwayField, number>> | null {
	const at = { 'away-setpoint': degreesAt(profile, unit, absence.setpointC) };
	const date = (wall: number) =>
		dateOfDay(Math.floor(wall / DAY_MINUTES))
			.split('-')
			.map(Number);
	switch (absence.by) {
		case 'days':
			return { ...at, 'away-days': absence.days! };
		case 'return-date': {
			const [, month, day] = date(absence.backWall);
			const minute = absence.backWall % DAY_MINUTES;
			return {
				...at,
				'back-month': month!,
				'back-day': day!,
				'back-hour': Math.floor(minute / 60),
				'back-minute': minute % 60
			};
		}
		case 'periods': {
			const [, firstMonth, firstDay] = date(absence.fromWall);
			const [, lastMonth, lastDay] = date(absence.toWall! - 1);
			return {
				...at,
				'first-month': firstMonth!,
				'first-day': firstDay!,
				'last-month': lastMonth!,
				'last-day': lastDay!
			};
		}
		case 'until-ended':
		case 'by-hand':
			return null;
	}
}

/** What the menu of a control asks for of an absence, field by field in its order; none where it has no such menu, or takes no such absence. */
export function awayGoals(profile: Operable, unit: 'C' | 'F', absence: AbsenceToKey): GoalOf<'away'>[] {
	const place = profile.panel.places[awayPlaceAt(profile.panel)];
	const wanted = (place && positions(profile, unit, absence)) ?? {};
	return (place?.fields ?? []).flatMap((field) => {
		const position = isAwayField(field) ? wanted[field] : undefined;
		return position === undefined ? [] : [{ of: 'away' as const, field: field as AwayField, position }];
	});
}

/**
 * The keys by which an absence is set, value by value in the order of the control's own menu, from rest. `known` is what
 * is known of the control; without it nothing is, and each value is changed until it shows what it must. null where
 * the panel has no menu for it, or the absence is none that such a control takes.
 */
export function awayKeys(
	profile: Operable,
	options: ControlOptions,
	absence: AbsenceToKey,
	known: Known = knownAsFound(profile, machineOptions(profile, options, profile.groupings[0]!), 'in-use')
): AwayKeys | null {
	const goals = awayGoals(profile, options.unit, absence);
	if (goals.length === 0) return null;
	const turn = keysInTurn(profile, known, goals);
	return (
		turn && {
			values: goals.map(({ field, position }, i) => ({
				field,
				position,
				...menuShown(profile, known.memory.options, { id: field }, position),
				keys: turn.keys[i]!
			})),
			leave: turn.leave
		}
	);
}
