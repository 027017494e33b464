import {
	celsiusToFahrenheit,
	entryName,
	type ControlOptions,
	type ControlProfile,
	type Program
} from '../control';
import { DAY_MINUTES } from '../week';
import type { MenuWanted } from './atControl';
import { entryItemId, goalOf, programItems, type GroupItems, type Planned } from './cardItems';
import type { Goal } from './goal';
import { satisfies } from './known';
import { refsOf } from './turn';
import type { Note, Replayed } from './notes';
import { goalShown, shownAt } from './shown';
import type { MachineOptions } from '../machine';

/** What the display was read to show, by item id; what is not there was not read. */
export type Readings = Readonly<Record<string, string>>;

/** One group of days as it should be read back. */
export interface ReadBackGroup {
	readonly section: string;
	readonly aside: string;
	readonly fields: readonly {
		readonly id: string;
		readonly what: string;
		readonly shows: string;
		readonly unit: string;
		/** What it is when it shows that. */
		readonly goal: Goal;
		/** All that can stand there, where it is chosen from a few. */
		readonly words?: readonly string[];
	}[];
}

/** A value that reads otherwise than planned. */
export interface Misread {
	readonly what: string;
	readonly shown: string;
	readonly planned: string;
}

/** A difference explained by one slip, or left as it is; `ids` are those of the values to key again. */
export type Slip = { readonly ids: readonly string[] } & (
	| { readonly kind: 'wrong-unit'; readonly wanted: ControlOptions['unit'] }
	| { readonly kind: 'other-day' | 'swapped-days'; readonly section: string; readonly other: string }
	| { readonly kind: 'shifted-slots'; readonly section: string; readonly late: boolean }
	| { readonly kind: 'am-pm'; readonly section: string; readonly values: readonly Misread[] }
	| {
			readonly kind: 'swapped-periods';
			readonly section: string;
			readonly periods: readonly [string, string];
	  }
	/** A value by itself; `section` is null for one that holds for the whole week. */
	| ({ readonly kind: 'single'; readonly section: string | null; readonly unit: string } & Misread)
);
/** What a slip is, without the values it touches. */
type SlipFact = Slip extends infer One ? (One extends Slip ? Omit<One, 'ids'> : never) : never;

/** The entries of the control's menus that are set otherwise than they come: those are looked at again. */
const entriesToRead = (menu: readonly MenuWanted[]) =>
	menu.flatMap(({ entry, position, shows, unit, isFactory }) =>
		isFactory
			? []
			: [
					{
						id: entryItemId(entry),
						what: entryName(entry),
						shows,
						unit,
						goal: { of: 'menu' as const, id: entry.id, position },
						...(entry.values.kind === 'choices'
							? { words: entry.values.choices.map((choice) => choice.shows) }
							: {})
					}
				]
	);

/** Every value of a program as the display must show it, group by group, entries of the menus and setpoints of the week first. */
export function readBackGroups(
	profile: ControlProfile,
	options: ControlOptions,
	program: Program,
	menu: readonly MenuWanted[] = []
): ReadBackGroup[] {
	const { settings, groups } = programItems(profile, options, program);
	const of = { channel: options.channel, form: program.form };
	const field = ({ id, what, shows, unit }: Planned, goal: Goal) => ({ id, what, shows, unit, goal });
	const once = [
		...entriesToRead(menu),
		...settings.map((item, index) => field(item, { of: 'setpoint', index, position: item.position }))
	];
	return [
		...(once.length > 0 ? [{ section: 'Settings', aside: 'once, for the whole week', fields: once }] : []),
		...groups.map((group) => ({
			section: group.section,
			aside: group.aside,
			fields: group.items.map((item, i) => field(item, goalOf(item, group, of, i)))
		}))
	];
}

type ReadBackField = ReadBackGroup['fields'][number];

/** Whether a field was seen to show what is planned, and stands so still. */
const isSeen = (profile: ControlProfile, { known, read }: Replayed, { goal }: ReadBackField): boolean =>
	satisfies(profile, known, goal) && refsOf(profile, known, goal).every((ref) => read.has(ref));

