import { channelsOf } from '../control';
import {
	dayFields,
	dayRound,
	degreeScale,
	degreesShown,
	entryOf,
	entryScale,
	entryShown,
	factoryMemory,
	fieldShown,
	isCleared,
	optionChoices,
	optionShown,
	programFields,
	scaleOf,
	unknownMemory,
	withEntry,
	withOption,
	type DayContent,
	type DayField,
	type MachineOptions,
	type Memory,
	type Operable
} from '../machine';
import { without } from '../schema';
import type { Keyed } from './keyed';
import type { CardItem } from './cardItems';
import { keysOfRun, type Goal } from './goal';
import { markOf } from './mark';

/** How a control was found: as new (out of its box, or reset), or nobody knows what it holds. */
export type Found = 'as-new' | 'unknown';

/** What a card asks for: its values, the options that they set, and what each day is to hold in the end, by channel; no days of one for which nothing is planned. */
export interface ToKey {
	readonly items: readonly CardItem[];
	readonly options: MachineOptions;
	readonly planned: readonly (readonly DayContent[])[];
}

/** Whether a memory holds what a value is to bring about. Of options, copies and modes, that leave no one value: true. */
export function isMet(profile: Operable, memory: Memory, goal: Goal): boolean {
	if (goal.of === 'menu') return memory.menu[goal.id] === goal.position;
	if (goal.of === 'kept') return memory.kept[goal.side] === goal.position;
	if (goal.of === 'setpoint') return memory.setpoints[goal.index] === goal.position;
	if (goal.of !== 'field' || goal.all) return true;
	const content = memory.days[goal.channel]?.[goal.day] ?? {};
	if (goal.position !== null) return keysOfRun(goal).every((key) => content[key] === goal.position);
	const step = Number(goal.key.split('/')[0]) - 1;
	return dayFields(profile, memory.options, goal.day).every(
		(field) => field.step !== step || content[field.key] === null
	);
}

/** A memory in which a goal is met. */
export function withGoal(profile: Operable, memory: Memory, goal: Goal): Memory {
	const inDays = (
		days: readonly number[],
		channel: number,
		change: (content: DayContent) => DayContent
	): Memory => ({
		...memory,
		days: memory.days.map((week, c) =>
			c === channel ? week.map((content, day) => (days.includes(day) ? change(content) : content)) : week
		)
	});
	const groupDays = (day: number) =>
		dayRound(profile, memory.options).find((one) => !one.all && one.days[0] === day)?.days ?? [day];
	switch (goal.of) {
		case 'menu':
			return withEntry(profile, memory, entryOf(profile, goal.id)!, goal.position, 0);
		case 'setpoint':
			return {
				...memory,
				setpoints: memory.setpoints.map((was, i) => (i === goal.index ? goal.position : was))
			};
		case 'kept':
			return { ...memory, kept: { ...memory.kept, [goal.side]: goal.position } };
		case 'field': {
			const days = goal.all ? [0, 1, 2, 3, 4, 5, 6] : groupDays(goal.day);
			const step = Number(goal.key.split('/')[0]) - 1;
			const { fields } = programFields(profile, memory, { channel: goal.channel, group: 0 });
			const keys =
				goal.position === null
					? fields.filter((field) => field.step === step).map(({ key }) => key)
					: keysOfRun(goal);
			return inDays(days, goal.channel, (content) => ({
				...content,
				...Object.fromEntries(keys.map((key) => [key, goal.position]))
			}));
		}
		case 'copy': {
			const content = memory.days[goal.channel]![goal.from]!;
			return inDays(goal.over.flatMap(groupDays), goal.channel, () => content);
		}
		case 'option':
			return withOption(profile, memory, goal.id, goal.position, 0);
		case 'away':
			return { ...memory, away: { ...memory.away, [goal.field]: goal.position } };
		case 'mode':
			return memory;
	}
}

/** What a day shows field by field, a step that was cleared once. */
function shownOf(profile: Operable, options: MachineOptions, day: number, content: DayContent): string[] {
	const fields = dayFields(profile, options, day);
	return fields.flatMap((field, i) => {
		if (isCleared(profile, fields, content, field.step))
			return fields[i - 1]?.step === field.step ? [] : ['--:--'];
		const position = content[field.key];
		return [position === undefined ? '' : fieldShown(profile, options, field, position)];
	});
}

/** The position at which a field shows something; undefined where it never does. */
function positionOf(
	profile: Operable,
	options: MachineOptions,
	field: DayField,
	shows: string
): number | undefined {
	const { low, high } = scaleOf(profile, options, field);
	for (let at = low; at <= high; at++) if (fieldShown(profile, options, field, at) === shows) return at;
	return undefined;
}

