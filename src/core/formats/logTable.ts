import Papa from 'papaparse';
import { quoted, type Read } from '../schema';
import { minuteOf, rawTime, type DateOrder, type RawTime } from './logTimes';

/** The largest log read, in characters: a year of minutes. */
export const LARGEST_LOG = 30_000_000;
/** Of so many lines the columns are recognised. */
const LOOKED_AT = 400;

/** What each column of a log is taken for. Columns by their place; null for none. */
export interface LogChoice {
	/** The column of the time, or of the date and that of the time of day. */
	readonly time: readonly number[];
	readonly dateOrder: DateOrder;
	/** What a time that counts from a beginning counts, in minutes; null where times are dates. */
	readonly countsMinutes: number | null;
	readonly room: number | null;
	readonly outdoor: number | null;
	/** The column that says whether it heated; else it is told from the temperature. */
	readonly heating: number | null;
	readonly unit: 'C' | 'F';
}

/** A column of a log as a person chooses it: its title, and what stands there. */
export interface LogColumn {
	readonly title: string;
	readonly sample: string;
	readonly kind: 'time' | 'figure' | 'state' | 'text';
}

/** A log's file as a table: its columns, its rows with their lines in the file, and what the columns seem to be. */
export interface LogTable {
	readonly columns: readonly LogColumn[];
	readonly rows: readonly { readonly line: number; readonly cells: readonly string[] }[];
	readonly guess: LogChoice;
	/** Whether the order of the date's figures is certain. */
	readonly orderCertain: boolean;
}

const refused = (sentence: string): Read<never> => ({ ok: false, problem: { path: '', sentence } });

