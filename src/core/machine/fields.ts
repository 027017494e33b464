import {
	celsiusToFahrenheit,
	channelsOf,
	displayTime,
	eventsOn,
	fahrenheitToCelsius,
	formInUse,
	timeStep,
	type ControlOptions,
	type ControlProfile
} from '../control';
import { capital, memoBy, spokenName } from '../schema';
import { DAY_MINUTES } from '../week';

/** A control's options with the day grouping: all that its menus can set of how it counts. */
export interface MachineOptions extends Omit<ControlOptions, 'channel'> {
	readonly grouping: string;
}

/** One field of a day: what the cursor stands on. Its value is a position on the field's scale, in the control's own steps. */
export interface DayField {
	/** As the card knows it: `2/time`, `1/on/hour`, `7`. */
	readonly key: string;
	/** The step, pair or hour that it belongs to, from 0. */
	readonly step: number;
	readonly kind: 'time' | 'hour' | 'minute' | 'heat' | 'cool' | 'mode' | 'slot' | 'state';
	/** Whether it is the end of a pair. */
	readonly ends: boolean;
	/** What the control calls its step. */
	readonly label: string;
}

/** A scale: the positions from lowest to highest, and whether it goes round. */
export interface Scale {
	readonly low: number;
	readonly high: number;
	readonly round: boolean;
}

const NO_FIELDS: readonly DayField[] = [];

/** The fields of a day of the program (0 = Monday), in the order in which the control goes through them; none where it holds no program. */
export const dayFields = memoBy(
	({ plain, perDay, clock }: MachineOptions, day: number) =>
		`${plain}/${perDay}/${clock}/${Math.max(4, day)}`,
	(profile: ControlProfile, options: MachineOptions, day: number): readonly DayField[] =>
		fieldsOf(profile, options, day)
);

function fieldsOf(profile: ControlProfile, options: MachineOptions, day: number): readonly DayField[] {
	const form = formInUse(profile, { ...options, channel: 0 });
	const { eventOrder, timeEntry } = profile.keying;
	/** A step of a time, and whether it goes on or off then. */
	const stepOfPair = (step: number, end: 'on' | 'off'): DayField[] => {
		const label = `step ${step * 2 + (end === 'on' ? 1 : 2)}`;
		const stem = `${step + 1}/${end}`;
		return [
			...times(stem, step, label, end === 'off'),
			{ key: `${stem}/state`, step, kind: 'state', ends: end === 'off', label }
		];
	};
	const times = (stem: string, step: number, label: string, ends: boolean): DayField[] =>
		(timeEntry === 'whole' ? (['time'] as const) : (['hour', 'minute'] as const)).map((kind) => ({
			key: `${stem}/${kind}`,
			step,
			kind,
			ends,
			label
		}));
	switch (form.form) {
		case 'plain':
			return NO_FIELDS;
		case 'slots':
			return Array.from({ length: DAY_MINUTES / form.slotMinutes }, (_, step) => ({
				key: String(step),
				step,
				kind: 'slot' as const,
				ends: false,
				label: displayTime(step * form.slotMinutes, options.clock)
			}));
		case 'pairs':
			return Array.from({ length: options.perDay }, (_, step) =>
				(['on', 'off'] as const).flatMap((end) =>
					form.keyedAs === 'times'
						? times(`${step + 1}/${end}`, step, `pair ${step + 1} ${end}`, end === 'off')
						: stepOfPair(step, end)
				)
			).flat();
		case 'events': {
			const count = eventsOn(form, options.perDay, day);
			return Array.from({ length: count }, (_, step): DayField[] => {
				const n = step + 1;
				const label = form.eventNames?.[step] ?? `${form.modes ? 'band' : 'step'} ${n}`;
				const value = (key: string, kind: DayField['kind']): DayField => ({
					key: `${n}/${key}`,
					step,
					kind,
					ends: false,
					label
				});
				const temperature = form.modes
					? [value('mode', 'mode')]
					: [value('temperature', 'heat'), ...(profile.cooling ? [value('cool', 'cool')] : [])];
				const time = times(String(n), step, label, false);
				return eventOrder === 'time-first' ? [...time, ...temperature] : [...temperature, ...time];
			}).flat();
		}
	}
}

