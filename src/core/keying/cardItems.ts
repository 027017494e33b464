import {
	channelsOf,
	displayDay,
	displaySetpoint,
	displayTime,
	entryName,
	eventsOn,
	formInUse,
	groupName,
	isOffered,
	menuWay,
	timeStep,
	waySentence,
	type ControlOptions,
	type ControlProfile,
	type Grouping,
	type MenuEntry,
	type OptionId,
	type Program,
	type Wipes
} from '../control';
import { clockTime, DAY_MINUTES } from '../week';
import { capital, spokenName } from '../schema';
import { degreesAt, optionChoices } from '../machine';
import type { MenuWanted, MenuWhy } from './atControl';
import type { Goal, GoalOf } from './goal';
import type { Gesture } from './route';

/** One value to key, in the control's own unit, clock format and day numbering. */
export interface CardItem {
	/** Stays the same as long as the control asks for the same thing; a value keyed is kept under it. */
	readonly id: string;
	/** The heading it stands under: "Settings", "Thursday", "Mon–Fri". */
	readonly section: string;
	/** What the control asks for: "step 4, time". */
	readonly what: string;
	/** What the display must show. */
	readonly shows: string;
	/** The unit behind the value, as on the display: "°C" or nothing. */
	readonly unit: string;
	/** A line under the heading: the control's own day number, clock format. */
	readonly aside: string;
	/** What to do before this value can be keyed, where it is the first of its part. */
	readonly before: string | null;
	/** What the control shows there until it is changed, where the route makes that certain; else null. */
	readonly from: string | null;
	/** Presses it takes to set and confirm, from what is likely to be shown. */
	readonly presses: number;
	/** How it is set from there; null where what is shown first is not known. */
	readonly gesture: Gesture | null;
	/** What it is to bring about at the control. */
	readonly goal: Goal;
	/** Why an entry of the control's menus is to stand so; null for every other value. */
	readonly why: MenuWhy | null;
	/** Whether it stood so when the control was found: asked for only where something takes it along. */
	readonly stood: boolean;
}

/** An item before it has its place in a route. */
export type LooseItem = Omit<CardItem, 'from' | 'presses' | 'gesture' | 'stood'>;

/** An item with its place on the control's scale, in steps. */
export interface Planned extends Omit<LooseItem, 'goal' | 'why'> {
	readonly position: number;
}

/** What a value of a group of days is to bring about: of a control without a program the setpoint that it keeps. */
export function goalOf(
	{ id, position }: Planned,
	{ prefix, days }: Pick<GroupItems, 'prefix' | 'days'>,
	{ channel, form }: { readonly channel: number; readonly form: Program['form'] },
	index: number,
	all = false
): GoalOf<'field' | 'kept'> {
	const key = id.slice(prefix.length);
	return form === 'plain'
		? { of: 'kept', side: index === 0 ? 'heat' : 'cool', position }
		: {
				of: 'field',
				channel,
				day: days[0]!,
				all,
				key,
				position: key.endsWith('/clear') ? null : position
			};
}

const clockWords = { '24': '24-hour clock', '12': '12-hour clock' } as const;

/** What a change of an option takes away, as it stands under it. */
const wipeWords: Readonly<Record<Wipes, string>> = {
	nothing: 'a change of it wipes nothing',
	program: 'before the program: a change of it wipes the week',
	clock: 'before the clock: a change of it wipes the time',
	all: 'before all else: a change of it wipes everything'
};
/** What is not said of an option is taken to be as on many controls (common practice). */
const UNSAID = 'before the program: changing it later can wipe the week';

/** How an entry is come to, as the card on paper says it; null where no menu has it. */
function entryWay(profile: ControlProfile, { id }: MenuEntry): string | null {
	const found = menuWay(profile, `menu/${id}`);
	if (!found || !profile.panel) return null;
	return `${found.onlyWhenOff ? 'Switch it off first. ' : ''}${waySentence(profile.panel, found.way)}`;
}

/** What an entry of the control's menus is called on a card. */
export const entryItemId = ({ id }: Pick<MenuEntry, 'id'>): string => `setting/menu/${id}`;

/**
 * Settings that come before the program, each with the way to it where the profile says it: what wipes the others first, else in the
 * order in which most controls ask.
 */