type Standing = Extract<Goal, { of: 'option' | 'menu' | 'setpoint' | 'kept' }>;
/** Whether a goal is a value that stands by itself, in no day of the week. */
const isStanding = (goal: Goal): goal is Standing =>
	goal.of === 'option' || goal.of === 'menu' || goal.of === 'setpoint' || goal.of === 'kept';

/**
 * What the control holds by what was noted, in the order in which it was: the week of the settings that are asked for. A
 * day that was copied from another content than is known by now is not known itself.
 */
export function asNoted(
	profile: Operable,
	{ items, options, planned }: ToKey,
	keyed: Keyed,
	found: Found
): Memory {
	let memory = found === 'unknown' ? unknownMemory(profile, options) : factoryMemory(profile);
	for (const { id, goal } of items) {
		const shows = keyed[id];
		if (shows === undefined || !isStanding(goal)) continue;
		const position = standsAt(profile, memory, goal, shows);
		if (position !== undefined) memory = withGoal(profile, memory, { ...goal, position });
	}
	const set = memory.options;
	const names = channelsOf(profile);
	const stem = [set.grouping, set.perDay, set.unit, set.clock].join('/');
	if (set.plain) return memory;
	for (const [id, shows] of Object.entries(keyed)) {
		if (!id.startsWith(`${stem}/`)) continue;
		const rest = id.slice(stem.length + 1);
		const channel = names ? names.findIndex((name) => rest.startsWith(`${name}/`)) : 0;
		if (channel < 0) continue;
		memory = noted(
			profile,
			memory,
			planned[channel],
			channel,
			names ? rest.slice(names[channel]!.length + 1) : rest,
			shows
		);
	}
	return memory;
}

/** Where an option or a setpoint stands that was noted to show something; undefined where it never shows that. */
function standsAt(profile: Operable, memory: Memory, goal: Standing, shows: string): number | undefined {
	if (goal.of === 'option') {
		const at = optionChoices(profile, goal.id).findIndex(
			(_, i) => optionShown(profile, goal.id, i) === shows
		);
		return at < 0 ? undefined : at;
	}
	const { unit } = memory.options;
	if (goal.of === 'menu') {
		const entry = entryOf(profile, goal.id)!;
		const { low, high } = entryScale(profile, unit, entry);
		for (let at = low; at <= high; at++) if (entryShown(profile, unit, entry, at).shows === shows) return at;
		return undefined;
	}
	const { low, high } = degreeScale(profile, unit, goal.of === 'kept' && goal.side === 'cool');
	for (let at = low; at <= high; at++) if (degreesShown(profile, unit, at) === shows) return at;
	return undefined;
}

/** The memory with one note of the week: what stands after its stem, and what was shown. */
function noted(
	profile: Operable,
	memory: Memory,
	planned: readonly DayContent[] | undefined,
	channel: number,
	rest: string,
	shows: string
): Memory {
	const { options } = memory;
	const week = memory.days[channel]!;
	const put = (days: readonly number[], content: (day: number) => DayContent): Memory => ({
		...memory,
		days: memory.days.map((old, c) =>
			c === channel ? old.map((held, day) => (days.includes(day) ? content(day) : held)) : old
		)
	});
	const figures = (text: string) => [...text].map(Number);
	const copy = /^copy\/(\d+)-(\d+)\/(.+)$/.exec(rest);
	if (copy) {
		const [from, onto] = [figures(copy[1]!)[0]!, figures(copy[2]!)];
		// what was copied is what the day holds, or held as it is planned; else nobody knows it any more
		const content = [week[from]!, planned?.[from]].find(
			(one) => one && markOf(shownOf(profile, options, from, one)) === copy[3]
		);
		return put(onto, () => content ?? {});
	}
	const value = /^(all|\d+)\/(.+)$/.exec(rest);
	if (!value) return memory;
	const days = value[1] === 'all' ? [0, 1, 2, 3, 4, 5, 6] : figures(value[1]!);
	const key = value[2]!;
	const fields = dayFields(profile, options, days[0]!);
	const step = Number(key.split('/')[0]) - 1;
	if (key.endsWith('/clear')) {
		const cleared = fields.filter((field) => field.step === step).map((field) => [field.key, null] as const);
		return put(days, (day) => ({ ...week[day]!, ...Object.fromEntries(cleared) }));
	}
	const run = /^(\d+)-(\d+)$/.exec(key);
	const keys = run ? keysOfRun({ key: run[1]!, slots: Number(run[2]) - Number(run[1]) + 1 }) : [key];
	const field = fields.find((one) => one.key === keys[0]);
	const position = field && positionOf(profile, options, field, shows);
	return put(days, (day) => {
		const others = without(week[day]!, ...keys);
		return position === undefined
			? others
			: { ...others, ...Object.fromEntries(keys.map((one) => [one, position])) };
	});
}
