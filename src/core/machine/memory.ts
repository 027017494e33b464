import { dayNumber } from '../civil';
import {
	factoryOptions,
	formInUse,
	timeStep,
	type AwayField,
	type ControlProfile,
	type Grouping,
	type MenuEntry,
	type OptionId,
	type Panel,
	type Program
} from '../control';
import { DAY_MINUTES } from '../week';
import { factoryMenu } from './entries';
import {
	channelCount,
	dayFields,
	degreesAt,
	degreeScale,
	keptSetpoints,
	setpointAt,
	type MachineOptions
} from './fields';

/** What a day holds, by field: a position on its scale, or null where nothing stands there. What is missing is not known. */
export type DayContent = Readonly<Record<string, number | null>>;

/** All that a control keeps. Setpoints are positions on its scale of degrees. */
export interface Memory {
	readonly options: MachineOptions;
	/** The setpoints kept for the week, warmest first. */
	readonly setpoints: readonly (number | undefined)[];
	/** The setpoint that it keeps without a program, and the one for cooling. */
	readonly kept: { readonly heat: number | undefined; readonly cool: number | undefined };
	/** What was set of an absence last, by field. */
	readonly away: Readonly<Partial<Record<AwayField, number>>>;
	/** The entries of its own menus by id, each at a position of its scale. */
	readonly menu: Readonly<Record<string, number | undefined>>;
	/** By channel and day, Monday first. */
	readonly days: readonly (readonly DayContent[])[];
	/** The minute of the week that its clock showed, its date (days since 1970-01-01), and when, in seconds. */
	readonly clock: { readonly minute: number; readonly date: number; readonly atSeconds: number };
}

/** The grouping that a control is set to. */
export function groupingOf(profile: ControlProfile, options: MachineOptions): Grouping {
	return profile.groupings.find(({ id }) => id === options.grouping) ?? profile.groupings[0]!;
}

/** A content with a place for every field of its day: what it did not have is blank. */
export function completeDay(
	profile: ControlProfile,
	options: MachineOptions,
	day: number,
	content: DayContent
): DayContent {
	return Object.fromEntries(
		dayFields(profile, options, day).map(({ key }) => [key, key in content ? content[key]! : null])
	);
}

type Made = NonNullable<Panel['factory']['day']> | null;

function dayOf(profile: ControlProfile, options: MachineOptions, day: number, made: Made): DayContent {
	const step = timeStep(profile);
	const content: Record<string, number | null> = {};
	const time = (stem: string, minute: number) => {
		if (profile.keying.timeEntry === 'whole') content[`${stem}/time`] = Math.round(minute / step);
		else {
			content[`${stem}/hour`] = Math.floor(minute / 60) % 24;
			content[`${stem}/minute`] = Math.round((minute % 60) / step);
		}
	};
	if (made?.form === 'slots') [...made.slots].forEach((figure, i) => (content[i] = Number(figure)));
	if (made?.form === 'pairs')
		made.pairs.forEach(({ on, off }, i) => {
			time(`${i + 1}/on`, on);
			time(`${i + 1}/off`, off);
			content[`${i + 1}/on/state`] = 0;
			content[`${i + 1}/off/state`] = 1;
		});
	if (made?.form === 'events')
		made.events.forEach((event, i) => {
			time(String(i + 1), event.at);
			if (event.mode !== undefined) content[`${i + 1}/mode`] = event.mode;
			if (event.setpointC !== undefined)
				content[`${i + 1}/temperature`] = degreesAt(profile, options.unit, event.setpointC);
			if (event.coolC !== undefined) content[`${i + 1}/cool`] = degreesAt(profile, options.unit, event.coolC);
		});
	return completeDay(profile, options, day, content);
}

const WEEK = [0, 1, 2, 3, 4, 5, 6];

/** The week that a control holds as new, as it is set. */
export function factoryDays(profile: ControlProfile, options: MachineOptions): DayContent[][] {
	// the week is there whether it is in use or not
	const inUse = { ...options, plain: false };
	return Array.from({ length: channelCount(profile) }, () =>
		WEEK.map((day) => dayOf(profile, inUse, day, profile.panel?.factory.day ?? null))
	);
}