/** Whether every field of a group was read and shows what is planned. */
export const isRead = (profile: ControlProfile, group: ReadBackGroup, replay: Replayed): boolean =>
	group.fields.every((field) => isSeen(profile, replay, field));

/** How far the reading back is: groups that were read and show what is planned, and groups in all. */
export function readBackProgress(
	profile: ControlProfile,
	groups: readonly ReadBackGroup[],
	replay: Replayed
): { readonly read: number; readonly toRead: number } {
	return { read: groups.filter((group) => isRead(profile, group, replay)).length, toRead: groups.length };
}

/** What was read of each field that was, as its display shows it: of one that stands otherwise what it was seen to show. */
export function readingsOf(
	profile: ControlProfile,
	groups: readonly ReadBackGroup[],
	{ known, read }: Replayed
): Readings {
	const all = groups.flatMap((group) => group.fields);
	return Object.fromEntries(
		all.flatMap((field) => {
			if (!refsOf(profile, known, field.goal).every((ref) => read.has(ref))) return [];
			const shown = shownAt(profile, known.memory, field.goal);
			return shown === null ? [] : [[field.id, shown]];
		})
	);
}

/** The words that can stand in the place of a planned word: those of all like fields of the program. */
export function wordsThere(
	groups: readonly ReadBackGroup[],
	field: ReadBackGroup['fields'][number]
): string[] {
	if (field.words) return [...field.words];
	const kind = (id: string) => (/\/\d+$/.test(id) ? 'slot' : (id.split('/').at(-1) ?? ''));
	const like = groups
		.flatMap((group) => group.fields)
		.filter((one) => one.unit === field.unit && kind(one.id) === kind(field.id));
	return [
		...new Set([...like.map((one) => one.shows), ...(/^(on|off)$/i.test(field.shows) ? ['On', 'Off'] : [])])
	];
}

/**
 * What to note where a field was read to show something (null: it was not read after all); null where it is nothing that it
 * can show.
 */
export function noteOfReading(
	profile: ControlProfile,
	options: MachineOptions,
	{ goal, shows }: ReadBackField,
	value: string | null
): Note | null {
	if (value === null) return { what: 'not-read', goals: [goal] };
	const seen = value === shows ? goal : goalShown(profile, options, goal, value);
	return seen && { what: 'read', goals: [seen] };
}

const read = (readings: Readings, item: Planned) => readings[item.id] ?? item.shows;
const differing = (group: GroupItems, readings: Readings) =>
	group.items.filter((item) => read(readings, item) !== item.shows);

/** Minutes since midnight of a time as a display shows it; null for anything else. */
function minutesOf(shown: string): number | null {
	const match = /^(\d{1,2}):(\d{2})(?: (am|pm))?$/.exec(shown.trim());
	if (!match) return null;
	const hour = Number(match[1]);
	const inDay = match[3] ? (hour % 12) + (match[3] === 'pm' ? 12 : 0) : hour;
	return inDay * 60 + Number(match[2]);
}

/** Whether a group reads as another group's plan, field by field. */
function readsAs(group: GroupItems, other: GroupItems, readings: Readings): boolean {
	return (
		group.items.length === other.items.length &&
		group.items.every((item, i) => read(readings, item) === other.items[i]!.shows)
	);
}

function shiftedBy(group: GroupItems, readings: Readings): number | null {
	for (const shift of [1, -1]) {
		const inside = group.items.slice(Math.max(0, shift), group.items.length + Math.min(0, shift));
		const fits = inside.every((item) => {
			const i = group.items.indexOf(item);
			return read(readings, item) === group.items[i - shift]!.shows;
		});
		if (fits) return shift;
	}
	return null;
}

function swappedPeriods(
	group: GroupItems,
	wrong: readonly Planned[],
	readings: Readings
): [string, string] | null {
	const periodOf = (item: Planned) => item.id.slice(group.prefix.length).split('/')[0]!;
	const periods = [...new Set(wrong.map(periodOf))];
	if (periods.length !== 2) return null;
	const [a, b] = periods.map((period) => group.items.filter((item) => periodOf(item) === period));
	const crossed =
		a!.length === b!.length &&
		a!.every((item, i) => read(readings, item) === b![i]!.shows && read(readings, b![i]!) === item.shows);
	return crossed ? [a![0]!.what.split(',')[0]!, b![0]!.what.split(',')[0]!] : null;
}