/** The position of a setpoint in °C on a control's scale: whole °F, or steps of its °C. */
export function degreesAt(profile: ControlProfile, unit: 'C' | 'F', setpointC: number): number {
	return unit === 'F'
		? Math.round(celsiusToFahrenheit(setpointC))
		: Math.round(setpointC / (profile.temperature?.stepC ?? 1));
}

/** The setpoint in °C at a position of a control's scale. */
export function setpointAt(profile: ControlProfile, unit: 'C' | 'F', position: number): number {
	if (unit === 'F') return fahrenheitToCelsius(position);
	const step = profile.temperature?.stepC ?? 1;
	return Math.round(position * step * 1000) / 1000;
}

/** The scale of degrees of a control, for heating or for cooling. */
export function degreeScale(profile: ControlProfile, unit: 'C' | 'F', cools = false): Scale {
	const { minC, maxC } = profile.temperature ?? { minC: 0, maxC: 0 };
	return {
		low: degreesAt(profile, unit, minC),
		high: degreesAt(profile, unit, cools && profile.cooling ? profile.cooling.maxC : maxC),
		round: false
	};
}

/** The names of the setpoints that are kept for the whole week, warmest first; none where every step has its own. */
export function keptSetpoints(profile: ControlProfile): readonly string[] {
	const { program } = profile;
	if (program.form === 'slots') return program.settings;
	if (program.form === 'pairs') return program.settings ?? [];
	return program.form === 'events' ? (program.modes ?? []) : [];
}

/** The scale on which a field of a day moves. */
export function scaleOf(profile: ControlProfile, options: MachineOptions, field: DayField): Scale {
	const { program } = profile;
	const midnight = program.form === 'pairs' && program.endsAtMidnight && field.ends;
	const perHour = 60 / timeStep(profile);
	switch (field.kind) {
		case 'time':
			// an end at midnight is the end of the day, which a 12-hour display shows like its beginning
			return { low: midnight ? 1 : 0, high: 24 * perHour - (midnight ? 0 : 1), round: !midnight };
		case 'hour':
			// an end at midnight is keyed as 00 hours 00 minutes
			return { low: 0, high: 23, round: true };
		case 'minute':
			return { low: 0, high: perHour - 1, round: true };
		case 'heat':
			return degreeScale(profile, options.unit);
		case 'cool':
			return degreeScale(profile, options.unit, true);
		case 'state':
			return { low: 0, high: 1, round: true };
		case 'mode':
		case 'slot':
			return { low: 0, high: keptSetpoints(profile).length - 1, round: true };
	}
}

/** What the display shows at a position of a scale of degrees, without the unit. */
export const degreesShown = (profile: ControlProfile, unit: 'C' | 'F', position: number): string =>
	unit === 'F' ? String(position) : setpointAt(profile, 'C', position).toFixed(1);

/** What the display shows where a field stands at a position, without the unit; `--:--` and `--` where it was cleared. */
export function fieldShown(
	profile: ControlProfile,
	options: MachineOptions,
	field: Pick<DayField, 'kind'>,
	position: number | null
): string {
	if (position === null) return field.kind === 'time' ? '--:--' : '--';
	switch (field.kind) {
		case 'time':
			return displayTime(position * timeStep(profile), options.clock);
		case 'hour': {
			const [hour, rest] = displayTime(position * 60, options.clock).split(':') as [string, string];
			const half = rest.split(' ')[1];
			return half ? `${hour} ${half}` : hour;
		}
		case 'minute':
			return String(position * timeStep(profile)).padStart(2, '0');
		case 'heat':
		case 'cool':
			return degreesShown(profile, options.unit, position);
		case 'state':
			return position === 0 ? 'On' : 'Off';
		case 'mode':
		case 'slot':
			return capital(spokenName(keptSetpoints(profile)[position]!));
	}
}

/** How many channels a control has. */
export const channelCount = (profile: ControlProfile): number => channelsOf(profile)?.length ?? 1;

/** How many steps, and which way, a value is from another on its scale: the shorter way where it goes round. Positive is up. */
export function stepsBetween(scale: Scale, from: number | null, to: number): number {
	const start = from ?? scale.low - 1;
	const straight = to - start;
	if (from === null) {
		const back = to - (scale.high + 1);
		return Math.abs(back) < straight ? back : straight;
	}
	if (!scale.round) return straight;
	const count = scale.high - scale.low + 1;
	const up = ((straight % count) + count) % count;
	return up <= count - up ? up : up - count;
}
