import { isOffered, OPTION_IDS, type ControlProfile, type OptionId } from '../control';
import {
	dayFields,
	dayRound,
	entryOf,
	factoryMemory,
	isOperable,
	optionAt,
	optionChoices,
	unknownMemory,
	withEntry,
	withOption,
	type DayContent,
	type MachineOptions,
	type Memory
} from '../machine';
import { without } from '../schema';
import { keysOfRun, stepOfKey, type Goal, type GoalOf } from './goal';
import { keepsAtRest } from './strokes';

/** How a control was found: as new (out of its box, or reset), or in use, so that nobody knows what it holds; null while nobody has said. */
export type Found = 'as-new' | 'in-use' | null;

/** What is known of a control. What its memory leaves out nobody knows. */
export interface Known {
	readonly memory: Memory;
	/** The options of which it is not known where they stand; the memory has them as they are planned. */
	readonly unsure: readonly OptionId[];
	/** The place of its mode; null where that is not known. */
	readonly mode: number | null;
}

const offeredOptions = (profile: ControlProfile) => OPTION_IDS.filter((id) => isOffered(profile, id));

/** What is known of a control before anything is done at it; of one in use its options are taken to stand as planned until they were seen. */
export function knownAsFound(profile: ControlProfile, options: MachineOptions, found: Found): Known {
	return found === 'in-use'
		? {
				memory: unknownMemory(profile, options),
				unsure: offeredOptions(profile),
				mode: profile.panel?.modes ? null : 0
			}
		: { memory: factoryMemory(profile), unsure: [], mode: 0 };
}

type ChangeOfDay = (content: DayContent) => DayContent;
export const ALL_DAYS: readonly number[] = [0, 1, 2, 3, 4, 5, 6];

function inDays(memory: Memory, channel: number, days: readonly number[], change: ChangeOfDay): Memory {
	return {
		...memory,
		days: memory.days.map((week, c) =>
			c === channel ? week.map((content, day) => (days.includes(day) ? change(content) : content)) : week
		)
	};
}

/** The days that are put together with one. */
const groupOf = (profile: ControlProfile, { options }: Memory, day: number): readonly number[] =>
	dayRound(profile, options).find((one) => !one.all && one.days[0] === day)?.days ?? [day];

/** The days that a value of the week is written into. */
export const daysOf = (profile: ControlProfile, memory: Memory, { all, day }: GoalOf<'field'>) =>
	all ? ALL_DAYS : groupOf(profile, memory, day);

/** The fields of a day that a value of the week touches: of a cleared step all of it. */
export function fieldKeys(profile: ControlProfile, memory: Memory, goal: GoalOf<'field'>): string[] {
	if (goal.position !== null) return keysOfRun(goal);
	const step = stepOfKey(goal.key);
	return dayFields(profile, memory.options, goal.day).flatMap((field) =>
		field.step === step ? [field.key] : []
	);
}

const blankWeek = (memory: Memory): Memory => ({
	...memory,
	days: memory.days.map((week) => week.map(() => ({})))
});

/** Whether a control holds what a value is to bring about. Of a copy and of all days at once, that leave no one value: false. */
export function satisfies(profile: ControlProfile, { memory, unsure, mode }: Known, goal: Goal): boolean {
	switch (goal.of) {
		case 'option':
			return !unsure.includes(goal.id) && optionAt(profile, memory.options, goal.id) === goal.position;
		case 'menu':
			return memory.menu[goal.id] === goal.position;
		case 'kept':
			return memory.kept[goal.side] === goal.position;
		case 'setpoint':
			return memory.setpoints[goal.index] === goal.position;
		case 'away':
			return memory.away[goal.field] === goal.position;
		case 'mode':
			return mode !== null && profile.panel?.modes?.names[mode] === goal.name;
		case 'field': {
			const content = memory.days[goal.channel]?.[goal.day] ?? {};
			return !goal.all && fieldKeys(profile, memory, goal).every((key) => content[key] === goal.position);
		}
		case 'copy':
		case 'clock':
			return false;
	}
}

