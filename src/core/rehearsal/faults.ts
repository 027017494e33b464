import isSame from 'fast-deep-equal';
import {
	entryAt,
	fieldShown,
	dayFields,
	groupingOf,
	scaleOf,
	modeHolds,
	type DayContent,
	type Memory
} from '../machine';
import { DAY_MINUTES } from '../week';
import { cutPower } from './passing';
import { changed, clockErrorSeconds, withClock, type World } from './world';

/** What can be wrong with a stand-in (docs/domain.md §14). */
export const FAULTS = [
	'wrong-day',
	'hour-missed',
	'batteries-out',
	'left-off-program',
	'day-not-copied',
	'hands-at-the-keys',
	'limit-set',
	'pairing-lost',
	'sensor-in-sun'
] as const;
export type Fault = (typeof FAULTS)[number];

/** A stand-in with something planted in it, and what it was to be like without. */
export interface Planted {
	readonly world: World;
	readonly fault: Fault;
	/** The memory as it was planned. */
	readonly planned: Memory;
	/** The place of the mode that it was to be left in. */
	readonly mode: number;
	/** What of it is wrong, in the control's own words; empty where the fault's name says all. */
	readonly detail: string;
}

/** Random numbers from 0 to under 1. */
export type Random = () => number;

/** Numbers that come again with the same seed (a linear congruence; Numerical Recipes). */
export function seeded(seed: number): Random {
	let state = seed | 0;
	return () => {
		state = (Math.imul(state, 1664525) + 1013904223) | 0;
		return (state >>> 0) / 4294967296;
	};
}

const pick = <T>(from: readonly T[], random: Random): T => from[Math.floor(random() * from.length)]!;

/** The modes in which its program does not run, by their places. */
function offProgram({ profile, machine }: World): number[] {
	const names = profile.panel.modes?.names ?? [];
	return names.flatMap((_name, mode) => {
		if (mode === machine.mode) return [];
		const holds = modeHolds(profile, { memory: machine.memory, mode });
		return holds.by === 'program' && holds.side !== 'cool' ? [] : [mode];
	});
}

const limitOf = ({ profile }: World) => profile.menu.find(({ means }) => means === 'high-limit');
const heatsByTimeAlone = ({ profile }: World) => profile.temperature === null;

/** Whether a stand-in can have a fault at all. */
export function canHave(world: World, fault: Fault): boolean {
	const { profile, machine } = world;
	const { clock } = profile.habits;
	const holdsWeek = profile.program.form !== 'plain' && !machine.memory.options.plain;
	switch (fault) {
		case 'wrong-day':
			return holdsWeek && clock.summerTime !== 'no-clock';
		case 'hour-missed':
			return holdsWeek && clock.summerTime === 'by-hand';
		case 'batteries-out':
			return clock.reserveMinutes !== null && clock.summerTime !== 'no-clock';
		case 'left-off-program':
			return offProgram(world).length > 0;
		case 'day-not-copied':
			return holdsWeek && uncopied(world).length > 0;
		case 'hands-at-the-keys':
			return holdsWeek;
		case 'limit-set':
			return limitOf(world) !== undefined && profile.habits.limits !== null;
		case 'pairing-lost':
			return profile.habits.paired;
		case 'sensor-in-sun':
			return !heatsByTimeAlone(world);
	}
}

/** Groups of days that are keyed alone, in the first channel, each with what other groups hold that could have stayed on it instead. */
function uncopied({ profile, machine }: World): { days: readonly number[]; others: DayContent[] }[] {
	const { memory } = machine;
	const week = memory.days[0]!;
	const { groups } = groupingOf(profile, memory.options);
	const keys = (content: DayContent) => Object.keys(content).sort().join();
	return groups.flatMap((days) => {
		const own = week[days[0]!]!;
		const others = groups
			.map((other) => week[other[0]!]!)
			.filter((content) => !isSame(content, own) && keys(content) === keys(own));
		return others.length > 0 ? [{ days, others }] : [];
	});
}

const withDay = (memory: Memory, day: number, content: DayContent): Memory => ({
	...memory,
	days: memory.days.map((week, channel) =>
		channel === 0 ? week.map((was, d) => (d === day ? content : was)) : week
	)
});

const withMemory = (world: World, memory: Memory): World => ({
	...world,
	machine: { ...world.machine, memory }
});

