import { dateOfDay, dateWords, weekdayOfDay } from '../civil';
import { DAY_MINUTES, DAY_SHORT, spanWords, timeMinute } from '../week';
import { displayTime } from './display';
import type { ControlOptions } from './profile';

/** A wall minute as a person says it from another one: `19:10`, `Fri 06:30`, `Fri 4 Dec 06:30`, in the control's clock format. */
export function momentWords(wall: number, fromWall: number, options: ControlOptions): string {
	const day = Math.floor(wall / DAY_MINUTES);
	const fromDay = Math.floor(fromWall / DAY_MINUTES);
	const time = displayTime(wall - day * DAY_MINUTES, options.clock);
	if (day === fromDay) return time;
	if (day > fromDay && day - fromDay < 7) return `${DAY_SHORT[weekdayOfDay(day)]} ${time}`;
	return `${dateWords(dateOfDay(day), 'short')} ${time}`;
}

/** A local time or date at the site, `YYYY-MM-DD` with or without `THH:MM`, in the control's clock format. */
export function localWords(local: string, options: ControlOptions): string {
	const [date, time] = local.split('T') as [string, string | undefined];
	const day = dateWords(date, 'short');
	if (time === undefined) return day;
	return `${day} ${displayTime(timeMinute(time), options.clock)}`;
}

/** A length of time that is left, begun minutes counted whole: `1 h 35`, `3 days 4 h`. */
export function timeLeft(ms: number): string {
	return spanWords(Math.max(0, Math.ceil(ms / 60_000)));
}