/** The week as new, where nobody knows how many days and steps it has, is not known. */
function wiped(known: Known, memory: Memory): Memory {
	const isUnsure = known.unsure.includes('grouping') || known.unsure.includes('per-day');
	return isUnsure && memory.days !== known.memory.days ? blankWeek(memory) : memory;
}

/** What may be lost with a change of an option or an entry that was made, or not: nobody knows it any more. */
function maybeWiped(profile: ControlProfile, known: Known, wipes: string): Known {
	if (wipes === 'all')
		return {
			...known,
			memory: unknownMemory(profile, known.memory.options),
			unsure: offeredOptions(profile)
		};
	return wipes === 'program' ? { ...known, memory: blankWeek(known.memory) } : known;
}

function withOptionSet(profile: ControlProfile, known: Known, { id, position }: GoalOf<'option'>): Known {
	const memory = withOption(profile, known.memory, id, position, 0);
	const wipes = profile.operation.options[id]?.wipes ?? 'program';
	if (!known.unsure.includes(id)) {
		const isReset = wipes === 'all' && memory !== known.memory;
		return isReset ? { ...known, memory, unsure: [] } : { ...known, memory: wiped(known, memory) };
	}
	// whether it was changed nobody knows, nor what a change took along
	const lost = maybeWiped(profile, { ...known, memory }, wipes);
	const seen = { ...lost, unsure: lost.unsure.filter((one) => one !== id) };
	if (id === 'clock') return seen;
	const { setpoints } = seen.memory;
	return id === 'unit'
		? {
				...seen,
				memory: {
					...blankWeek(seen.memory),
					setpoints: setpoints.map(() => undefined),
					kept: { heat: undefined, cool: undefined },
					away: {},
					menu: Object.fromEntries(
						profile.menu.map((entry) => [
							entry.id,
							entry.values.kind === 'degrees' ? undefined : seen.memory.menu[entry.id]
						])
					)
				}
			}
		: { ...seen, memory: blankWeek(seen.memory) };
}

function withEntrySet(profile: ControlProfile, known: Known, { id, position }: GoalOf<'menu'>): Known {
	const entry = entryOf(profile, id);
	if (!entry) return known;
	const memory = withEntry(profile, known.memory, entry, position, 0);
	if (known.memory.menu[id] !== undefined)
		return entry.wipes === 'all' && memory !== known.memory
			? { ...known, memory, unsure: [] }
			: { ...known, memory: wiped(known, memory) };
	const lost = maybeWiped(profile, known, entry.wipes);
	return { ...lost, memory: { ...lost.memory, menu: { ...lost.memory.menu, [id]: position } } };
}

/** What is known of a control once a value was brought about at it. */
export function withGoal(profile: ControlProfile, known: Known, goal: Goal): Known {
	const { memory } = known;
	const holding = (next: Memory): Known => ({ ...known, memory: next });
	switch (goal.of) {
		case 'option':
			return withOptionSet(profile, known, goal);
		case 'menu':
			return withEntrySet(profile, known, goal);
		case 'setpoint':
			return holding({
				...memory,
				setpoints: memory.setpoints.map((was, i) => (i === goal.index ? goal.position : was)),
				// what is kept from the figure at rest leaves that there
				...(turns(profile, goal) ? { kept: { ...memory.kept, heat: goal.position } } : {})
			});
		case 'kept':
			return holding({ ...memory, kept: { ...memory.kept, [goal.side]: goal.position } });
		case 'away':
			return holding({ ...memory, away: { ...memory.away, [goal.field]: goal.position } });
		case 'mode': {
			const mode = profile.panel?.modes?.names.indexOf(goal.name) ?? -1;
			return mode < 0 ? known : { ...known, mode };
		}
		case 'field': {
			const keys = fieldKeys(profile, memory, goal);
			return holding(
				inDays(memory, goal.channel, daysOf(profile, memory, goal), (content) => ({
					...content,
					...Object.fromEntries(keys.map((key) => [key, goal.position]))
				}))
			);
		}
		case 'copy': {
			const content = memory.days[goal.channel]?.[goal.from] ?? {};
			const days = goal.over.flatMap((day) => groupOf(profile, memory, day));
			return holding(inDays(memory, goal.channel, days, () => content));
		}
		case 'clock':
			return known;
	}
}