export function settingItems(
	profile: ControlProfile,
	options: ControlOptions,
	grouping: Grouping,
	menu: readonly MenuWanted[] = []
): LooseItem[] {
	const plain = formInUse(profile, options).form === 'plain';
	const shown: readonly [
		id: OptionId,
		what: string,
		shows: string,
		asked: boolean,
		chosen: string | number | boolean
	][] = [
		['unit', 'unit', `°${options.unit}`, true, options.unit],
		['clock', 'clock format', `${options.clock} h`, true, options.clock],
		['grouping', 'day grouping', grouping.name, !plain, grouping.id],
		['per-day', 'steps a day', String(options.perDay), !plain, options.perDay],
		['plain', 'program', plain ? 'Off' : 'On', true, plain]
	];
	const places = profile.operation.options;
	const rank = { all: 0, program: 1, clock: 2, nothing: 3 } as const;
	const entries = menu
		.map((one) => ({ ...one, early: rank[one.entry.wipes] }))
		.sort((a, b) => a.early - b.early)
		.map(({ entry, position, shows, unit, why, early }) => {
			const item: LooseItem = {
				id: entryItemId(entry),
				section: 'Settings',
				what: entryName(entry),
				shows,
				unit,
				aside: early === rank.nothing ? entry.print : `${entry.print} · ${wipeWords[entry.wipes]}`,
				before: entryWay(profile, entry),
				goal: { of: 'menu', id: entry.id, position },
				why
			};
			return [early, item] as const;
		});
	const early = (id: OptionId) => (places[id]?.wipes === 'all' ? 0 : 1);
	const optionItems = shown
		.filter(([id, , , asked]) => asked && isOffered(profile, id))
		.sort(([a], [b]) => early(a) - early(b))
		.map(([id, what, shows, , chosen]) => {
			const place = places[id];
			const item: LooseItem = {
				id: `setting/${id}`,
				section: 'Settings',
				what,
				shows,
				unit: '',
				aside: place ? wipeWords[place.wipes] : UNSAID,
				before: place?.how ? `${place.onlyWhenOff ? 'Switch it off first. ' : ''}${place.how}` : null,
				goal: { of: 'option', id, position: optionChoices(profile, id).indexOf(chosen) },
				why: null
			};
			return [early(id), item] as const;
		});
	return [...optionItems, ...entries].sort(([a], [b]) => a - b).map(([, item]) => item);
}

function dayAside(profile: ControlProfile, days: readonly number[]): string {
	const shown = days.map((day) => displayDay(profile, day));
	const first = shown[0]!;
	const run = days.length > 2 ? `${first}–${shown.at(-1)!}` : shown.join(', ');
	return profile.dayNumbering === 'names'
		? `shown as ${run}`
		: `${days.length > 1 ? 'days' : 'day'} ${run} on this control`;
}

function timeItems(
	profile: ControlProfile,
	options: ControlOptions,
	base: Omit<LooseItem, 'what' | 'shows' | 'unit' | 'goal' | 'why'>,
	what: string,
	minute: number
): Planned[] {
	const position = Math.round(minute / timeStep(profile));
	const aside = `${base.aside} · ${clockWords[options.clock]}`;
	if (profile.keying.timeEntry === 'whole')
		return [
			{
				...base,
				aside,
				id: `${base.id}/time`,
				what: `${what}, time`,
				shows: displayTime(minute, options.clock),
				unit: '',
				position
			}
		];
	// an end at midnight is keyed as 00 hours 00 minutes
	const shown = displayTime(minute % DAY_MINUTES, options.clock);
	const [hour, rest] = shown.split(':') as [string, string];
	const [minutes, half] = rest.split(' ') as [string, string | undefined];
	return [
		{
			...base,
			aside,
			id: `${base.id}/hour`,
			what: `${what}, hour`,
			shows: half ? `${hour} ${half}` : hour,
			unit: '',
			position: Math.floor((minute % DAY_MINUTES) / 60)
		},
		{
			...base,
			aside,
			before: null,
			id: `${base.id}/minute`,
			what: `${what}, minute`,
			shows: minutes,
			unit: '',
			position: Math.round((minute % 60) / timeStep(profile))
		}
	];
}

/** The items of one group of days, in the order the control asks for them. */
export interface GroupItems {
	readonly days: readonly number[];
	/** What every id of the group begins with. */
	readonly prefix: string;
	readonly section: string;
	readonly aside: string;
	readonly items: readonly Planned[];
}

/** A program's items: setpoints set once for the week, then the groups. `stem` begins every id. */
export interface ProgramItems {
	readonly stem: string;
	readonly settings: readonly Planned[];
	readonly groups: readonly GroupItems[];
}