/** A stored week as a control holds it; a day that it does not tell of is blank. */
export const storedDays = (
	profile: ControlProfile,
	options: MachineOptions,
	{ week }: NonNullable<Panel['stored']>[number]
): DayContent[][] =>
	Array.from({ length: channelCount(profile) }, () =>
		WEEK.map((day) => dayOf(profile, options, day, week.find(({ days }) => days.includes(day))?.day ?? null))
	);

/** What a control keeps when it is as new. */
export function factoryMemory(profile: ControlProfile, atSeconds = 0): Memory {
	const { channel: _, ...factory } = factoryOptions(profile);
	const options: MachineOptions = { ...factory, grouping: profile.groupings[0]!.id };
	const { low } = degreeScale(profile, options.unit);
	const given = profile.panel?.factory.setpointsC ?? [];
	const at = (setpointC: number) => degreesAt(profile, options.unit, setpointC);
	return {
		options,
		setpoints: keptSetpoints(profile).map((_name, i) => (given[i] === undefined ? low : at(given[i]))),
		kept: { heat: at(20), cool: profile.cooling ? at(26) : undefined },
		away: {
			'away-setpoint': Math.max(low, at(12)),
			'away-days': 0,
			'first-month': 1,
			'first-day': 1,
			'last-month': 1,
			'last-day': 1,
			'back-month': 1,
			'back-day': 1,
			'back-hour': 12,
			'back-minute': 0
		},
		menu: factoryMenu(profile, options.unit),
		days: factoryDays(profile, options),
		clock: factoryClock(profile, atSeconds)
	};
}

/** The clock as it stands after it was lost. */
export const factoryClock = (profile: ControlProfile, atSeconds: number): Memory['clock'] => ({
	minute: profile.habits.clock.factoryDay * DAY_MINUTES + profile.habits.clock.factoryMinute,
	date: FIRST_MONDAY + profile.habits.clock.factoryDay,
	atSeconds
});

/** The date that a clock shows as new where that is a Monday: one picked for having that weekday. */
const FIRST_MONDAY = dayNumber('2024-01-01');

/** A control of which nothing is known but how it is set. */
export function unknownMemory(profile: ControlProfile, options: MachineOptions): Memory {
	const factory = factoryMemory(profile);
	return {
		...factory,
		options,
		setpoints: factory.setpoints.map(() => undefined),
		kept: { heat: undefined, cool: undefined },
		away: {},
		menu: {},
		days: factory.days.map((days) => days.map(() => ({})))
	};
}

/** The choices that an option has, as they are counted: the place of each is its position. */
export function optionChoices(profile: ControlProfile, id: OptionId): readonly (string | number | boolean)[] {
	switch (id) {
		case 'unit':
			return profile.temperature?.units ?? ['C'];
		case 'clock':
			return profile.clockFormats;
		case 'grouping':
			return profile.groupings.map((grouping) => grouping.id);
		case 'per-day':
			return profile.program.form === 'events' || profile.program.form === 'pairs'
				? profile.program.perDay
				: [1];
		case 'plain':
			return [false, true];
	}
}

const OPTION_KEY = {
	unit: 'unit',
	clock: 'clock',
	grouping: 'grouping',
	'per-day': 'perDay',
	plain: 'plain'
} as const;

/** Where an option stands among its choices. */
export const optionAt = (profile: ControlProfile, options: MachineOptions, id: OptionId): number =>
	optionChoices(profile, id).indexOf(options[OPTION_KEY[id]]);

/** The memory after an option was put to the choice at `position`: with what that wipes. */
export function withOption(
	profile: ControlProfile,
	memory: Memory,
	id: OptionId,
	position: number,
	atSeconds: number
): Memory {
	if (optionAt(profile, memory.options, id) === position) return memory;
	const options: MachineOptions = {
		...memory.options,
		[OPTION_KEY[id]]: optionChoices(profile, id)[position]
	};
	// what is not said of an option is taken to be as on many controls (common practice)
	const wipes = profile.operation.options[id]?.wipes ?? 'program';
	if (wipes === 'all') {
		const factory = factoryMemory(profile, atSeconds);
		const set = { ...factory.options, [OPTION_KEY[id]]: options[OPTION_KEY[id]] };
		return {
			...factory,
			...degreesIn(profile, factory, set.unit),
			options: set,
			days: factoryDays(profile, set)
		};
	}
	const degrees = degreesIn(profile, memory, options.unit);
	if (wipes === 'program') return { ...memory, ...degrees, options, days: factoryDays(profile, options) };
	// days that are put together hold what the first of them did
	const { groups } = groupingOf(profile, options);
	const firstOf = (day: number) =>
		id === 'grouping' ? groups.find((group) => group.includes(day))![0]! : day;
	const days = degrees.days.map((channel) =>
		// without a program the days keep what they held
		options.plain
			? channel
			: channel.map((_, day) => completed(profile, memory.options, options, day, channel[firstOf(day)]!))
	);
	const clock = wipes === 'clock' ? factoryClock(profile, atSeconds) : memory.clock;
	return { ...memory, ...degrees, options, days, clock };
}

