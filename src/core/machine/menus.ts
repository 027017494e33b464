import { dateOfDay, dayNumber, daysInMonth, weekdayOfDay } from '../civil';
import {
	entryOfField,
	isAwayField,
	isOffered,
	isSwitch,
	OPTION_IDS,
	type AwayField,
	type ControlProfile,
	type OptionId,
	type PanelPlace,
	type PlaceField
} from '../control';
import { memoBy } from '../schema';
import { DAY_MINUTES, WEEK_DAYS } from '../week';
import { entryOf, entryScale } from './entries';
import { degreeScale, keptSetpoints, type Scale } from './fields';
import { optionAt, optionChoices, withEntry, withOption, type Memory } from './memory';
import type { Operable } from './operable';

/** A field of a menu; of the setpoints kept for the week which of them. */
export interface MenuField {
	readonly id: PlaceField;
	readonly setpoint: number;
}

/** The fields of a menu that the control has, as it is set. */
export const menuFields = memoBy(
	(place: PanelPlace) => place,
	(profile: ControlProfile, place: PanelPlace): readonly MenuField[] => fieldsOfMenu(profile, place)
);

/** Whether a field is an option or an entry of the control's own menus. */
export const isOption = (id: PlaceField): boolean =>
	entryOfField(id) !== null || (OPTION_IDS as readonly string[]).includes(id);

function fieldsOfMenu(profile: ControlProfile, place: PanelPlace): readonly MenuField[] {
	return place.fields.flatMap((id): MenuField[] => {
		if ((OPTION_IDS as readonly string[]).includes(id))
			return isOffered(profile, id as OptionId) ? [{ id, setpoint: 0 }] : [];
		if (id === 'setpoints') return keptSetpoints(profile).map((_name, setpoint) => ({ id, setpoint }));
		return [{ id, setpoint: 0 }];
	});
}

/** The weekday, the minute of the day and the date (days since 1970-01-01) that the clock shows. */
export function clockAt(
	{ clock }: Memory,
	atSeconds: number
): { readonly day: number; readonly minute: number; readonly date: number } {
	const passed = Math.floor((atSeconds - clock.atSeconds) / 60);
	const date = clock.date + Math.floor(((clock.minute % DAY_MINUTES) + passed) / DAY_MINUTES);
	const week = WEEK_DAYS * DAY_MINUTES;
	const minute = (((clock.minute + passed) % week) + week) % week;
	return { day: Math.floor(minute / DAY_MINUTES), minute: minute % DAY_MINUTES, date };
}

const DATE_PART = { 'clock-year': 0, 'clock-month': 1, 'clock-date': 2 } as const;

/** Year, month and day of the month of a date. */
const dateParts = (date: number) => dateOfDay(date).split('-').map(Number) as [number, number, number];

/** Where a menu's field stands on its scale; undefined where that is not known. */
export function menuAt(
	profile: ControlProfile,
	memory: Memory,
	{ id, setpoint }: MenuField,
	atSeconds: number
): number | undefined {
	switch (id) {
		case 'setpoints':
			return memory.setpoints[setpoint];
		case 'setpoint':
			return memory.kept.heat;
		case 'cool-setpoint':
			return memory.kept.cool;
		case 'clock-day':
			return clockAt(memory, atSeconds).day;
		case 'clock-hour':
			return Math.floor(clockAt(memory, atSeconds).minute / 60);
		case 'clock-minute':
			return clockAt(memory, atSeconds).minute % 60;
		case 'clock-time':
			return clockAt(memory, atSeconds).minute;
		case 'clock-year':
		case 'clock-month':
		case 'clock-date':
			return dateParts(clockAt(memory, atSeconds).date)[DATE_PART[id]];
		default: {
			if (isAwayField(id)) return memory.away[id];
			const entry = entryOfField(id);
			return entry === null ? optionAt(profile, memory.options, id as OptionId) : memory.menu[entry];
		}
	}
}

/** The scale on which a menu's field moves. */
export function menuScale(profile: ControlProfile, memory: Memory, { id }: MenuField): Scale {
	switch (id) {
		case 'setpoints':
		case 'setpoint':
			return degreeScale(profile, memory.options.unit);
		case 'cool-setpoint':
			return degreeScale(profile, memory.options.unit, true);
		case 'clock-day':
			return { low: 0, high: 6, round: true };
		case 'clock-hour':
			return { low: 0, high: 23, round: true };
		case 'clock-minute':
			return { low: 0, high: 59, round: true };
		case 'clock-time':
			return { low: 0, high: DAY_MINUTES - 1, round: true };
		case 'clock-year':
			return { low: 2000, high: 2099, round: true };
		case 'clock-month':
			return { low: 1, high: 12, round: true };
		case 'clock-date':
			return { low: 1, high: 31, round: true };
		default: {
			if (isAwayField(id)) return awayScale(profile, memory, id);
			const entry = entryOfField(id);
			return entry === null
				? { low: 0, high: optionChoices(profile, id as OptionId).length - 1, round: true }
				: entryScale(profile, memory.options.unit, entryOf(profile, entry)!);
		}
	}
}