/** What stands where a logger had no reading. */
const MISSING = /^(|[-–—]+|n\/?a|#n\/?a|nan|null|none|err(or)?|\*+|\?+|no data|-9{3,4}(\.0+)?|9{4}(\.0+)?)$/i;
export const isMissing = (text: string) => MISSING.test(text.trim());

/** A figure with a decimal point or comma, and maybe a unit behind it; null where it is none. */
export function figureOf(text: string): number | null {
	const plain = text
		.trim()
		.replace(/[\s\u00a0]*(°|º|deg)?[\s\u00a0]*[CFcf%]?$/, '')
		.replace(/[\u2212]/, '-')
		.replace(',', '.');
	return /^[+-]?\d+(\.\d+)?(e[+-]?\d+)?$/i.test(plain) ? Number(plain) : null;
}

const ON = ['1', 'on', 'yes', 'true', 'heat', 'heating', 'open', 'active'];
const OFF = ['0', 'off', 'no', 'false', 'idle', 'closed', 'inactive', 'standby'];

/** The share of the time that something heated: 1 or 0 of a word, a figure of 0 to 1, or of 0 to 100 where `percent`; null where it says neither. */
export function heatedShare(text: string, percent: boolean): number | null {
	const plain = text.trim().toLowerCase();
	if (ON.includes(plain)) return percent && plain === '1' ? 0.01 : 1;
	if (OFF.includes(plain)) return 0;
	const figure = figureOf(plain);
	if (figure === null) return null;
	const share = percent ? figure / 100 : figure;
	return share >= 0 && share <= 1.0001 ? Math.min(share, 1) : null;
}

/** The separator with which most lines have a time and more beside it. */
function separatorOf(
	lines: readonly string[]
): { readonly separator: string; readonly data: readonly string[][] } | null {
	let best: { separator: string; data: string[][]; score: number } | null = null;
	for (const separator of [';', '\t', ',', '|']) {
		const { data } = Papa.parse<string[]>(lines.join('\n'), { delimiter: separator });
		const score = data.filter((cells) => cells.length > 1 && cells.some((cell) => hasTime(cell))).length;
		// what has as many lines with a time, and more cells to a line, parts them better
		const wide = data.reduce((sum, cells) => sum + cells.length, 0);
		if (
			score > 0 &&
			(!best || score > best.score || (score === best.score && wide > best.data.flat().length))
		)
			best = { separator, data, score };
	}
	return best;
}

const hasTime = (cell: string) => {
	const raw = rawTime(cell);
	return raw !== null && (raw.date !== null || /:/.test(cell));
};

/** Titles by which a column that counts from a beginning is known, and what it counts in minutes. */
function countOf(title: string): number | null {
	if (!/elapsed|relative|seconds?|\bsecs?\b|minutes?|\bmins?\b|\[s\]|\(s\)|\bhours?\b|since/i.test(title))
		return null;
	if (/hour|\(h\)|\[h\]/i.test(title)) return 60;
	return /min/i.test(title) ? 1 : 1 / 60;
}

const words = {
	outdoor: /\b(out(door|side)?s?|extern(al)?|weather|aussen|außen|ext)\b|^t_?out|outdoor/i,
	notRoom:
		/\b(supply|flow|return|water|pipe|boiler|floor|surface|slab|dew|target|set ?point|set|demand|humid\w*|rh|co2|pressure|battery|volt\w*|location|id|no|number|index|rssi|signal|duct|vent)\b/i,
	room: /\b(room|inside|indoors?|internal|zone|ambient|living|bed|hall|kitchen|office|study|lounge|bath\w*|measured|actual|raum|innen)\b/i,
	temperature: /temp|°|\bdeg|\bt\b|\bair\b|celsius|fahrenheit|[[(][cf][\])]/i,
	heating:
		/\b(heat(ing|er|ed)?|call(ing)?|demand|relay|boiler|burner|hvac|valve|pump|on ?\/ ?off|on|state|heizung|duty|output)\b/i
};

/**
 * Opens a log as a table: whatever stands before its titles (what the logger is, where it hung), a line of units under them, any separator,
 * blank lines, titles or none. What its columns seem to be is guessed by what stands in them and by their titles; a person may say
 * otherwise. Refused where no line has a time and a figure.
 */
export function openLog(text: string): Read<LogTable> {
	if (text.length > LARGEST_LOG)
		return refused(`The log is too large: at most ${LARGEST_LOG / 1e6} MB are read.`);
	const plain = text.replace(/^\uFEFF/, '');
	const lines = plain.split(/\r\n|\r|\n/);
	if (lines.every((line) => line.trim() === ''))
		return refused('The log has no readings: a line of titles is wanted, then a line for each.');
	const begun = lines.findIndex((line) => /^\s*sep=.\s*$/i.test(line)) === 0 ? 1 : 0;
	const parted =
		separatorOf(lines.slice(begun, begun + LOOKED_AT)) ?? counting(lines.slice(begun, begun + LOOKED_AT));
	if (!parted)
		return refused('No line of the log has a time: a column with times is wanted, like 2026-01-05 06:30.');
	// quoted fields over several lines do not come in logs: a line is a line
	const { data } = Papa.parse<string[]>(lines.slice(begun).join('\n'), { delimiter: parted.separator });
	const all = data.map((cells, i) => ({ line: i + 1 + begun, cells }));
	const width = modal(
		parted.data.filter((cells) => cells.length > 1 && figuresIn(cells) > 0).map((cells) => cells.length)
	);
	const isRow = (cells: readonly string[]) =>
		Math.abs(cells.length - width) <= 1 && figuresIn(cells) > 0 && !isTitles(cells);
	const first = all.findIndex(
		({ cells }, i) =>
			isRow(cells) && all.slice(i + 1, i + 4).every((next) => isRow(next.cells) || blank(next.cells))
	);
	if (first < 0) return refused('The log has no readings: a line of titles is wanted, then a line for each.');
	// titles stand above the first reading, and under them maybe a line of units
	const above = all
		.slice(0, first)
		.filter(({ cells }) => !blank(cells) && Math.abs(cells.length - width) <= 1)
		.slice(-2);
	const isUnits = (cells: readonly string[]) =>
		cells.every((cell) =>
			/^\s*([[(]?\s*(°?[CF]|deg\.? ?[CF]|%( ?rh)?|on\/off|-|V|ppm|s|min|h|hh:mm(:ss)?|[dmy]{2,4}[-/.].*|)\s*[\])]?)\s*$/i.test(
				cell
			)
		);
	const last = above.at(-1)?.cells ?? [];
	const head = isUnits(last) && above.length > 1 ? above[0]!.cells : last;
	const units = isUnits(last) && above.length > 1 ? last : [];
	const rows = all.slice(first).filter(({ cells }) => !blank(cells));
	const columns = Array.from({ length: width }, (_, i): LogColumn => {
		const title = [head[i], units[i]]
			.map((part) => part?.trim() ?? '')
			.filter(Boolean)
			.join(' ');
		const seen = rows.slice(0, LOOKED_AT).map(({ cells }) => cells[i] ?? '');
		return {
			title: title || `Column ${i + 1}`,
			sample: seen.find((cell) => !isMissing(cell))?.trim() ?? '',
			kind: kindOf(seen, title)
		};
	});
	const guess = guessed(columns, rows);
	if (typeof guess === 'string') return refused(guess);
	return { ok: true, value: { columns, rows, ...guess } };
}

/** A log whose times only count: the separator by which most lines are figures. */
function counting(
	lines: readonly string[]
): { readonly separator: string; readonly data: readonly string[][] } | null {
	for (const separator of [';', '\t', ',', '|']) {
		const { data } = Papa.parse<string[]>(lines.join('\n'), { delimiter: separator });
		const rows = data.filter((cells) => cells.length > 1 && figuresIn(cells) === cells.length);
		const titled = data.some((cells) => cells.length > 1 && cells.some((cell) => countOf(cell) !== null));
		if (titled && rows.length > lines.length / 2) return { separator, data };
	}
	return null;
}

const blank = (cells: readonly string[]) => cells.every((cell) => cell.trim() === '');
const figuresIn = (cells: readonly string[]) =>
	cells.filter((cell) => figureOf(cell) !== null || heatedShare(cell, false) !== null || hasTime(cell))
		.length;
const isTitles = (cells: readonly string[]) =>
	cells.filter(
		(cell) =>
			/[a-z]{3}/i.test(cell) && !hasTime(cell) && heatedShare(cell, false) === null && !isMissing(cell)
	).length >
	cells.length / 2;

function modal(values: readonly number[]): number {
	const counts = new Map<number, number>();
	for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
	return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 0;
}

function kindOf(cells: readonly string[], title: string): LogColumn['kind'] {
	const seen = cells.filter((cell) => !isMissing(cell));
	if (seen.length === 0) return 'text';
	const share = (is: (cell: string) => boolean) => seen.filter(is).length / seen.length;
	if (share((cell) => rawTime(cell) !== null && figureOf(cell) === null) > 0.5) return 'time';
	if (share((cell) => /^\d{10}(\d{3})?$/.test(cell.trim())) > 0.8) return 'time';
	if (share((cell) => heatedShare(cell, false) !== null) > 0.95 && new Set(seen).size <= 12) return 'state';
	if (share((cell) => figureOf(cell) !== null) > 0.6) return 'figure';
	return share((cell) => heatedShare(cell, /%/.test(title)) !== null) > 0.9 ? 'state' : 'text';
}

/** What the columns seem to be; or why that cannot be told. */
function guessed(
	columns: readonly LogColumn[],
	rows: LogTable['rows']
): Pick<LogTable, 'guess' | 'orderCertain'> | string {
	const cell = (row: LogTable['rows'][number], at: number) => row.cells[at] ?? '';
	const times = columns.flatMap(({ kind }, i) => (kind === 'time' ? [i] : []));
	const raw = (at: number) => rows.slice(0, LOOKED_AT).map((row) => rawTime(cell(row, at)));
	const dated = times.filter((at) => raw(at).some((one) => one?.date));
	const clocks = times.filter((at) => !dated.includes(at));
	let time: number[] = [];
	let countsMinutes: number | null = null;
	if (dated.length > 0) {
		// a date without a time of day wants the column of the time beside it
		const whole = dated.find((at) => raw(at).some((one) => one && one.minutes > 0));
		time = whole !== undefined ? [whole] : [dated[0]!, ...clocks.slice(0, 1)];
	} else {
		const counted = columns.findIndex(
			({ title, kind }) => kind !== 'text' && kind !== 'time' && countOf(title) !== null
		);
		if (counted >= 0) {
			time = [counted];
			countsMinutes = countOf(columns[counted]!.title);
		} else if (clocks.length > 0) time = [clocks[0]!];
	}
	if (time.length === 0)
		return 'No column of the log has times: one is wanted, like 2026-01-05 06:30, or seconds from the beginning.';
	const { order, certain } = orderOf(rows, time);

	const free = columns.map((column, i) => ({ ...column, i })).filter(({ i }) => !time.includes(i));
	const isTemperature = (at: number) => {
		const seen = rows.slice(0, LOOKED_AT).map((row) => cell(row, at));
		const values = seen.filter((text) => !isMissing(text)).flatMap((text) => figureOf(text) ?? []);
		return values.length > 0 && values.every((value) => value > -50 && value < 130);
	};
	const figures = free.filter(({ kind, i }) => kind === 'figure' && isTemperature(i));
	// outdoors it may be 1 °C all the time
	const outdoor =
		free.find(({ kind, i, title }) => kind !== 'text' && words.outdoor.test(title) && isTemperature(i))?.i ??
		null;
	const score = ({ title }: LogColumn) =>
		(words.room.test(title) ? 4 : 0) +
		(words.temperature.test(title) ? 2 : 0) -
		(words.notRoom.test(title) ? 8 : 0);
	const [room] = figures.filter(({ i }) => i !== outdoor).sort((a, b) => score(b) - score(a) || a.i - b.i);
	const roomIs = room && score(room) > -4 ? room.i : null;
	const heats = free.filter(({ i, kind, title }) => {
		if (i === outdoor || i === roomIs || !words.heating.test(title)) return false;
		const percent =
			/%|percent|duty/i.test(title) ||
			rows.slice(0, LOOKED_AT).some((row) => (figureOf(cell(row, i)) ?? 0) > 1.001);
		const all = rows
			.slice(0, LOOKED_AT)
			.map((row) => cell(row, i))
			.filter((one) => !isMissing(one));
		return kind !== 'text' && all.every((one) => heatedShare(one, percent) !== null);
	});
	const heating = heats.find(({ kind }) => kind === 'state') ?? heats[0];
	const titleUnit = roomIs === null ? '' : columns[roomIs]!.title;
	const warm =
		roomIs === null
			? 0
			: median(rows.slice(0, LOOKED_AT).flatMap((row) => figureOf(cell(row, roomIs)) ?? []));
	const unit =
		/°\s?F|\bF\b|fahrenheit|deg\.? ?F/i.test(titleUnit) ||
		(warm > 45 && !/°\s?C|celsius|deg\.? ?C/i.test(titleUnit)) ||
		/°\s?F$/i.test(roomIs === null ? '' : columns[roomIs]!.sample)
			? 'F'
			: 'C';
	return {
		guess: {
			time,
			dateOrder: order,
			countsMinutes,
			room: roomIs,
			outdoor,
			heating: heating?.i ?? null,
			unit
		},
		orderCertain: certain
	};
}

const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0;

/** In which order the dates of a log stand: by a figure over twelve, else by which of them lets its time go on evenly. */
function orderOf(rows: LogTable['rows'], time: readonly number[]): { order: DateOrder; certain: boolean } {
	// where the year stands first in the first of them it stands so in all
	const begun = rows.slice(0, LOOKED_AT).flatMap((row) => rawTime(row.cells[time[0]!] ?? '') ?? []);
	if (begun.some((raw) => raw.date) && begun.every((raw) => raw.yearFirst))
		return { order: 'ymd', certain: true };
	const dates = rows.flatMap((row) => rawTime(row.cells[time[0]!] ?? '') ?? []).filter((raw) => raw.date);
	if (dates.length === 0 || dates.every((raw) => raw.yearFirst)) return { order: 'ymd', certain: true };
	const open = dates.filter((raw) => !raw.yearFirst);
	if (open.some((raw) => raw.date![0] > 12)) return { order: 'dmy', certain: true };
	if (open.some((raw) => raw.date![1] > 12)) return { order: 'mdy', certain: true };
	const jumps = (order: DateOrder) => {
		const days = open.map((raw) => Math.floor((minuteOf(raw, order) ?? 0) / 1440));
		return days.reduce(
			(sum, day, i) => sum + (i === 0 || day === days[i - 1]! || day === days[i - 1]! + 1 ? 0 : 1),
			0
		);
	};
	const [dmy, mdy] = [jumps('dmy'), jumps('mdy')];
	if (dmy !== mdy) return { order: dmy < mdy ? 'dmy' : 'mdy', certain: true };
	const american = rows.slice(0, 20).some((row) => time.some((at) => /\b[ap]m\b/i.test(row.cells[at] ?? '')));
	return { order: american ? 'mdy' : 'dmy', certain: false };
}

/** The minute of a row by the columns of its time, or what stands there that is none. */
export function rowMinute(
	{ cells }: LogTable['rows'][number],
	{ time, dateOrder, countsMinutes }: LogChoice
): { readonly minute: number; readonly offset: number | null } | string {
	const texts = time.map((at) => cells[at] ?? '');
	const none = () => quoted(texts.join(' ').trim());
	if (countsMinutes !== null) {
		const count = figureOf(texts[0]!);
		return count === null ? none() : { minute: count * countsMinutes, offset: null };
	}
	const raws = texts.map((text) => rawTime(text));
	const [first, second] = raws as [RawTime | null, RawTime | null | undefined];
	if (!first || (time.length > 1 && !second)) return none();
	if (!first.date && time.length === 1) return { minute: first.minutes, offset: first.offset };
	const minute = minuteOf(second ? { ...first, minutes: second.minutes } : first, dateOrder);
	return minute === null ? none() : { minute, offset: second?.offset ?? first.offset };
}
