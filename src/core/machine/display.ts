import {
	displayDay,
	displayTime,
	isSwitch,
	channelsOf,
	entryOfField,
	expandProgram,
	type ControlProfile,
	type OptionId
} from '../control';
import { capital, spokenName } from '../schema';
import { DAY_MINUTES, dayRange, valueAt } from '../week';
import { entryOf, entryShown } from './entries';
import { degreesAt, degreesShown, fieldShown, keptSetpoints, type MachineOptions } from './fields';
import { dayRound } from './days';
import { statesOf } from './states';
import { FORGETS_AFTER_SECONDS } from './rest';
import { settled } from './machine';
import { clockAt, menuAt, modeHolds, type MenuField } from './menus';
import type { Operable } from './operable';
import { optionChoices, programOf } from './memory';
import { standsAt, underCursor } from './place';
import type { MachineState } from './state';

/** What stands on a control's display. */
export interface Display {
	/** Top left: the day, or the menu. */
	readonly heading: string;
	/** Top right: the step, the clock, what is chosen. */
	readonly aside: string;
	/** The value, large. */
	readonly shows: string;
	readonly unit: string;
	/** Whether the value blinks: it is the one that keys change. */
	readonly blinks: boolean;
	/** At the foot: the mode, or what is being done. */
	readonly foot: string;
	readonly locked: boolean;
	/** Seconds after the last key when it is left by itself; null where it stays. */
	readonly leavesAfterSeconds: number | null;
}

/** The words with which a display names what stands in a menu. */
const FIELD_WORDS: Readonly<Partial<Record<MenuField['id'], string>>> = {
	unit: 'unit',
	clock: 'clock',
	grouping: 'days',
	'per-day': 'steps',
	plain: 'program',
	setpoints: '',
	setpoint: 'set',
	'cool-setpoint': 'cool to',
	'clock-day': 'day',
	'clock-hour': 'hour',
	'clock-minute': 'minute',
	'clock-time': 'time',
	'clock-year': 'year',
	'clock-month': 'month',
	'clock-date': 'day',
	'away-setpoint': 'away at',
	'away-days': 'days away',
	'first-month': 'first month',
	'first-day': 'first day',
	'last-month': 'last month',
	'last-day': 'last day',
	'back-month': 'back, month',
	'back-day': 'back, day',
	'back-hour': 'back, hour',
	'back-minute': 'back, minute'
};

/** What a menu's field shows at a position of its scale, and the unit behind it; nothing where that is not known. */
export function menuShown(
	profile: ControlProfile,
	options: MachineOptions,
	field: Pick<MenuField, 'id'>,
	position: number | undefined
): { shows: string; unit: string } {
	if (position === undefined) return { shows: '', unit: '' };
	switch (field.id) {
		case 'setpoints':
		case 'setpoint':
		case 'cool-setpoint':
			return { shows: degreesShown(profile, options.unit, position), unit: `°${options.unit}` };
		case 'clock-day':
			return { shows: displayDay(profile, position), unit: '' };
		case 'away-setpoint':
			return { shows: degreesShown(profile, options.unit, position), unit: `°${options.unit}` };
		case 'clock-year':
		case 'clock-month':
		case 'clock-date':
		case 'away-days':
		case 'first-month':
		case 'first-day':
		case 'last-month':
		case 'last-day':
		case 'back-month':
		case 'back-day':
			return { shows: String(position), unit: '' };
		case 'back-hour':
			return { shows: fieldShown(profile, options, { kind: 'hour' }, position), unit: '' };
		case 'back-minute':
			return { shows: String(position).padStart(2, '0'), unit: '' };
		case 'clock-hour':
			return { shows: fieldShown(profile, options, { kind: 'hour' }, position), unit: '' };
		case 'clock-time':
			return { shows: displayTime(position, options.clock), unit: '' };
		case 'clock-minute':
			return { shows: String(position).padStart(2, '0'), unit: '' };
		default: {
			const entry = entryOfField(field.id);
			return entry === null
				? { shows: optionShown(profile, field.id as OptionId, position), unit: '' }
				: entryShown(profile, options.unit, entryOf(profile, entry)!, position);
		}
	}
}

/** An option's value as the display and the card show it. */
export function optionShown(profile: ControlProfile, id: OptionId, position: number): string {
	const choice = optionChoices(profile, id)[position];
	switch (id) {
		case 'unit':
			return `°${String(choice)}`;
		case 'clock':
			return `${String(choice)} h`;
		case 'grouping':
			return profile.groupings[position]?.name ?? '';
		case 'per-day':
			return String(choice);
		case 'plain':
			return choice === true ? 'Off' : 'On';
	}
}

