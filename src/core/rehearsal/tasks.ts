import { localTime, wallAt } from '../civil';
import { AWAY_WORDS, factoryOptions, groupName } from '../control';
import {
	awayKeys,
	cardAsNew,
	keysFrom,
	strokePresses,
	strokesToRest,
	type AwayKeys,
	type ToKey
} from '../keying';
import {
	dayFields,
	fieldShown,
	groupingOf,
	isCleared,
	scaleOf,
	type DayContent,
	type MachineState,
	type Memory,
	type Operable
} from '../machine';
import { planAbsence } from '../run';
import { capital, memoBy } from '../schema';
import { DAY_MINUTES, clockTime } from '../week';
import { seeded } from './faults';
import { doneOf } from './held';
import { rehearsed, strokesOf, type Rehearsed } from './rehearsed';
import type { World } from './world';

/** What somebody can be asked to do at a stand-in, apart from finding what is broken. */
export const TASKS = ['week', 'slip', 'holiday'] as const;
export type TaskKind = (typeof TASKS)[number];

/** An absence that is to be set: from now to a return, local times at the stand-in's place, at a setpoint in °C. */
export interface HolidayTask {
	readonly kind: 'holiday';
	readonly memory: Memory;
	readonly leave: string;
	readonly back: string;
	/** null where the control keeps its own lowest. */
	readonly setpointC: number | null;
	readonly keys: AwayKeys;
}

/** What is to be done, and with what the stand-in begins. */
export type Task =
	| { readonly kind: 'week' }
	/** Its card was keyed, but for one value of the week that stands a step or two beside it. */
	| { readonly kind: 'slip'; readonly memory: Memory }
	| HolidayTask;

/** Values in the week of a memory that a finger could have set wrong. */
function slips(
	profile: Operable,
	{ planned }: ToKey,
	memory: Memory
): { channel: number; days: readonly number[]; key: string }[] {
	const { options } = memory;
	return memory.days.flatMap((week, channel) =>
		(planned[channel]!.length === 0 ? [] : groupingOf(profile, options).groups).flatMap((days) => {
			const fields = dayFields(profile, options, days[0]!);
			const content = week[days[0]!]!;
			return fields
				.filter(({ key, step }) => content[key] != null && !isCleared(profile, fields, content, step))
				.map(({ key }) => ({ channel, days, key }));
		})
	);
}

/**
 * A task of a kind on a stand-in, drawn by chance (the same with the same seed); null where the control has nothing of the
 * kind: no week to slip in, or no menu in which an absence is set.
 */
export function drawTask(kind: TaskKind, card: ToKey, world: World, seed: number): Task | null {
	const { profile } = world;
	const random = seeded(seed);
	const between = (low: number, high: number) => low + Math.floor(random() * (high - low + 1));
	if (kind === 'week') return { kind };
	const { memory } = cardAsNew(profile, card);
	if (kind === 'slip') {
		const plain = memory.options.plain || profile.program.form === 'plain';
		const all = plain ? [] : slips(profile, card, memory);
		if (all.length === 0) return null;
		const { channel, days, key } = all[between(0, all.length - 1)]!;
		const field = dayFields(profile, memory.options, days[0]!).find((one) => one.key === key)!;
		const { low, high } = scaleOf(profile, memory.options, field);
		const was = memory.days[channel]![days[0]!]![key]!;
		const to = was + (was - low >= high - was ? -1 : 1) * Math.min(between(1, 2), Math.max(1, high - low));
		const put = (content: DayContent) => ({ ...content, [key]: Math.min(high, Math.max(low, to)) });
		return {
			kind,
			memory: {
				...memory,
				days: memory.days.map((week, c) =>
					c === channel ? week.map((content, day) => (days.includes(day) ? put(content) : content)) : week
				)
			}
		};
	}
	const leaveWall = wallAt(world.around.timeZone, world.atMs);
	const day = Math.floor(leaveWall / DAY_MINUTES) + between(2, 16);
	const back = localTime(day * DAY_MINUTES + between(28, 40) * 30);
	const absence = { leave: localTime(leaveWall), back, setpointC: between(9, 14) };
	const options = { ...factoryOptions(profile), ...memory.options };
	const keys = awayKeys(
		profile,
		options,
		{ ...absence, ...planAbsence(profile, absence) },
		{
			memory,
			unsure: [],
			mode: 0
		}
	);
	if (!keys) return null;
	const hasSetpoint = keys.values.some(({ field }) => field === 'away-setpoint');
	return { kind, memory, ...absence, setpointC: hasSetpoint ? absence.setpointC : null, keys };
}

