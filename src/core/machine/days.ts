import type { ControlProfile } from '../control';
import { memoBy } from '../schema';
import { dayFields, scaleOf, type DayField, type MachineOptions, type Scale } from './fields';
import { groupingOf, type DayContent, type Memory } from './memory';

interface RoundPlace {
	readonly days: readonly number[];
	readonly all: boolean;
}
/** The days of each place in the round of day groups: all days at once first, where the control has that, then its groups. */
export const dayRound = memoBy(
	({ grouping }: MachineOptions) => grouping,
	(profile: ControlProfile, options: MachineOptions): readonly RoundPlace[] => {
		const groups = groupingOf(profile, options).groups.map((days) => ({ days, all: false }));
		return profile.keying.allDays && groups.length > 1
			? [{ days: [0, 1, 2, 3, 4, 5, 6], all: true }, ...groups]
			: groups;
	}
);

/** What a step of a day stands at, whether it was cleared, and where an empty field opens. */
export function programFields(
	profile: ControlProfile,
	memory: Memory,
	at: { readonly channel: number; readonly group: number }
): { readonly fields: readonly DayField[]; readonly content: DayContent; readonly days: readonly number[] } {
	const { days } = dayRound(profile, memory.options)[at.group]!;
	return {
		fields: dayFields(profile, memory.options, days[0]!),
		content: memory.days[at.channel]![days[0]!]!,
		days
	};
}

export const clearable = ({ program }: ControlProfile) =>
	program.form === 'pairs' || (program.form === 'events' && program.clearable);

/** Whether nothing at all stands in the step of a field. */
export const isCleared = (
	profile: ControlProfile,
	fields: readonly DayField[],
	content: DayContent,
	step: number
): boolean => clearable(profile) && fields.every((one) => one.step !== step || content[one.key] === null);

/** Whether nothing may stand in the step of a field, for all that is known: then nobody knows where its fields open. */
export const mayBeCleared = (
	profile: ControlProfile,
	fields: readonly DayField[],
	content: DayContent,
	step: number
): boolean => clearable(profile) && fields.every((one) => one.step !== step || content[one.key] == null);

/**
 * Where a field of the program stands when the cursor comes to it: at what it holds; an empty one at what the like field
 * before it holds, else at the lowest. null in a step that was cleared, undefined where it is not known.
 */
export function opensAt(
	profile: ControlProfile,
	options: MachineOptions,
	fields: readonly DayField[],
	content: DayContent,
	index: number
): number | null | undefined {
	const field = fields[index]!;
	const held = content[field.key];
	if (held !== null) return held;
	if (isCleared(profile, fields, content, field.step)) return null;
	if (mayBeCleared(profile, fields, content, field.step)) return undefined;
	const { low } = scaleOf(profile, options, field);
	for (let i = index - 1; i >= 0; i--) {
		const before = fields[i]!.kind === field.kind ? content[fields[i]!.key] : null;
		if (before !== null) return before === undefined ? undefined : Math.max(low, before);
	}
	return low;
}

/** One step, or several, along a scale. From a cleared field the first step comes to its lowest, or down to its highest. */
export function moved({ low, high, round }: Scale, from: number | null, steps: number): number {
	const start = from ?? (steps > 0 ? low - 1 : high + 1);
	if (!round) return Math.min(high, Math.max(low, start + steps));
	const count = high - low + 1;
	return low + ((((start - low + steps) % count) + count) % count);
}
