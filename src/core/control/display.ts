import { clockTime, DAY_NAMES, DAY_SHORT, dayRange } from '../week';
import type { ControlOptions, ControlProfile } from './profile';
import { celsiusToFahrenheit } from './units';

/**
 * A time as the control shows it. Midnight at the end of the day (1440) shows as 24:00 on the
 * 24-hour clock and as 12:00 am on the 12-hour clock.
 * @example displayTime(785, '12') // '1:05 pm'
 */
export function displayTime(minute: number, clock: ControlOptions['clock']): string {
	if (clock === '24') return clockTime(minute);
	const hour = Math.floor(minute / 60) % 24;
	const half = hour < 12 ? 'am' : 'pm';
	return `${hour % 12 === 0 ? 12 : hour % 12}:${String(minute % 60).padStart(2, '0')} ${half}`;
}

/** A setpoint in °C as the control shows it, without the unit: one decimal in °C, whole in °F; On or Off on a switch. */
export function displaySetpoint(profile: ControlProfile, options: ControlOptions, setpointC: number): string {
	if (!profile.temperature) return setpointC >= 0.5 ? 'On' : 'Off';
	return options.unit === 'F' ? String(Math.round(celsiusToFahrenheit(setpointC))) : setpointC.toFixed(1);
}

/** {@link displaySetpoint} with its unit, for a sentence. */
export function setpointWithUnit(
	profile: ControlProfile,
	options: ControlOptions,
	setpointC: number
): string {
	const shown = displaySetpoint(profile, options, setpointC);
	return profile.temperature ? `${shown}\u00a0°${options.unit}` : shown.toLowerCase();
}

/** How the control itself names a day (0 = Monday): letters or a figure. */
export function displayDay(profile: ControlProfile, day: number): string {
	switch (profile.dayNumbering) {
		case 'names':
			return DAY_SHORT[day]!;
		case 'monday-is-1':
			return String(day + 1);
		case 'sunday-is-1':
			return String(((day + 1) % 7) + 1);
	}
}

/** The days of a group as a heading: the full name of one day, else a range. */
export function groupName(days: readonly number[]): string {
	if (days.length === 1) return DAY_NAMES[days[0]!]!;
	const range = dayRange(days);
	return range === 'every day' ? 'Every day' : range;
}