/** Whether a setpoint is turned to at rest and kept from there. */
const turns = (profile: ControlProfile, { index }: GoalOf<'setpoint'>): boolean =>
	isOperable(profile) && keepsAtRest(profile, index) !== undefined;

/** What is known once somebody may have begun with a value, and nobody knows how far they came: not what it is of. */
function withoutGoal(profile: ControlProfile, known: Known, goal: Goal): Known {
	const { memory } = known;
	const holding = (next: Memory): Known => ({ ...known, memory: next });
	switch (goal.of) {
		case 'option': {
			const unsure = known.unsure.includes(goal.id) ? known.unsure : [...known.unsure, goal.id];
			// on the way to it others can have been taken, which leave less of the days
			const passes = optionChoices(profile, goal.id).length > 2;
			return { ...known, unsure, memory: passes ? blankWeek(memory) : memory };
		}
		case 'menu':
			return holding({ ...memory, menu: without(memory.menu, goal.id) });
		case 'setpoint':
			return holding({
				...memory,
				setpoints: memory.setpoints.map((was, i) => (i === goal.index ? undefined : was)),
				...(turns(profile, goal) ? { kept: { ...memory.kept, heat: undefined } } : {})
			});
		case 'kept':
			return holding({ ...memory, kept: { ...memory.kept, [goal.side]: undefined } });
		case 'away':
			return holding({ ...memory, away: without(memory.away, goal.field) });
		case 'mode':
			return { ...known, mode: null };
		case 'field': {
			const keys = fieldKeys(profile, memory, goal);
			const days = daysOf(profile, memory, goal);
			return holding(inDays(memory, goal.channel, days, (content) => without(content, ...keys)));
		}
		case 'copy': {
			const days = goal.over.flatMap((day) => groupOf(profile, memory, day));
			return holding(inDays(memory, goal.channel, days, () => ({})));
		}
		case 'clock':
			return known;
	}
}

const sameIn = <T extends object>(before: T, after: T): T =>
	Object.fromEntries(
		Object.entries(before).filter(([key, was]) => (after as Record<string, unknown>)[key] === was)
	) as T;

/**
 * What is known when somebody may have done any part of what leads from one state to another by way of a value: what both
 * have alike, and not the value itself.
 */
export function inDoubt(profile: ControlProfile, before: Known, after: Known, goal: Goal): Known {
	const { memory: was } = before;
	const { memory: is } = after;
	const moved = OPTION_IDS.filter(
		(id) => optionAt(profile, was.options, id) !== optionAt(profile, is.options, id)
	);
	const alike: Known = {
		unsure: [...new Set([...before.unsure, ...moved])],
		mode: before.mode === after.mode ? before.mode : null,
		memory: {
			...was,
			options: is.options,
			setpoints: was.setpoints.map((one, i) => (one === is.setpoints[i] ? one : undefined)),
			kept: {
				heat: was.kept.heat === is.kept.heat ? was.kept.heat : undefined,
				cool: was.kept.cool === is.kept.cool ? was.kept.cool : undefined
			},
			away: sameIn(was.away, is.away),
			menu: sameIn(was.menu, is.menu),
			days: was.days.map((week, channel) =>
				week.map((content, day) => {
					const now = is.days[channel]![day]!;
					return content === now ? content : sameIn(content, now);
				})
			)
		}
	};
	return withoutGoal(profile, alike, goal);
}