/** Where somebody stands with a holiday: the first value that does not stand as it must, then its beginning, then the way out. */
function holidayNow(task: HolidayTask, world: World): Rehearsed {
	const { profile, machine } = world;
	const { values } = task.keys;
	const wrong = values.findIndex(({ field, position }) => machine.memory.away[field] !== position);
	if (wrong < 0 && doneOf(world, 'absence')) {
		const strokes = strokesToRest(profile, machine);
		return strokes.length > 0 ? { at: 'leaving', strokes } : { at: 'done' };
	}
	// with all of it right it begins when the last is taken
	const index = wrong < 0 ? values.length - 1 : wrong;
	const { field, shows, unit, position } = values[index]!;
	const goal = { of: 'away' as const, field, position };
	return {
		at: 'value',
		index,
		item: { id: field, section: 'Away', what: AWAY_WORDS[field], shows, unit, goal },
		keys: keysFrom(profile, machine, goal),
		left: Math.max(1, values.filter((one) => machine.memory.away[one.field] !== one.position).length)
	};
}

/** As long as nothing in the control has changed its card asks for the same, however often it is looked at. */
const rehearsedOf = memoBy(
	(card: ToKey, _: Operable) => card,
	(machine: MachineState, card: ToKey, profile: Operable) => rehearsed(profile, card, machine)
);

/** Where somebody stands with a task, by what the stand-in really holds. */
export const taskNow = (task: Task, card: ToKey, world: World): Rehearsed =>
	task.kind === 'holiday' ? holidayNow(task, world) : rehearsedOf(world.machine, card, world.profile);

/** How many presses a task takes at least: of a slip those that put it right, once it is known. */
export function taskNeeds(task: Task, card: ToKey, world: World): number {
	const { profile } = world;
	if (task.kind === 'week') return cardAsNew(profile, card).presses;
	if (task.kind === 'holiday') {
		const { values, leave } = task.keys;
		return values.reduce((sum, { keys }) => sum + keys.presses, strokePresses(profile, leave));
	}
	const state: MachineState = { ...world.machine, memory: task.memory, place: null, before: null, trail: [] };
	const now = rehearsed(profile, card, state);
	return now.at === 'value' && now.keys ? strokePresses(profile, strokesOf(now.keys)) : 0;
}

/** A line of a day as the display must show it: a step with its values, or a stretch of a strip. */
export interface PlannedValue {
	readonly what: string;
	readonly shows: string;
}

/** The week of a card as its display must show it, days that are alike together: of a strip its stretches, else step by step. */
export function plannedWeek(
	profile: Operable,
	card: ToKey
): { readonly section: string; readonly values: readonly PlannedValue[] }[] {
	const { memory } = cardAsNew(profile, card);
	const { options } = memory;
	const channels = profile.program.form === 'pairs' ? profile.program.channels : null;
	const slotMinutes = profile.program.form === 'slots' ? profile.program.slotMinutes : null;
	return memory.days.flatMap((week, channel) => {
		if (card.planned[channel]!.length === 0) return [];
		const alike = new Map<string, { days: number[]; values: PlannedValue[] }>();
		for (const days of groupingOf(profile, options).groups) {
			const content = week[days[0]!]!;
			const lines = dayFields(profile, options, days[0]!).map((field) => ({
				what: field.label,
				shows: fieldShown(profile, options, field, content[field.key] ?? null)
			}));
			const values = slotMinutes === null ? byStep(lines) : byStretch(lines, slotMinutes);
			const key = JSON.stringify(values);
			const known = alike.get(key);
			if (known) known.days.push(...days);
			else alike.set(key, { days: [...days], values });
		}
		return [...alike.values()].map(({ days, values }) => ({
			section: channels ? `${capital(channels[channel]!)}, ${groupName(days)}` : groupName(days),
			values
		}));
	});
}

/** Values of one step in one line. */
function byStep(lines: readonly PlannedValue[]): PlannedValue[] {
	const steps = new Map<string, string[]>();
	for (const { what, shows } of lines) steps.set(what, [...(steps.get(what) ?? []), shows]);
	return [...steps].map(([what, shown]) => ({
		what,
		shows: shown.every((one) => one.startsWith('--')) ? 'no step' : shown.join(' ')
	}));
}

/** Slots that hold the same in one line, from and to. */
function byStretch(slots: readonly PlannedValue[], slotMinutes: number): PlannedValue[] {
	const starts = slots.flatMap(({ shows }, i) => (slots[i - 1]?.shows === shows ? [] : [i]));
	return starts.map((from, i) => ({
		what: `${clockTime(from * slotMinutes)} to ${clockTime((starts[i + 1] ?? slots.length) * slotMinutes)}`,
		shows: slots[from]!.shows
	}));
}