/**
 * Compares what was read from the display with the plan and explains the differences: each by one
 * slip where one slip explains all of a day, else value by value. Nothing differs: an empty list.
 */
export function explainReadBack(
	profile: ControlProfile,
	options: ControlOptions,
	program: Program,
	readings: Readings,
	menu: readonly MenuWanted[] = []
): Slip[] {
	const { settings, groups } = programItems(profile, options, program);
	const slips: Slip[] = [];
	const explained = new Set<string>();
	const misread = (item: Planned): Misread => ({
		what: item.what,
		shown: read(readings, item),
		planned: item.shows
	});
	const add = (fact: SlipFact, items: readonly Planned[]) => {
		slips.push({ ...fact, ids: items.map((item) => item.id) });
		items.forEach((item) => explained.add(item.id));
	};

	const temperatures = [...settings, ...groups.flatMap((group) => group.items)].filter((item) =>
		item.unit.startsWith('°')
	);
	const wrongTemperatures = temperatures.filter((item) => read(readings, item) !== item.shows);
	const inOtherUnit = (item: Planned) => {
		const shown = Number(read(readings, item));
		const planned = Number(item.shows);
		const other = options.unit === 'C' ? celsiusToFahrenheit(planned) : ((planned - 32) * 5) / 9;
		return Number.isFinite(shown) && Math.abs(shown - other) <= 0.6;
	};
	if (wrongTemperatures.length > 0 && wrongTemperatures.every(inOtherUnit)) {
		add({ kind: 'wrong-unit', wanted: options.unit }, wrongTemperatures);
	}

	const wrongGroups = groups.filter((group) =>
		differing(group, readings).some((item) => !explained.has(item.id))
	);
	for (const group of wrongGroups) {
		const wrong = differing(group, readings).filter((item) => !explained.has(item.id));
		if (wrong.length === 0) continue;
		const twin = groups.find((other) => other !== group && readsAs(group, other, readings));
		if (twin && readsAs(twin, group, readings)) {
			add({ kind: 'swapped-days', section: group.section, other: twin.section }, [
				...wrong,
				...differing(twin, readings)
			]);
			continue;
		}
		if (twin) {
			add({ kind: 'other-day', section: group.section, other: twin.section }, wrong);
			continue;
		}
		const shift = program.form === 'slots' && wrong.length > 1 ? shiftedBy(group, readings) : null;
		if (shift !== null) {
			add({ kind: 'shifted-slots', section: group.section, late: shift > 0 }, wrong);
			continue;
		}
		const halfDayOff = wrong.filter((item) => {
			const [shown, planned] = [minutesOf(read(readings, item)), minutesOf(item.shows)];
			return shown !== null && planned !== null && Math.abs(shown - planned) === DAY_MINUTES / 2;
		});
		if (halfDayOff.length > 0)
			add({ kind: 'am-pm', section: group.section, values: halfDayOff.map(misread) }, halfDayOff);
		const rest = wrong.filter((item) => !explained.has(item.id));
		const swapped = rest.length > 0 ? swappedPeriods(group, rest, readings) : null;
		if (swapped) {
			add({ kind: 'swapped-periods', section: group.section, periods: swapped }, rest);
			continue;
		}
		for (const item of rest)
			add({ kind: 'single', section: group.section, unit: item.unit, ...misread(item) }, [item]);
	}
	for (const item of settings)
		if (!explained.has(item.id) && read(readings, item) !== item.shows)
			add({ kind: 'single', section: null, unit: item.unit, ...misread(item) }, [item]);
	for (const { id, what, shows, unit } of entriesToRead(menu)) {
		const shown = readings[id] ?? shows;
		if (shown !== shows)
			slips.push({ kind: 'single', section: null, unit, what, shown, planned: shows, ids: [id] });
	}
	return slips;
}
