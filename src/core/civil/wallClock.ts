import { Temporal } from 'temporal-polyfill';
import { DAY_MINUTES } from '../week';

/**
 * Wall minutes: minutes from 1970-01-01 00:00 on a wall clock, whatever its zone. They count what a clock
 * shows, so a day always has 1440 of them; instants are milliseconds since the epoch (UTC).
 */
export type WallMinute = number;

const dayNumbers = new Map<string, number>();
const epoch = /* @__PURE__ */ Temporal.PlainDate.from('1970-01-01');

/** Days from 1970-01-01 to a date `YYYY-MM-DD`. Throws on a date that does not exist. */
export function dayNumber(date: string): number {
	let known = dayNumbers.get(date);
	if (known === undefined) {
		known = epoch.until(Temporal.PlainDate.from(date, { overflow: 'reject' }), { largestUnit: 'day' }).days;
		if (dayNumbers.size > 5000) dayNumbers.clear();
		dayNumbers.set(date, known);
	}
	return known;
}

/** The date `YYYY-MM-DD` of a day number; the inverse of {@link dayNumber}. */
export function dateOfDay(day: number): string {
	return epoch.add({ days: day }).toString();
}

/** The weekday (0 = Monday) of a day number; 1 January 1970 was a Thursday. */
export function weekdayOfDay(day: number): number {
	return (((day + 3) % 7) + 7) % 7;
}

/** Wall minutes of a local time `YYYY-MM-DDTHH:MM`. Throws on one that does not exist. */
export function wallMinute(local: string): WallMinute {
	const hour = Number(local.slice(11, 13));
	const minute = Number(local.slice(14, 16));
	if (!(hour >= 0 && hour < 24 && minute >= 0 && minute < 60)) throw new RangeError(`no such time: ${local}`);
	return dayNumber(local.slice(0, 10)) * DAY_MINUTES + hour * 60 + minute;
}

/** The local time `YYYY-MM-DDTHH:MM` of wall minutes (whole). */
export function localTime(minute: WallMinute): string {
	const day = Math.floor(minute / DAY_MINUTES);
	const rest = minute - day * DAY_MINUTES;
	const two = (n: number) => String(n).padStart(2, '0');
	return `${dateOfDay(day)}T${two(Math.floor(rest / 60))}:${two(rest % 60)}`;
}

const once = (options: Intl.DateTimeFormatOptions) => {
	let made: Intl.DateTimeFormat | undefined;
	return () => (made ??= new Intl.DateTimeFormat('en-GB', { ...options, timeZone: 'UTC' }));
};
const formatters = {
	long: /* @__PURE__ */ once({ weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' }),
	short: /* @__PURE__ */ once({ weekday: 'short', day: 'numeric', month: 'short' })
};

/** A date as people write it: `Sunday 29 March 2026`, or `Sun 29 Mar` in short. */
export function dateWords(date: string, style: 'long' | 'short' = 'long'): string {
	// a day has the same name everywhere: that of noon at Greenwich, by a formatter made once
	return formatters[style]()
		.format(dayNumber(date) * 86_400_000 + 43_200_000)
		.replace(',', '');
}
