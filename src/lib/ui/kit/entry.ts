/** What a person writes into a field, read: numbers with a comma, dates and times in the order of the place. */

/** In which order a date is written. */
export type DateOrder = 'dmy' | 'mdy' | 'ymd';

/** How hours are counted. */
export type HourClock = '24' | '12';

type Read<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly sentence: string };

const refused = (sentence: string) => ({ ok: false, sentence }) as const;

/** A decimal number with a point or a comma; null for nothing, where nothing is an answer. Bounds are in the unit. */
export function readDecimal(
	text: string,
	{
		least,
		most,
		whole = false,
		empty = false,
		unit = ''
	}: { least?: number; most?: number; whole?: boolean; empty?: boolean; unit?: string } = {}
): Read<number | null> {
	const written = text.trim().replace(/[\u2212\u2013]/, '-');
	if (written === '') return empty ? { ok: true, value: null } : refused('A number is needed here.');
	if (!/^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(written)) return refused(`"${text.trim()}" is not a number.`);
	const value = Number(written.replace(',', '.'));
	const with_ = (bound: number) => (unit === '' ? String(bound) : `${bound} ${unit}`);
	if (whole && !Number.isInteger(value)) return refused(`"${text.trim()}" is not a whole number.`);
	if (least !== undefined && value < least)
		return refused(`${with_(value)} is too low: at least ${with_(least)}.`);
	if (most !== undefined && value > most)
		return refused(`${with_(value)} is too high: at most ${with_(most)}.`);
	return { ok: true, value };
}

const ORDERS = {
	dmy: { shown: 'dd.mm.yyyy', words: 'day, month, year', parts: [2, 1, 0], between: '.' },
	mdy: { shown: 'mm/dd/yyyy', words: 'month, day, year', parts: [2, 0, 1], between: '/' },
	ymd: { shown: 'yyyy-mm-dd', words: 'year, month, day', parts: [0, 1, 2], between: '-' }
} as const;

/** How a date is written in an order: `dd.mm.yyyy`. */
export const dateShape = (order: DateOrder): string => ORDERS[order].shown;

/** A date as it is written in an order; nothing for none. @param iso YYYY-MM-DD */
export function writeDate(iso: string | null, order: DateOrder): string {
	if (iso === null || iso === '') return '';
	const [year, month, day] = iso.split('-') as [string, string, string];
	return { dmy: [day, month, year], mdy: [month, day, year], ymd: [year, month, day] }[order].join(
		ORDERS[order].between
	);
}

/** The date that was written, as YYYY-MM-DD: in the order of the place, or year first with four digits. */
export function readDate(text: string, order: DateOrder): Read<string> {
	const numbers = /^\s*(\d{1,4})\D+(\d{1,2})\D+(\d{1,4})\s*$/.exec(text);
	const wrong = refused(
		`"${text.trim()}" is not a date: ${ORDERS[order].words}, as ${writeDate('2027-01-31', order)}.`
	);
	if (!numbers) return wrong;
	const written = numbers.slice(1);
	const [y, m, d] = (written[0]!.length === 4 ? ORDERS.ymd : ORDERS[order]).parts.map((at) => written[at]!);
	if (y!.length !== 4 && y!.length !== 2) return wrong;
	const year = Number(y!.length === 2 ? `20${y}` : y);
	const date = new Date(Date.UTC(year, Number(m) - 1, Number(d)));
	if (date.getUTCMonth() !== Number(m) - 1 || date.getUTCDate() !== Number(d) || year < 1970) return wrong;
	return { ok: true, value: date.toISOString().slice(0, 10) };
}

/** A time as it is written on a clock of 24 or 12 hours; nothing for none. @param time HH:MM */
export function writeTime(time: string | null, clock: HourClock): string {
	if (time === null || time === '' || clock === '24') return time ?? '';
	const hour = Number(time.slice(0, 2));
	return `${((hour + 11) % 12) + 1}${time.slice(2)} ${hour < 12 ? 'am' : 'pm'}`;
}

/** The time that was written, as HH:MM: "6:30", "6.30", "0630", "6", "6:30 pm". */
export function readTime(text: string, clock: HourClock): Read<string> {
	const wrong = refused(`"${text.trim()}" is not a time: as ${writeTime('18:30', clock)}.`);
	const written = /^\s*(\d{1,2})(?:\s*[:.h]\s*(\d{2})|(\d{2}))?\s*(a|p)?\.?m?\.?\s*$/i.exec(text);
	if (!written) return wrong;
	let hour = Number(written[1]);
	const minute = Number(written[2] ?? written[3] ?? 0);
	const half = written[4]?.toLowerCase();
	if (half !== undefined) {
		if (hour < 1 || hour > 12) return wrong;
		hour = (hour % 12) + (half === 'p' ? 12 : 0);
	}
	if (hour > 23 || minute > 59) return wrong;
	return { ok: true, value: `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}` };
}