/** Its clock put forward by so many minutes. */
function shifted(world: World, minutes: number): World {
	const errorSeconds = clockErrorSeconds(world) + minutes * 60;
	return withClock({
		...world,
		clock: { ...world.clock, anchors: [...world.clock.anchors, { atMs: world.atMs, errorSeconds }] }
	});
}

/**
 * Plants a fault in a stand-in that is as it should be; what of it is wrong (which day, by how much) is drawn. The fault must be
 * one that it {@link canHave}.
 */
export function plant(world: World, fault: Fault, random: Random): Planted {
	const { profile, machine } = world;
	const { memory } = machine;
	const common = { fault, planned: memory, mode: machine.mode, detail: '' };
	switch (fault) {
		case 'wrong-day':
			return { ...common, world: shifted(world, (1 + Math.floor(random() * 6)) * DAY_MINUTES) };
		case 'hour-missed':
			return { ...common, world: shifted(world, random() < 0.5 ? -60 : 60) };
		case 'batteries-out':
			return { ...common, world: cutPower(world, (profile.habits.clock.reserveMinutes ?? 0) + 60) };
		case 'left-off-program': {
			const mode = pick(offProgram(world), random);
			return {
				...common,
				detail: profile.panel.modes!.names[mode]!,
				world: { ...world, machine: { ...machine, mode } }
			};
		}
		case 'day-not-copied': {
			const { days, others } = pick(uncopied(world), random);
			const other = pick(others, random);
			const next = days.reduce((all, day) => withDay(all, day, other), memory);
			return { ...common, world: withMemory(world, next) };
		}
		case 'hands-at-the-keys': {
			const group = pick(groupingOf(profile, memory.options).groups, random);
			const content = memory.days[0]![group[0]!]!;
			const fields = dayFields(profile, memory.options, group[0]!).filter(
				({ key, kind }) => kind !== 'cool' && typeof content[key] === 'number'
			);
			const field = pick(fields, random);
			const { low, high } = scaleOf(profile, memory.options, field);
			const was = content[field.key]!;
			const away = Math.max(1, Math.round((high - low) * (0.1 + random() * 0.3)));
			const at = was + away <= high ? was + away : Math.max(low, was - away);
			const next = group.reduce(
				(all, d) => withDay(all, d, { ...all.days[0]![d]!, [field.key]: at }),
				memory
			);
			return {
				...common,
				detail: `${field.label}: ${fieldShown(profile, memory.options, field, at)}`,
				world: withMemory(world, next)
			};
		}
		case 'limit-set': {
			const entry = limitOf(world)!;
			const { unit } = memory.options;
			const at = entryAt(profile, unit, entry, 16 + Math.floor(random() * 2));
			return { ...common, world: withMemory(world, { ...memory, menu: { ...memory.menu, [entry.id]: at } }) };
		}
		case 'pairing-lost':
			return { ...common, world: { ...changed(world, { linked: false }), heardMs: world.atMs - 86_400_000 } };
		case 'sensor-in-sun':
			return { ...common, world: changed(world, { sunK: 3 + Math.floor(random() * 3) }) };
	}
}

/** A clock may be off by so much and still count as right, in seconds (docs/domain.md §11). */
const CLOCK_TOLERANCE_SECONDS = 120;

/** What is still wrong of what was planted; nothing once it is mended, in whatever way. */
export function stillWrong(
	{ planned, mode }: Planted,
	world: World
): ('clock' | 'mode' | 'week' | 'menu' | 'pairing' | 'sensor')[] {
	const { machine, around, profile } = world;
	const hasClock = profile.habits.clock.summerTime !== 'no-clock';
	return [
		...(hasClock && Math.abs(clockErrorSeconds(world)) > CLOCK_TOLERANCE_SECONDS ? (['clock'] as const) : []),
		...(machine.mode === mode ? [] : (['mode'] as const)),
		...(isSame(machine.memory.days, planned.days) && isSame(machine.memory.setpoints, planned.setpoints)
			? []
			: (['week'] as const)),
		...(isSame(machine.memory.menu, planned.menu) ? [] : (['menu'] as const)),
		...(around.linked ? [] : (['pairing'] as const)),
		...(around.sunK === 0 ? [] : (['sensor'] as const))
	];
}
