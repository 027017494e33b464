import { YEAR_HOURS } from '../plan';
import { quoted, type Read } from '../schema';

/** The largest weather file read, in characters. */
export const LARGEST_EPW = 6_000_000;
/** Lines of header before the hours, where the last of them (DATA PERIODS) cannot be found among the first so many. */
const HEADER = 8;
const LONGEST_HEADER = 60;
/** A gap of at most so many hours is bridged by a straight line. */
const LONGEST_GAP = 6;
/** What stands where the dry-bulb temperature is missing (EnergyPlus auxiliary programs manual, from memory: 99.9, and what other programs write; below −70 or above 70 °C impossible). */
const MISSING = [99, 99.9, 999, 999.9, 9999, 9999.9];

/** A year of weather as it can be used. */
export interface WeatherFile {
	/** The place it names. */
	readonly place: string;
	/** 8760 outdoor temperatures in °C, from 1 January 00:00. */
	readonly hoursC: readonly number[];
	readonly lowestC: number;
	readonly highestC: number;
	readonly meanC: number;
	/** What a person should know of how it was read. */
	readonly notes: readonly string[];
}

const refused = (sentence: string): Read<never> => ({ ok: false, problem: { path: '', sentence } });

const MONTH_DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const;

/** The hour of a common year at which a row's hour begins; null where there is no such day. */
function hourOfYear(month: number, day: number, hour: number): number | null {
	const days = MONTH_DAYS[month - 1];
	if (days === undefined || day < 1 || day > days || hour < 1 || hour > 24) return null;
	const before = MONTH_DAYS.slice(0, month - 1).reduce<number>((sum, n) => sum + n, 0);
	return (before + day - 1) * 24 + hour - 1;
}

/**
 * Reads an hourly weather file in the EPW format: some lines of header that end with DATA PERIODS, then a line an hour with year, month, day, hour
 * 1–24 and, as the seventh field, the dry-bulb temperature. A leap day is left out and that is said; up to six missing
 * hours are bridged and that is said. Refused, with the line: rows that are no hours, hours twice or out of order, more
 * missing, more than one reading an hour, less than a year.
 */
export function readEpw(text: string): Read<WeatherFile> {
	if (text.length > LARGEST_EPW)
		return refused(`The weather file is too large: at most ${LARGEST_EPW / 1e6} MB are read.`);
	const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\n|\r/);
	while (lines.length > 0 && lines.at(-1)!.trim() === '') lines.pop();
	const head = lines[0]?.split(',') ?? [];
	if (head[0]?.trim().toUpperCase() !== 'LOCATION')
		return refused('Line 1: an EPW file begins with LOCATION; this one does not.');
	const periodsAt = lines.slice(0, LONGEST_HEADER).findIndex((line) => /^\s*DATA PERIODS/i.test(line));
	const header = periodsAt < 0 ? HEADER : periodsAt + 1;
	const periods = lines[periodsAt];
	const perHour = periods ? Number(periods.split(',')[2]) : 1;
	if (perHour !== 1)
		return refused(
			`It has ${Number.isFinite(perHour) ? perHour : 'an unknown number of'} readings an hour; one an hour is wanted.`
		);
	const found: (number | null)[] = new Array<number | null>(YEAR_HOURS).fill(null);
	const notes: string[] = [];
	let leap = 0;
	let last = -1;
	for (const [i, line] of lines.slice(header).entries()) {
		if (line.trim() === '') continue;
		const at = `Line ${i + header + 1}`;
		const cells = line.split(',');
		const [month, day, hour] = [Number(cells[1]), Number(cells[2]), Number(cells[3])];
		if (month === 2 && day === 29) {
			leap++;
			continue;
		}
		const index = hourOfYear(month, day, hour);
		if (cells.length < 7 || index === null || !Number.isInteger(index))
			return refused(`${at}: no hour of a year; year, month, day and hour 1 to 24 are wanted first.`);
		if (found[index] !== null || index <= last)
			return refused(`${at}: the hour ${month}/${day} ${hour} comes twice or out of order.`);
		last = index;
		const text = cells[6]!.trim();
		const c = Number(text);
		if (text === '' || !Number.isFinite(c)) return refused(`${at}: ${quoted(text)} is no temperature.`);
		if (MISSING.some((mark) => Math.abs(Math.abs(c) - mark) < 1e-9)) continue;
		if (c < -70 || c > 70) return refused(`${at}: ${c} °C cannot be an outdoor temperature.`);
		found[index] = c;
	}
	if (leap > 0) notes.push('The leap day was left out.');
	const missing = found.flatMap((c, i) => (c === null ? [i] : []));
	if (missing.length === YEAR_HOURS) return refused('The file has no hours after its header.');
	const hoursC = [...found] as number[];
	let bridged = 0;
	for (let i = 0; i < YEAR_HOURS; i++) {
		if (found[i] !== null) continue;
		let end = i;
		while (end < YEAR_HOURS && found[end] === null) end++;
		const length = end - i;
		if (length > LONGEST_GAP) {
			const day = Math.floor(i / 24);
			return refused(
				`${length} hours from day ${day + 1} of the year, ${String(i % 24).padStart(2, '0')}:00, have no temperature; at most ${LONGEST_GAP} in a row can be bridged.`
			);
		}
		const before = i > 0 ? found[i - 1]! : found[end]!;
		const after = end < YEAR_HOURS ? found[end]! : before;
		for (let k = 0; k < length; k++) hoursC[i + k] = before + ((after - before) * (k + 1)) / (length + 1);
		bridged += length;
		i = end;
	}
	if (bridged > 0)
		notes.push(`${bridged} missing ${bridged === 1 ? 'hour was' : 'hours were'} bridged by straight lines.`);
	return {
		ok: true,
		value: {
			place:
				[head[1], head[3]]
					.map((part) => part?.trim())
					.filter(Boolean)
					.join(', ')
					.slice(0, 80) || 'Unnamed place',
			hoursC,
			lowestC: hoursC.reduce((a, b) => Math.min(a, b), Infinity),
			highestC: hoursC.reduce((a, b) => Math.max(a, b), -Infinity),
			meanC: hoursC.reduce((a, b) => a + b, 0) / YEAR_HOURS,
			notes
		}
	};
}
