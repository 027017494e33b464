import { wallMinute } from '../civil';

/** The order of day, month and year in a date. */
export type DateOrder = 'ymd' | 'dmy' | 'mdy';
export const DATE_ORDER_WORDS: Readonly<Record<DateOrder, string>> = {
	ymd: 'year, month, day',
	dmy: 'day, month, year',
	mdy: 'month, day, year'
};

/** A time as a file writes it, before it is known in which order its date stands. */
export interface RawTime {
	/** The figures of the date as they stand; null for a time of day alone, or one that counts from a beginning. */
	readonly date: readonly [number, number, number] | null;
	/** Whether the year stands first. */
	readonly yearFirst: boolean;
	/** Minutes since midnight, with a part for seconds. */
	readonly minutes: number;
	/** Minutes east of UTC, where the file says. */
	readonly offset: number | null;
}

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

const NUMERIC = /^(\d{1,4})[-/.](\d{1,2})[-/.](\d{1,4})\.?$/;
const NAMED = /^(?:[a-z]{3,9},? )?(\d{1,2})[ -]([a-z]{3})[a-z]*\.?,?[ -](\d{2,4})$/i;
const NAMED_FIRST = /^(?:[a-z]{3,9},? )?([a-z]{3})[a-z]*\.? (\d{1,2}),? (\d{2,4})$/i;
const CLOCK =
	/^(\d{1,2})[:.](\d{2})(?:[:.](\d{2})(?:[.,]\d+)?)? ?(am|pm|a\.m\.|p\.m\.)? ?(z|utc|gmt|[+-]\d{2}:?\d{2}|[+-]\d{2})?$/i;

const USUAL = /^(\d{4})-(\d{2})-(\d{2})[ T](\d{2}):(\d{2})(?::(\d{2}))?$/;

const fullYear = (year: number) => (year < 100 ? 2000 + year : year);

/** A date alone; null where it is none. */
function dateOf(text: string): Pick<RawTime, 'date' | 'yearFirst'> | null {
	const numeric = NUMERIC.exec(text);
	if (numeric) {
		const [a, b, c] = [Number(numeric[1]), Number(numeric[2]), Number(numeric[3])];
		const yearFirst = numeric[1]!.length === 4;
		if (!yearFirst && numeric[1]!.length > 2) return null;
		if (!yearFirst && numeric[3]!.length === 3) return null;
		return { date: [a, b, c], yearFirst };
	}
	const named = NAMED.exec(text);
	const first = named ? null : NAMED_FIRST.exec(text);
	const month = MONTHS.indexOf((named?.[2] ?? first?.[1] ?? '').toLowerCase()) + 1;
	if (month === 0) return null;
	const [day, year] = named ? [named[1], named[3]] : [first![2], first![3]];
	return { date: [fullYear(Number(year)), month, Number(day)], yearFirst: true };
}

/** A time of day alone; null where it is none. */
function clockOf(text: string): Pick<RawTime, 'minutes' | 'offset'> | null {
	const found = CLOCK.exec(text);
	if (!found) return null;
	const [hour, minute, second, half, zone] = [
		Number(found[1]),
		Number(found[2]),
		Number(found[3] ?? 0),
		found[4]?.toLowerCase(),
		found[5]?.toLowerCase()
	];
	if (minute > 59 || second > 59 || hour > 24 || (half && (hour < 1 || hour > 12))) return null;
	const hours = half ? (hour % 12) + (half.startsWith('p') ? 12 : 0) : hour;
	let offset: number | null = null;
	if (zone) {
		const parts = /^([+-])(\d{2}):?(\d{2})?$/.exec(zone);
		offset = parts ? (parts[1] === '-' ? -1 : 1) * (Number(parts[2]) * 60 + Number(parts[3] ?? 0)) : 0;
	}
	return { minutes: hours * 60 + minute + second / 60, offset };
}

/**
 * A time as loggers write it: a date in figures or with the month's name, a time of day with or without seconds, am and pm, an offset, the
 * two together or each for itself; or seconds (milliseconds) since 1970. Null where it is none of them.
 */
export function rawTime(text: string): RawTime | null {
	// as most loggers write it; a year of minutes has half a million of them
	const usual = USUAL.exec(text);
	if (usual && Number(usual[4]) < 24 && Number(usual[5]) < 60) {
		const [, year, month, day, hour, minute, second = 0] = usual.map(Number);
		if (!(second > 59))
			return {
				date: [year!, month!, day!],
				yearFirst: true,
				minutes: hour! * 60 + minute! + (Number.isNaN(second) ? 0 : second) / 60,
				offset: null
			};
	}
	const plain = text
		.trim()
		.replace(/^["'[]+|["'\]]+$/g, '')
		.replace(/\s+/g, ' ');
	const epoch = /^(\d{10})(\d{3})?(?:\.\d+)?$/.exec(plain);
	if (epoch) {
		const day = new Date(Number(epoch[1]) * 1000);
		return {
			date: [day.getUTCFullYear(), day.getUTCMonth() + 1, day.getUTCDate()],
			yearFirst: true,
			minutes: (day.getTime() / 60_000) % 1440,
			offset: 0
		};
	}
	const alone = clockOf(plain);
	if (alone) return { date: null, yearFirst: false, ...alone };
	const day = dateOf(plain);
	if (day) return { ...day, minutes: 0, offset: null };
	// the date ends where a time of day begins: after a T, a comma, or a space
	for (const parted of plain.matchAll(/[T ,]+/g)) {
		const date = dateOf(plain.slice(0, parted.index));
		const clock = date && clockOf(plain.slice(parted.index + parted[0].length));
		if (date && clock) return { ...date, ...clock };
	}
	return null;
}

/** The minute of a time, with its date in an order; since 1970 on the wall (of UTC, where the file says its offset). Null where there is no such day. */
export function minuteOf(raw: RawTime, order: DateOrder): number | null {
	if (!raw.date) return null;
	const [a, b, c] = raw.date;
	const [year, month, day] = raw.yearFirst
		? [a, b, c]
		: order === 'mdy'
			? [fullYear(c), a, b]
			: [fullYear(c), b, a];
	// one reading after another is of one day
	if (lastDay?.year !== year || lastDay.month !== month || lastDay.day !== day)
		lastDay = { year, month, day, minute: midnight(year, month, day) };
	return lastDay.minute === null ? null : lastDay.minute + raw.minutes;
}
let lastDay: {
	readonly year: number;
	readonly month: number;
	readonly day: number;
	readonly minute: number | null;
} | null = null;

/** The minute at which a day begins, since 1970 on the wall; null where there is no such day. */
function midnight(year: number, month: number, day: number): number | null {
	const two = (n: number) => String(n).padStart(2, '0');
	try {
		return wallMinute(`${String(year).padStart(4, '0')}-${two(month)}-${two(day)}T00:00`);
	} catch {
		return null;
	}
}