/** The scale of what is set of an absence. No days are none: that ends it. */
function awayScale(profile: ControlProfile, memory: Memory, id: AwayField): Scale {
	const { holiday } = profile.habits;
	switch (id) {
		case 'away-setpoint':
			return degreeScale(profile, memory.options.unit);
		case 'away-days':
			return { low: 0, high: holiday?.by === 'days' ? holiday.mostDays : 99, round: false };
		case 'first-month':
		case 'last-month':
		case 'back-month':
			return { low: 1, high: 12, round: true };
		case 'first-day':
		case 'last-day':
		case 'back-day':
			return { low: 1, high: 31, round: true };
		case 'back-hour':
			return { low: 0, high: 23, round: true };
		case 'back-minute':
			return { low: 0, high: 59, round: true };
	}
}

/** The memory with a field of a menu put to a position. */
export function withMenu(
	profile: ControlProfile,
	memory: Memory,
	{ id, setpoint }: MenuField,
	position: number,
	atSeconds: number
): Memory {
	switch (id) {
		case 'setpoints':
			return { ...memory, setpoints: memory.setpoints.map((was, i) => (i === setpoint ? position : was)) };
		case 'setpoint':
			return { ...memory, kept: { ...memory.kept, heat: position } };
		case 'cool-setpoint':
			return { ...memory, kept: { ...memory.kept, cool: position } };
		case 'clock-day':
		case 'clock-hour':
		case 'clock-minute':
		case 'clock-time': {
			const { day, minute, date } = clockAt(memory, atSeconds);
			const to =
				id === 'clock-time'
					? position
					: id === 'clock-hour'
						? position * 60 + (minute % 60)
						: minute - (minute % 60) + position;
			const at = id === 'clock-day' ? position * DAY_MINUTES + minute : day * DAY_MINUTES + to;
			return { ...memory, clock: { minute: at, date, atSeconds } };
		}
		case 'clock-year':
		case 'clock-month':
		case 'clock-date': {
			const { minute, date: was } = clockAt(memory, atSeconds);
			const parts = dateParts(was);
			parts[DATE_PART[id]] = position;
			const [year, month, day] = parts;
			const padded = [month, Math.min(day, daysInMonth(year, month))].map((part) =>
				String(part).padStart(2, '0')
			);
			const date = dayNumber([year, ...padded].join('-'));
			return { ...memory, clock: { minute: weekdayOfDay(date) * DAY_MINUTES + minute, date, atSeconds } };
		}
		default: {
			if (isAwayField(id)) return { ...memory, away: { ...memory.away, [id]: position } };
			const entry = entryOfField(id);
			return entry === null
				? withOption(profile, memory, id as OptionId, position, atSeconds)
				: withEntry(profile, memory, entryOf(profile, entry)!, position, atSeconds);
		}
	}
}

/** What a control holds as its mode has it: its program, both sides of it or one; a figure apart from that; on; or nothing. */
export type ModeHolds =
	| { readonly by: 'program'; readonly side: 'both' | 'heat' | 'cool' }
	| { readonly by: 'figure'; readonly field: MenuField; readonly cool?: MenuField }
	| { readonly by: 'on' | 'off' };

/** What a control has in its memory, and the mode that it stands in, counted from 0. */
interface Standing {
	readonly memory: Memory;
	readonly mode: number;
}

/** What a control holds as it stands; see {@link ModeHolds}. One that is set to hold one setpoint holds that in every mode but off. */
export function modeHolds(profile: Operable, { memory, mode }: Standing): ModeHolds {
	const { modes } = profile.panel;
	const name = modes?.names[mode];
	const figure = name === undefined ? undefined : modes?.figures[name];
	const heat: MenuField = { id: 'setpoint', setpoint: 0 };
	const cool: MenuField = { id: 'cool-setpoint', setpoint: 0 };
	const kept: ModeHolds = { by: 'figure', field: heat, ...(profile.cooling ? { cool } : {}) };
	const isPlain = profile.program.form === 'plain' || memory.options.plain;
	if (figure === 'kept') return kept;
	if (figure?.startsWith('setpoint-'))
		return {
			by: 'figure',
			field: { id: 'setpoints', setpoint: Number(figure.slice('setpoint-'.length)) - 1 }
		};
	if (figure === 'on' || (name === 'On' && isSwitch(profile))) return { by: 'on' };
	if (figure === 'heat-only' || figure === 'cool-only')
		return !isPlain
			? { by: 'program', side: figure === 'heat-only' ? 'heat' : 'cool' }
			: figure === 'heat-only'
				? { by: 'figure', field: heat }
				: { by: 'figure', field: cool, cool };
	if (figure !== undefined) return { by: 'figure', field: { id: `menu/${figure}`, setpoint: 0 } };
	if (name !== undefined && name === modes?.off) return { by: 'off' };
	return isPlain ? kept : { by: 'program', side: 'both' };
}

/** The figure that a control holds by itself as it stands, apart from its program; null while its program or nothing rules. */
export function figureInUse(profile: Operable, state: Standing): MenuField | null {
	const holds = modeHolds(profile, state);
	return holds.by === 'figure' ? holds.field : null;
}
