import { dateOfDay, dateWords, transitionsBetween, wallAt, weekdayOfDay, type Transition } from '../civil';
import { displayDay, displayTime, type ControlOptions, type ControlProfile } from '../control';
import { DAY_MINUTES } from '../week';

/** What to key into a control's clock at an instant, in its own terms. */
export interface ClockValues {
	/** `14:05`, or `2:05 pm`. */
	readonly time: string;
	/** As the control names the day. */
	readonly day: string;
	readonly date: string;
	/** `YYYY-MM-DD` */
	readonly isoDate: string;
	readonly wallMinute: number;
}

/** The values to key now: local time and weekday in the control's own clock format and day numbering, and the date. */
export function clockValues(
	profile: ControlProfile,
	options: ControlOptions,
	timeZone: string,
	atMs: number
): ClockValues {
	const wall = wallAt(timeZone, atMs);
	const day = Math.floor(wall / DAY_MINUTES);
	const date = dateOfDay(day);
	return {
		time: displayTime(wall - day * DAY_MINUTES, options.clock),
		day: displayDay(profile, weekdayOfDay(day)),
		date: dateWords(date),
		isoDate: date,
		wallMinute: wall
	};
}

const year = 366 * 86_400_000;

/** The next changes of clocks at a place. */
export function nextTransitions(timeZone: string, atMs: number, count = 2): Transition[] {
	return transitionsBetween(timeZone, atMs, atMs + 2 * year).slice(0, count);
}

/** What a stretch without power, or a battery change, costs on a control. */
export interface PowerLoss {
	readonly clockLost: boolean;
	readonly programLost: boolean;
}

/** What is lost when a control is without power for so many minutes (0 and more). */
export function afterPowerLoss(profile: ControlProfile, minutes: number): PowerLoss {
	const { reserveMinutes, programKept, summerTime } = profile.habits.clock;
	const clockLost = summerTime !== 'no-clock' && reserveMinutes !== null && minutes > reserveMinutes;
	return { clockLost, programLost: clockLost && !programKept && profile.program.form !== 'plain' };
}
