/** A day of the proleptic Gregorian calendar. Months and days count from 1. */
export interface CalendarDate {
	readonly year: number;
	readonly month: number;
	readonly day: number;
}

/** Whether a year has a 29 February. */
export const isLeapYear = (year: number): boolean => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;

/** How many days a month (1 … 12) has. */
export const daysInMonth = (year: number, month: number): number =>
	month === 2 ? (isLeapYear(year) ? 29 : 28) : [4, 6, 9, 11].includes(month) ? 30 : 31;

/**
 * The number of a day, 1970-01-01 being 0, for any year; a day past its month runs on into the next (H. Hinnant, "chrono-compatible
 * low-level date algorithms", days_from_civil).
 */
export function daysFromDate({ year, month, day }: CalendarDate): number {
	const y = month <= 2 ? year - 1 : year;
	const era = Math.floor(y / 400);
	const ofEra = y - era * 400;
	const ofYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1;
	return era * 146_097 + ofEra * 365 + Math.floor(ofEra / 4) - Math.floor(ofEra / 100) + ofYear - 719_468;
}

/** The day of a number; see {@link daysFromDate} (civil_from_days). */
export function dateFromDays(days: number): CalendarDate {
	const z = days + 719_468;
	const era = Math.floor(z / 146_097);
	const ofEra = z - era * 146_097;
	const yearOfEra = Math.floor(
		(ofEra - Math.floor(ofEra / 1460) + Math.floor(ofEra / 36_524) - Math.floor(ofEra / 146_096)) / 365
	);
	const ofYear = ofEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100));
	const fromMarch = Math.floor((5 * ofYear + 2) / 153);
	const month = fromMarch < 10 ? fromMarch + 3 : fromMarch - 9;
	return {
		year: yearOfEra + era * 400 + (month <= 2 ? 1 : 0),
		month,
		day: ofYear - Math.floor((153 * fromMarch + 2) / 5) + 1
	};
}