/** What a display shows at a moment: where the cursor stands and at what. */
export function display(profile: Operable, before: MachineState, atSeconds: number): Display {
	const state = settled(profile, before, atSeconds);
	const { memory, place, locked } = state;
	const { options } = memory;
	const mode = profile.panel.modes?.names[state.mode] ?? '';
	if (state.asks)
		return {
			heading: 'Code',
			aside: `${state.asks.entered.length + 1} of ${profile.panel.lock!.code!.digits}`,
			shows: String(state.asks.figure),
			unit: '',
			blinks: true,
			foot: '',
			locked,
			leavesAfterSeconds: FORGETS_AFTER_SECONDS
		};
	const under = place && underCursor(profile, memory, place);
	if (!place) return { ...resting(profile, state, atSeconds), foot: mode, locked };
	const { title, aside, idle } = statesOf(profile).of.get(place.at)!;
	const leavesAfterSeconds = idle?.seconds ?? null;
	if (!under)
		return {
			heading: title,
			aside,
			shows: '',
			unit: '',
			blinks: false,
			foot: '',
			locked,
			leavesAfterSeconds
		};
	if (under.of === 'value') {
		const { field } = under;
		const position = standsAt(profile, memory, under, place.edit, atSeconds);
		return {
			heading: title,
			aside,
			...menuShown(profile, memory.options, field, position ?? undefined),
			blinks: true,
			foot:
				field.id === 'setpoints'
					? spokenName(keptSetpoints(profile)[field.setpoint]!)
					: (entryOf(profile, entryOfField(field.id) ?? '')?.print ?? FIELD_WORDS[field.id] ?? ''),
			locked,
			leavesAfterSeconds
		};
	}
	const { days } = under;
	const channel = channelsOf(profile)?.[place.channel];
	const dayWords = (of: readonly number[]) =>
		of.length === 1
			? displayDay(profile, of[0]!)
			: profile.dayNumbering === 'names'
				? dayRange([...of])
				: `${displayDay(profile, of[0]!)}–${displayDay(profile, of.at(-1)!)}`;
	// days are shown where they are chosen: to be keyed, or to be copied onto
	const chosen =
		place.copyTo !== null
			? dayRound(profile, options)[place.copyTo]!.days
			: under.of === 'group'
				? days
				: null;
	const base = { blinks: true, locked, leavesAfterSeconds };
	if (chosen || under.of === 'group')
		return {
			...base,
			heading: under.of === 'group' ? title : dayWords(days),
			aside: under.of === 'group' ? aside : under.field.label,
			shows: dayWords(chosen ?? days),
			unit: '',
			foot: [channel, place.copyTo !== null ? 'copy to' : ''].filter(Boolean).join(', ')
		};
	const { field } = under;
	const position = standsAt(profile, memory, under, place.edit, atSeconds);
	return {
		...base,
		heading: dayWords(days),
		aside: field.label,
		shows: position === undefined ? '' : fieldShown(profile, options, field, position),
		unit: field.kind === 'heat' || field.kind === 'cool' ? `°${options.unit}` : '',
		foot: [
			channel,
			field.kind === 'heat' && profile.cooling ? 'heat to' : field.kind === 'cool' ? 'cool to' : ''
		]
			.filter(Boolean)
			.join(', ')
	};
}

/** What the program, or the setpoint kept, asks for at the moment that the clock shows: °C, or 1 and 0 of a switch; null where that is not known. */
export function programNow(
	profile: Operable,
	{ memory }: MachineState,
	atSeconds: number,
	side: 'heat' | 'cool' = 'heat'
): number | null {
	const program = programOf(profile, memory);
	if (!program) return null;
	const { day, minute } = clockAt(memory, atSeconds);
	const rest = side === 'cool' ? (profile.cooling?.maxC ?? 0) : (profile.temperature?.minC ?? 0);
	return valueAt(expandProgram(program, rest, side), day * DAY_MINUTES + minute);
}

function resting(
	profile: Operable,
	state: MachineState,
	atSeconds: number
): Pick<Display, 'heading' | 'aside' | 'shows' | 'unit' | 'blinks' | 'leavesAfterSeconds'> {
	const { memory } = state;
	const { options } = memory;
	const { day, minute } = clockAt(memory, atSeconds);
	const time = displayTime(minute, options.clock);
	const holds = modeHolds(profile, state);
	const figure = holds.by === 'figure' ? holds.field : null;
	const now =
		holds.by === 'on'
			? 1
			: holds.by === 'program'
				? programNow(profile, state, atSeconds, holds.side === 'cool' ? 'cool' : 'heat')
				: null;
	const noClock = profile.habits.clock.summerTime === 'no-clock';
	const kept = figure && menuAt(profile, memory, figure, atSeconds);
	const shown =
		figure && kept != null
			? menuShown(profile, options, figure, kept)
			: now === null
				? { shows: holds.by === 'off' ? 'Off' : '--', unit: '' }
				: isSwitch(profile)
					? { shows: now >= 0.5 ? 'On' : 'Off', unit: '' }
					: {
							shows: degreesShown(profile, options.unit, degreesAt(profile, options.unit, now)),
							unit: `°${options.unit}`
						};
	return {
		heading: noClock ? '' : capital(displayDay(profile, day)),
		aside: noClock ? '' : time,
		...shown,
		blinks: false,
		leavesAfterSeconds: null
	};
}
