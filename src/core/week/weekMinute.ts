/** Minutes in a day. */
export const DAY_MINUTES = 1440;
/** Days in a week; day 0 is Monday. */
export const WEEK_DAYS = 7;
/** Minutes in a week. A week minute is an integer 0 … 10 079, Monday 00:00 = 0. */
export const WEEK_MINUTES = DAY_MINUTES * WEEK_DAYS;

/** Weekday names, Monday first, as the interface and the files use them. */
export const DAY_NAMES = [
	'Monday',
	'Tuesday',
	'Wednesday',
	'Thursday',
	'Friday',
	'Saturday',
	'Sunday'
] as const;

/** Three-letter weekday names, Monday first. */
export const DAY_SHORT = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/** The day (0 = Monday … 6) in which a week minute lies; minutes past the week's end wrap round. */
export function dayOf(weekMinute: number): number {
	return Math.floor(wrapWeek(weekMinute) / DAY_MINUTES);
}

/** Minutes since midnight (0 … 1439) of a week minute; wraps round. */
export function minuteOfDay(weekMinute: number): number {
	return wrapWeek(weekMinute) % DAY_MINUTES;
}

/** Brings any integer number of minutes into 0 … 10 079. */
export function wrapWeek(minutes: number): number {
	return ((minutes % WEEK_MINUTES) + WEEK_MINUTES) % WEEK_MINUTES;
}

/**
 * `HH:MM` on the 24-hour clock for 0 … 1440 minutes since midnight.
 * 1440 gives `24:00`, the end of the day, which differs from the start of the next one.
 * @example clockTime(785) // '13:05'
 */
export function clockTime(minute: number): string {
	const hour = Math.floor(minute / 60);
	return `${String(hour).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
}

/** Minutes since midnight of `HH:MM` or `H:MM`, 00:00 … 24:00; the inverse of {@link clockTime}. */
export function timeMinute(time: string): number {
	const [hour, minute] = time.split(':').map(Number) as [number, number];
	return hour * 60 + minute;
}

/**
 * Days as a person says them: runs of three or more are joined by a dash.
 * @example dayRange([0, 1, 2, 3, 4]) // 'Mon–Fri'
 * @example dayRange([0, 1, 3]) // 'Mon, Tue, Thu'
 */
export function dayRange(days: readonly number[]): string {
	const sorted = [...days].sort((a, b) => a - b);
	if (sorted.length === WEEK_DAYS) return 'every day';
	const runs: number[][] = [];
	for (const day of sorted) {
		const run = runs.at(-1);
		if (run && day === run.at(-1)! + 1) run.push(day);
		else runs.push([day]);
	}
	return runs
		.flatMap((run) =>
			run.length > 2 ? [`${DAY_SHORT[run[0]!]}–${DAY_SHORT[run.at(-1)!]}`] : run.map((day) => DAY_SHORT[day]!)
		)
		.join(', ');
}

/**
 * A length of time as a person says it.
 * @example duration(50) // '50 min'
 * @example duration(220) // '3 h 40'
 */
export function duration(minutes: number): string {
	const whole = Math.round(minutes);
	if (whole < 60) return `${whole} min`;
	const rest = whole % 60;
	return rest === 0
		? `${Math.floor(whole / 60)} h`
		: `${Math.floor(whole / 60)} h ${String(rest).padStart(2, '0')}`;
}

/**
 * A length of time as a person says it, in days where it is two or more.
 * @example spanWords(95) // '1 h 35'
 * @example spanWords(4560) // '3 days 4 h'
 */
export function spanWords(minutes: number): string {
	if (minutes < 2 * DAY_MINUTES) return duration(minutes);
	const [days, hours] = [Math.floor(minutes / DAY_MINUTES), Math.floor((minutes % DAY_MINUTES) / 60)];
	return hours === 0 ? `${days} days` : `${days} days ${hours} h`;
}
