import type { State } from '../control';
import { firstOf, statesOf, type MenuField, type Operable, type Place } from '../machine';
import type { Goal, GoalOf } from './goal';
import { firstOfDay } from './strokes';

/** A goal whose value stands in a menu. */
export type InMenu = GoalOf<'option' | 'menu' | 'setpoint' | 'kept' | 'away' | 'clock'>;

/** Whether a field of a menu is the one of a goal. */
export function isOf(goal: InMenu, { id, setpoint }: MenuField): boolean {
	switch (goal.of) {
		case 'option':
			return id === goal.id;
		case 'menu':
			return id === `menu/${goal.id}`;
		case 'setpoint':
			return id === 'setpoints' && setpoint === goal.index;
		case 'kept':
			return id === (goal.side === 'heat' ? 'setpoint' : 'cool-setpoint');
		case 'away':
		case 'clock':
			return id === goal.field;
	}
}

/** The first state of a control in which a value is changed; null where that is at rest, or nowhere. */
export const stateOfValue = (profile: Operable, goal: InMenu): State | null =>
	[...statesOf(profile).of.values()].find(({ field }) => field?.of === 'value' && isOf(goal, field)) ?? null;

/** The place where a value stands: the program, or the first menu that has it; null where it is changed at rest. */
export function placeOfGoal(profile: Operable, goal: Goal): Place {
	if (goal.of === 'mode') return null;
	const isWeek = goal.of === 'field' || goal.of === 'copy';
	const state = isWeek ? firstOfDay(profile) : stateOfValue(profile, goal);
	return state && firstOf(state.id, isWeek ? goal.channel : 0);
}
