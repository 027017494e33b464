import type { ControlProfile } from '../control';
import {
	dayFields,
	degreeScale,
	degreesShown,
	entryOf,
	entryScale,
	entryShown,
	fieldShown,
	isCleared,
	optionAt,
	optionChoices,
	optionShown,
	scaleOf,
	type MachineOptions,
	type Memory,
	type Scale
} from '../machine';
import { stepOfKey, type Goal } from './goal';

/** The first position of a scale at which a display shows something; undefined where it never does. */
function showing({ low, high }: Scale, shows: string, shownAt: (at: number) => string): number | undefined {
	for (let at = low; at <= high; at++) if (shownAt(at) === shows) return at;
	return undefined;
}

/** What a step shows that was cleared. */
export const CLEARED = '--:--';

/** A value as it stands where the display shows something else in its place; null where it never shows that. */
export function goalShown(
	profile: ControlProfile,
	options: MachineOptions,
	goal: Goal,
	shows: string
): Goal | null {
	const standing = (position: number | undefined): Goal | null =>
		position === undefined ? null : ({ ...goal, position } as Goal);
	switch (goal.of) {
		case 'option': {
			const last = optionChoices(profile, goal.id).length - 1;
			const scale = { low: 0, high: last, round: true };
			return standing(showing(scale, shows, (at) => optionShown(profile, goal.id, at)));
		}
		case 'menu': {
			const entry = entryOf(profile, goal.id);
			if (!entry) return null;
			const scale = entryScale(profile, options.unit, entry);
			return standing(showing(scale, shows, (at) => entryShown(profile, options.unit, entry, at).shows));
		}
		case 'setpoint':
		case 'kept': {
			const scale = degreeScale(profile, options.unit, goal.of === 'kept' && goal.side === 'cool');
			return standing(showing(scale, shows, (at) => degreesShown(profile, options.unit, at)));
		}
		case 'field': {
			const step = stepOfKey(goal.key);
			if (shows === CLEARED) return { ...goal, key: `${step + 1}/clear`, position: null };
			const fields = dayFields(profile, options, goal.day);
			const field = fields.find(
				(one) => one.key === goal.key || (goal.position === null && one.step === step)
			);
			const at =
				field &&
				showing(scaleOf(profile, options, field), shows, (one) => fieldShown(profile, options, field, one));
			return field && at !== undefined ? { ...goal, key: field.key, position: at } : null;
		}
		default:
			return null;
	}
}

/** What the display shows in the place of a value by what a control holds; null where that is not known. */
export function shownAt(profile: ControlProfile, memory: Memory, goal: Goal): string | null {
	const { options } = memory;
	const degrees = (at: number | undefined) =>
		at === undefined ? null : degreesShown(profile, options.unit, at);
	switch (goal.of) {
		case 'option':
			return optionShown(profile, goal.id, optionAt(profile, options, goal.id));
		case 'menu': {
			const [entry, at] = [entryOf(profile, goal.id), memory.menu[goal.id]];
			return entry && at !== undefined ? entryShown(profile, options.unit, entry, at).shows : null;
		}
		case 'setpoint':
			return degrees(memory.setpoints[goal.index]);
		case 'kept':
			return degrees(memory.kept[goal.side]);
		case 'field': {
			const fields = dayFields(profile, options, goal.day);
			const content = memory.days[goal.channel]?.[goal.day] ?? {};
			const step = stepOfKey(goal.key);
			if (isCleared(profile, fields, content, step)) return CLEARED;
			const field = fields.find(
				(one) => one.key === goal.key || (goal.position === null && one.step === step)
			);
			const at = field && content[field.key];
			return field && at !== undefined ? fieldShown(profile, options, field, at) : null;
		}
		default:
			return null;
	}
}