/** What a program asks for, group by group. */
export function programItems(
	profile: ControlProfile,
	options: ControlOptions,
	program: Program
): ProgramItems {
	/** Where a setpoint stands on the control's scale, counted in its own steps. */
	const stepsOf = (c: number) => degreesAt(profile, options.unit, c);
	const unit = profile.temperature ? `°${options.unit}` : '';
	const channel = channelsOf(profile)?.[options.channel];
	const stem = [
		program.grouping,
		options.perDay,
		options.unit,
		options.clock,
		...(channel ? [channel] : [])
	].join('/');
	const base = (days: readonly number[], rest: string) => ({
		id: `${stem}/${days.join('')}/${rest}`,
		section: channel ? `${groupName(days)}, ${channel}` : groupName(days),
		aside: dayAside(profile, days),
		before: null
	});
	const clear = (days: readonly number[], what: string, n: number): Planned => ({
		...base(days, `${n}/clear`),
		what: `${what}, unused: clear it`,
		shows: '--:--',
		unit: '',
		position: 0
	});
	const spare = (used: number, most = options.perDay) =>
		Array.from({ length: Math.max(0, most - used) }, (_, i) => used + i + 1);
	const setting = (name: string, setpointC: number): Planned => ({
		id: `setting/${name}/${options.unit}`,
		section: 'Settings',
		what: `${spokenName(name)} temperature`,
		shows: displaySetpoint(profile, options, setpointC),
		unit,
		aside: 'once, for the whole week',
		before: null,
		position: stepsOf(setpointC)
	});
	const form = profile.program;
	const bySteps = form.form === 'pairs' && form.keyedAs === 'steps';
	const all = <G extends { days: number[] }>(
		settings: Planned[],
		groups: readonly G[],
		itemsOf: (group: G) => Planned[]
	): ProgramItems => ({
		stem,
		settings,
		groups: groups.map((group) => {
			const { id, section, aside } = base(group.days, '');
			return { days: group.days, prefix: id, section, aside, items: itemsOf(group) };
		})
	});

	switch (program.form) {
		case 'plain': {
			const keep = (what: string, c: number): Planned => ({
				id: `plain/${what}/${options.unit}`,
				section: 'Every day',
				what,
				shows: displaySetpoint(profile, options, c),
				unit,
				aside: 'kept until someone changes it',
				before: null,
				position: stepsOf(c)
			});
			const { setpointC, coolC } = program;
			return all([], program.groups, () =>
				coolC === undefined
					? [keep('temperature', setpointC)]
					: [keep('heat to', setpointC), keep('cool to', coolC)]
			);
		}
		case 'events': {
			const names = form.form === 'events' ? form.eventNames : null;
			const called = (n: number) => names?.[n - 1] ?? (program.modes ? `band ${n}` : `step ${n}`);
			const most = (days: readonly number[]) =>
				form.form === 'events' ? eventsOn(form, options.perDay, days[0]!) : options.perDay;
			return all(
				(program.modes ?? []).map((mode) => setting(mode.name, mode.setpointC)),
				program.groups,
				(group) => [
					...group.events.flatMap((event, index) => {
						const at = `${index + 1}`;
						const what = called(index + 1);
						const value = (
							id: string,
							words: string,
							shows: string,
							position: number,
							of = unit
						): Planned => ({
							...base(group.days, `${at}/${id}`),
							what: `${what}, ${words}`,
							shows,
							unit: of,
							position
						});
						const time = timeItems(profile, options, base(group.days, at), what, event.at);
						const mode = program.modes?.find((one) => one.setpointC === event.setpointC);
						const heat = displaySetpoint(profile, options, event.setpointC);
						const heatAt = stepsOf(event.setpointC);
						const temperature = mode
							? [value('mode', 'mode', capital(spokenName(mode.name)), program.modes!.indexOf(mode), '')]
							: event.coolC === undefined
								? [value('temperature', 'temperature', heat, heatAt)]
								: [
										value('temperature', 'heat to', heat, heatAt),
										value(
											'cool',
											'cool to',
											displaySetpoint(profile, options, event.coolC),
											stepsOf(event.coolC)
										)
									];
						return profile.keying.eventOrder === 'time-first'
							? [...time, ...temperature]
							: [...temperature, ...time];
					}),
					...spare(group.events.length, most(group.days)).map((n) => clear(group.days, called(n), n))
				]
			);
		}
		case 'pairs':
			return all(
				form.form === 'pairs' && form.settings
					? [setting(form.settings[0], program.onC), setting(form.settings[1], program.offC)]
					: [],
				program.groups,
				(group) => [
					...group.pairs.flatMap((pair, index) =>
						(['on', 'off'] as const).flatMap((end) => {
							const what = bySteps
								? `step ${index * 2 + (end === 'on' ? 1 : 2)}`
								: `pair ${index + 1} ${end}`;
							const stem = base(group.days, `${index + 1}/${end}`);
							const state: Planned = {
								...base(group.days, `${index + 1}/${end}/state`),
								what: `${what}, on or off`,
								shows: capital(end),
								unit: '',
								position: end === 'on' ? 0 : 1
							};
							const time = timeItems(profile, options, stem, what, pair[end]);
							return bySteps ? [...time, state] : time;
						})
					),
					...spare(group.pairs.length).map((n) =>
						clear(group.days, bySteps ? `steps ${n * 2 - 1} and ${n * 2}` : `pair ${n}`, n)
					)
				]
			);
		case 'slots':
			return all(
				program.settings.map((one) => setting(one.name, one.setpointC)),
				program.groups,
				(group) =>
					group.slots.map((of, slot) => {
						const { name } = program.settings[of]!;
						const from = slot * program.slotMinutes;
						return {
							...base(group.days, `${slot}`),
							what: `${clockTime(from)} to ${clockTime(from + program.slotMinutes)}`,
							shows: capital(spokenName(name)),
							unit: '',
							position: of
						};
					})
			);
	}
}