/** As {@link completeDay} where options change, but of what was not known nothing is made up. */
function completed(
	profile: ControlProfile,
	before: MachineOptions,
	options: MachineOptions,
	day: number,
	content: DayContent
): DayContent {
	const unknown = new Set(dayFields(profile, { ...before, plain: false }, day).map(({ key }) => key));
	for (const key of Object.keys(content)) unknown.delete(key);
	const complete = completeDay(profile, options, day, content);
	return unknown.size === 0
		? complete
		: Object.fromEntries(Object.entries(complete).filter(([key]) => !unknown.has(key)));
}

/** The memory after an entry of the control's menus was put to a position: with what that wipes. */
export function withEntry(
	profile: ControlProfile,
	memory: Memory,
	{ id, wipes }: MenuEntry,
	position: number,
	atSeconds: number
): Memory {
	if (memory.menu[id] === position) return memory;
	const base =
		wipes === 'all'
			? factoryMemory(profile, atSeconds)
			: wipes === 'program'
				? { ...memory, days: factoryDays(profile, memory.options) }
				: wipes === 'clock'
					? { ...memory, clock: factoryClock(profile, atSeconds) }
					: memory;
	return { ...base, menu: { ...base.menu, [id]: position } };
}

/** Everything that is degrees, counted in another unit: each to the nearest that the scale has. */
function degreesIn(
	profile: ControlProfile,
	memory: Memory,
	unit: 'C' | 'F'
): Pick<Memory, 'setpoints' | 'kept' | 'away' | 'menu' | 'days'> {
	const was = memory.options.unit;
	if (was === unit) return memory;
	const of = (position: number) => degreesAt(profile, unit, setpointAt(profile, was, position));
	const maybe = (position: number | undefined) => (position === undefined ? undefined : of(position));
	return {
		setpoints: memory.setpoints.map(maybe),
		kept: { heat: maybe(memory.kept.heat), cool: maybe(memory.kept.cool) },
		away: { ...memory.away, 'away-setpoint': maybe(memory.away['away-setpoint']) },
		menu: Object.fromEntries(
			profile.menu.map(({ id, values }) => [
				id,
				values.kind === 'degrees' ? maybe(memory.menu[id]) : memory.menu[id]
			])
		),
		days: memory.days.map((days) =>
			days.map((content) =>
				Object.fromEntries(
					Object.entries(content).map(([key, position]) => [
						key,
						position !== null && /\/(temperature|cool)$/.test(key) ? of(position) : position
					])
				)
			)
		)
	};
}

/** Whether one of the programs that it came with is chosen, instead of the week that is keyed. */
const runsStored = (profile: ControlProfile, { menu }: Pick<Memory, 'menu'>): boolean =>
	profile.menu.some(
		({ id, means, values }) =>
			means === 'stored-program' &&
			values.kind === 'choices' &&
			menu[id] !== undefined &&
			values.choices[menu[id]]?.is === 'stored'
	);

/** A memory as it runs on a program that came with it: which of them makes no difference here, the factory week stands for each. */
const asStored = (profile: ControlProfile, memory: Memory): Memory => ({
	...memory,
	days: factoryDays(profile, memory.options)
});

/**
 * The program that a memory runs in one channel, as a fit writes it; null where a step is not complete. Steps that were
 * cleared are left out.
 */
export function programOf(profile: ControlProfile, held: Memory, channel = 0): Program | null {
	const memory = runsStored(profile, held) ? asStored(profile, held) : held;
	const { options } = memory;
	const form = formInUse(profile, { ...options, channel });
	const degrees = (position: number | null | undefined) => setpointAt(profile, options.unit, position ?? NaN);
	const setpoints = memory.setpoints.map(degrees);
	if (form.form === 'plain') {
		const all = { days: WEEK };
		const { heat, cool } = memory.kept;
		if (heat === undefined) return null;
		return {
			form: 'plain',
			grouping: 'always',
			setpointC: degrees(heat),
			...(profile.cooling ? { coolC: degrees(cool) } : {}),
			groups: [all]
		};
	}
	const grouping = groupingOf(profile, options);
	const { groups, id } = grouping;
	const step = timeStep(profile);
	const minuteOf = (content: DayContent, stem: string): number | null => {
		if (profile.keying.timeEntry === 'whole') {
			const at = content[`${stem}/time`];
			return typeof at === 'number' ? at * step : null;
		}
		const [hour, minute] = [content[`${stem}/hour`], content[`${stem}/minute`]];
		if (typeof hour !== 'number' || typeof minute !== 'number') return null;
		const at = hour * 60 + minute * step;
		// an end at midnight shows as the beginning of a day
		return at === 0 && stem.endsWith('/off') && form.form === 'pairs' && form.endsAtMidnight
			? DAY_MINUTES
			: at;
	};
	const contentOf = (days: readonly number[]) => memory.days[channel]![days[0]!]!;
	const stepsOf = (days: readonly number[]) => [
		...new Set(dayFields(profile, options, days[0]!).map((field) => field.step + 1))
	];
	const named = () => keptSetpoints(profile).map((name, i) => ({ name, setpointC: setpoints[i]! }));
	switch (form.form) {
		case 'events':
			return {
				form: 'events',
				grouping: id,
				modes: form.modes ? named() : null,
				beforeFirstC: form.beforeFirst === 'coolest-mode' ? setpoints.at(-1)! : null,
				groups: groups.map((days) => ({
					days,
					events: stepsOf(days).flatMap((n) => {
						const content = contentOf(days);
						const at = minuteOf(content, String(n));
						const mode = content[`${n}/mode`];
						const heat = content[`${n}/temperature`];
						if (at === null || typeof (form.modes ? mode : heat) !== 'number') return [];
						return [
							{
								at,
								setpointC: form.modes ? setpoints[mode!]! : degrees(heat),
								...(profile.cooling ? { coolC: degrees(content[`${n}/cool`]) } : {})
							}
						];
					})
				}))
			};
		case 'pairs':
			return {
				form: 'pairs',
				grouping: id,
				onC: setpoints[0] ?? 1,
				offC: setpoints[1] ?? 0,
				groups: groups.map((days) => ({
					days,
					pairs:
						form.keyedAs === 'steps'
							? pairsOfSteps(
									stepsOf(days).flatMap((n) =>
										(['on', 'off'] as const).flatMap((end) => {
											const content = contentOf(days);
											const at = minuteOf(content, `${n}/${end}`);
											const state = content[`${n}/${end}/state`];
											return at === null || typeof state !== 'number' ? [] : [{ at, on: state === 0 }];
										})
									)
								)
							: stepsOf(days).flatMap((n) => {
									const content = contentOf(days);
									const [on, off] = [minuteOf(content, `${n}/on`), minuteOf(content, `${n}/off`)];
									return on === null || off === null ? [] : [{ on, off }];
								})
				}))
			};
		case 'slots': {
			const made = groups.map((days) => ({
				days,
				slots: dayFields(profile, options, days[0]!).map(({ key }) => contentOf(days)[key] ?? -1)
			}));
			return made.some(({ slots }) => slots.includes(-1))
				? null
				: { form: 'slots', grouping: id, slotMinutes: form.slotMinutes, settings: named(), groups: made };
		}
	}
}

/** On and off at times of a day, as pairs: off before the first, and what is on at its end is on to midnight. */
function pairsOfSteps(
	steps: readonly { readonly at: number; readonly on: boolean }[]
): { on: number; off: number }[] {
	const pairs: { on: number; off: number }[] = [];
	let since: number | null = null;
	for (const { at, on } of [...steps].sort((a, b) => a.at - b.at)) {
		if (on) since ??= at;
		else if (since !== null) {
			if (at > since) pairs.push({ on: since, off: at });
			since = null;
		}
	}
	return since === null ? pairs : [...pairs, { on: since, off: DAY_MINUTES }];
}
