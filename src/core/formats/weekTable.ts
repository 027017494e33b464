import Papa from 'papaparse';
import { fahrenheitToCelsius, type Level } from '../control';
import {
	clockTime,
	DAY_MINUTES,
	DAY_NAMES,
	DAY_SHORT,
	joinDays,
	paint,
	splitByDay,
	type Span,
	type WeekSteps
} from '../week';
import { quoted, type Read } from '../schema';

const HEADER = ['Day', 'From', 'To', 'Level'] as const;
/** So many lines of title may stand above the heading. */
const MOST_TITLES = 4;

/**
 * A wanted week as a table for a spreadsheet: one row a stretch, tab-separated, a level by its name.
 * Read back with {@link readWeekTable} it gives the very same week.
 */
export function writeWeekTable(week: WeekSteps<string>, levels: readonly Level[]): string {
	const nameOf = (id: string) => levels.find((level) => level.id === id)?.name ?? id;
	const rows = splitByDay(week).flatMap((spans, day) =>
		spans.map((span) => [DAY_SHORT[day]!, clockTime(span.from), clockTime(span.to), nameOf(span.value)])
	);
	return Papa.unparse({ fields: [...HEADER], data: rows }, { delimiter: '\t', newline: '\n' });
}

/**
 * Minutes since midnight of a time as people and spreadsheets write it: `06:30`, `6:30 am`, `6.30`, `0630` and `630` are
 * half past six, `6.5` and `6,75` hours with a part, `6h30`, `24:00` the end of the day. Null where the meaning is not
 * certain: `6.25` and `6.50` could be minutes or parts of an hour.
 * @example timeOfDay('6:30 pm') // 1110
 */
export function timeOfDay(text: string): number | null {
	const plain = text.trim().toLowerCase().replace(/\s+/g, ' ');
	const clock = /^(\d{1,2})(?:[:h]| ?h ?)(\d{2})(?::00)? ?(am|pm|a\.m\.|p\.m\.)?$/.exec(plain);
	// three or four figures in a row are hour and minute; so are two after a point, unless they could be a part of an hour
	const run = clock ?? /^(\d{1,2})(\d{2}) ?(am|pm)?$/.exec(plain) ?? pointed(plain);
	if (run) {
		const [hour, minute, half] = [Number(run[1]), Number(run[2]), run[3]];
		if (minute > 59) return null;
		if (!half) return hour < 24 || (hour === 24 && minute === 0) ? hour * 60 + minute : null;
		if (hour < 1 || hour > 12) return null;
		return ((hour % 12) + (half.startsWith('p') ? 12 : 0)) * 60 + minute;
	}
	const hourOnly = /^(\d{1,2}) ?(am|pm|h)?$/.exec(plain);
	if (hourOnly) {
		const hour = Number(hourOnly[1]);
		if (hourOnly[2] === 'am' || hourOnly[2] === 'pm')
			return hour >= 1 && hour <= 12 ? ((hour % 12) + (hourOnly[2] === 'pm' ? 12 : 0)) * 60 : null;
		return hour <= 24 ? hour * 60 : null;
	}
	// a part of an hour that can be no minutes
	const decimal = /^(\d{1,2})[.,](0|5|75)$/.exec(plain);
	if (!decimal) return null;
	const minutes = Number(`${decimal[1]}.${decimal[2]}`) * 60;
	return minutes <= DAY_MINUTES ? minutes : null;
}

/** An hour and two figures after a point or comma that are minutes for certain. */
function pointed(plain: string): RegExpExecArray | null {
	const found = /^(\d{1,2})[.,](\d{2}) ?(am|pm|a\.m\.|p\.m\.)?$/.exec(plain);
	if (!found) return null;
	const ambiguous = !found[3] && ['25', '50', '75'].includes(found[2]!);
	return ambiguous ? null : found;
}

/** A time as a part of a day, as spreadsheets keep it: 0.270833 is 06:30. Null where it is no whole minute. */
function partOfDay(text: string): number | null {
	const plain = /^([01])(?:[.,](\d+))?$/.exec(text.trim());
	const minutes = plain ? Number(`${plain[1]}.${plain[2] ?? 0}`) * DAY_MINUTES : NaN;
	const whole = Math.round(minutes);
	return Math.abs(minutes - whole) < 0.1 && whole <= DAY_MINUTES ? whole : null;
}

/** How the times of a table are read: as parts of a day where one of them can be nothing else and all can be that, else as {@link timeOfDay} takes them. */
function timesOf(cells: readonly string[]): (text: string) => number | null {
	const written = cells.filter((cell) => cell !== '');
	const certain = written.some((cell) => /^0[.,]\d{3,}$/.test(cell));
	return certain && written.every((cell) => partOfDay(cell) !== null) ? partOfDay : timeOfDay;
}

/** Names of the days in a language, as its calendars write them: long and short, without points. */
function dayNamesIn(language: string): readonly (readonly string[])[] {
	try {
		const of = (weekday: 'long' | 'short') => {
			const format = new Intl.DateTimeFormat(language, { weekday, timeZone: 'UTC' });
			// 5 January 2026 is a Monday
			return DAY_NAMES.map((_, day) =>
				format
					.format(new Date(Date.UTC(2026, 0, 5 + day)))
					.toLowerCase()
					.replace(/[.]/g, '')
			);
		};
		const [long, short] = [of('long'), of('short')];
		return long.map((name, day) => [name, short[day]!]);
	} catch {
		// no language that the program knows
		return [];
	}
}

/** The days of a cell: a name, several, a range (also round Sunday), or every day, in English or one of the languages; null where it names none. */
export function daysOf(text: string, languages: readonly string[] = []): number[] | null {
	const plain = text.trim().toLowerCase().replace(/[.]/g, '').replace(/\s+/g, ' ');
	const spoken = languages.map((language) => dayNamesIn(language)).filter((names) => names.length > 0);
	if (/^(all|daily|every ?day)$/.test(plain)) return [0, 1, 2, 3, 4, 5, 6];
	if (/^weekdays?$/.test(plain)) return [0, 1, 2, 3, 4];
	if (/^weekends?$/.test(plain)) return [5, 6];
	/** The day of a letter: T and S are told only where the day before went before them, as in M/T/W. */
	const letter = (word: string, before: number | undefined) => {
		const of = DAY_NAMES.flatMap((name, day) => (name.toLowerCase().startsWith(word) ? [day] : []));
		return of.length === 1 ? of[0]! : (of.find((day) => day === (before ?? NaN) + 1) ?? null);
	};
	const one = (word: string, before?: number): number | null => {
		if (word.length < 1) return null;
		if (word.length === 1) return letter(word, before);
		const found = DAY_NAMES.findIndex((name) => word.length >= 2 && name.toLowerCase().startsWith(word));
		if (found >= 0) return found;
		for (const names of spoken) {
			const exact = names.findIndex((forms) => forms.includes(word));
			if (exact >= 0) return exact;
			const alike = names.flatMap((forms, day) =>
				word.length >= 2 && forms.some((form) => form.startsWith(word)) ? [day] : []
			);
			if (alike.length === 1) return alike[0]!;
		}
		// Weds, Fridays
		return word.length > 2 && word.endsWith('s') ? one(word.slice(0, -1)) : null;
	};
	const days: number[] = [];
	for (const part of plain.split(/\s*(?:[+/&,;]|\band\b)\s*/).filter((one) => one !== '')) {
		const [first, last, more] = part.split(/\s*(?:-|–|—|to)\s*/);
		const from = one(first ?? '', days.at(-1));
		const to = last === undefined ? from : one(last);
		if (from === null || to === null || more !== undefined) return null;
		for (let day = from; ; day = (day + 1) % 7) {
			days.push(day);
			if (day === to) break;
		}
	}
	return days.length > 0 ? days : null;
}

/** A level by name, letter, id, or a setpoint that exactly one level has: decimal point or comma, °C unless °F is said. */
export function levelNamed(text: string, levels: readonly Level[]): Level | null {
	const plain = text.trim().toLowerCase().replace(/\s+/g, ' ');
	const byName = levels.filter((level) => level.name.toLowerCase() === plain);
	if (byName.length === 1) return byName[0]!;
	const byLetter = levels.find((level) => level.letter.toLowerCase() === plain || level.id === plain);
	if (byLetter) return byLetter;
	const figure = /^(\d{1,3})(?:[.,](\d{1,2}))? ?(°|º|°c|ºc|c|° c|°f|ºf|f|° f|degc|degf)?$/.exec(plain);
	if (!figure) return null;
	const written = Number(`${figure[1]}.${figure[2] ?? 0}`);
	const fahrenheit = figure[3]?.endsWith('f') ?? false;
	const setpoint = fahrenheit ? fahrenheitToCelsius(written) : written;
	// a whole degree Fahrenheit is kept as the nearest tenth of a degree Celsius
	const bySetpoint = levels.filter(
		(level) => Math.abs(level.setpointC - setpoint) < (fahrenheit ? 0.28 : 0.05)
	);
	return bySetpoint.length === 1 ? bySetpoint[0]! : null;
}

function columnsOf(head: readonly string[]): { day: number; from: number; to: number; level: number } | null {
	const plain = head.map((cell) => cell.trim().toLowerCase());
	const find = (...names: string[]) => plain.findIndex((cell) => names.includes(cell));
	const columns = {
		day: find('day', 'days', 'weekday'),
		from: find('from', 'start', 'time', 'begin'),
		to: find('to', 'end', 'until'),
		level: find('level', 'setpoint', 'temperature', 'temp', 'state')
	};
	return columns.day < 0 || columns.from < 0 || columns.level < 0 ? null : columns;
}

/** The cells of a row whose columns only spaces part: what comes before the first time, the times, what comes after. */
function cellsBySpaces(line: string): string[] {
	const words = line
		.trim()
		.replace(/(\d) ?(am|pm)\b/gi, '$1$2')
		.replace(/\s*([-–—])\s*/g, '$1')
		.split(/\s+/)
		.filter((word) => word !== '');
	const at = words.findIndex((word) => /\d/.test(word) && timeOfDay(word) !== null);
	if (at <= 0) return words;
	const day = words.slice(0, at).join(' ');
	const to = words[at + 1];
	const hasTo = to !== undefined && at + 2 < words.length && timeOfDay(to) !== null;
	return hasTo
		? [day, words[at]!, to, words.slice(at + 2).join(' ')]
		: [day, words[at]!, words.slice(at + 1).join(' ')];
}

/**
 * Reads a week from CSV or from cells pasted out of a spreadsheet: separators comma, semicolon,
 * tab or spaces (also named by `sep=`), a byte-order mark, quotes, day names of `languages`, ranges and lists of days, a title above, days left blank under
 * the one they repeat, 23:59 for the end of a day, times as {@link timeOfDay} takes them. The columns are
 * Day, From, To, Level in any order under a heading, or in that order without one. Without To each row
 * holds until the day's next. Refused, with line and column: what is not certain, stretches of a day
 * that overlap, and gaps.
 */
export function readWeekTable(
	text: string,
	levels: readonly Level[],
	languages: readonly string[] = []
): Read<WeekSteps<string>> {
	const refuse = (line: number, column: string, words: string): Read<WeekSteps<string>> => ({
		ok: false,
		problem: {
			path: line > 0 ? `line ${line}, ${column}` : '',
			sentence: line > 0 ? `Line ${line}, column ${column}: ${words}` : words
		}
	});
	const plain = text.replace(/^\uFEFF/, '');
	if (plain.length > 200_000) return refuse(0, '', 'The table is too long for a week.');
	const named = /^\s*sep=(.)[ \t]*(?:\r\n|\n|\r)/i.exec(plain);
	const body = named ? plain.slice(named[0].length) : plain;
	const before = named ? 1 : 0;
	// a list of days has commas too: what parts the lines by tabs or semicolons goes before
	const parted = (by: string) => body.split(by).length - 1 > body.split('\n').length / 2;
	const separator = named?.[1] ?? ['\t', ';'].find(parted);
	const parsed = Papa.parse<string[]>(body, {
		skipEmptyLines: false,
		...(separator ? { delimiter: separator } : { delimitersToGuess: [',', '\t', ';'] })
	});
	// nothing parts the columns but spaces: a day, one or two times, a level of one or more words
	const spaced = parsed.data.every((cells) => cells.filter((cell) => cell.trim() !== '').length <= 1);
	const lines = (spaced ? parsed.data.map((cells) => cellsBySpaces(cells.join(' '))) : parsed.data)
		.map((cells, index) => ({ cells, line: index + 1 + before }))
		.filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
	if (!lines[0]) return refuse(0, '', 'The table is empty.');
	// a title may stand above the heading
	const heading = lines.slice(0, MOST_TITLES + 1).findIndex(({ cells }) => columnsOf(cells) !== null);
	if (heading > 0) lines.splice(0, heading);
	const head = lines[0];
	let columns = columnsOf(head.cells);
	if (columns) lines.shift();
	else if (daysOf(head.cells[0] ?? '', languages) && head.cells.length >= 3)
		columns =
			head.cells.length >= 4 ? { day: 0, from: 1, to: 2, level: 3 } : { day: 0, from: 1, to: -1, level: 2 };
	else return refuse(head.line, '1', 'expected a heading Day, From, To, Level, or a day.');

	interface Row {
		readonly line: number;
		readonly from: number;
		readonly to: number | null;
		readonly level: string;
	}
	const timeAt = timesOf(
		lines.flatMap(({ cells }) =>
			[columns.from, columns.to].map((at) => (at < 0 ? '' : (cells[at] ?? '').trim()))
		)
	);
	const days: Row[][] = Array.from({ length: 7 }, () => []);
	let dayCell = '';
	for (const { cells, line } of lines) {
		const cell = (index: number) => (cells[index] ?? '').trim();
		// merged cells come as blanks under the first
		dayCell = cell(columns.day) || dayCell;
		const on = daysOf(dayCell, languages);
		if (!on) return refuse(line, 'Day', `${quoted(dayCell)} names no day.`);
		const from = timeAt(cell(columns.from));
		if (from === null || from === DAY_MINUTES)
			return refuse(line, 'From', `${quoted(cell(columns.from))} is unclear. Write 06:30.`);
		const toText = columns.to < 0 ? '' : cell(columns.to);
		let to = toText === '' ? null : timeAt(toText.replace(/:59$/, (end) => (toText.length > 5 ? '' : end)));
		if (toText !== '' && to === null) return refuse(line, 'To', `${quoted(toText)} is unclear. Write 06:30.`);
		// 00:00 as an end is the end of the day
		if (to === 0) to = DAY_MINUTES;
		if (to !== null && to <= from)
			return refuse(line, 'To', `${toText} does not come after ${cell(columns.from)}.`);
		const level = levelNamed(cell(columns.level), levels);
		if (!level)
			return refuse(
				line,
				'Level',
				`${quoted(cell(columns.level))} is none of the levels here (${levels.map((one) => one.name).join(', ')}).`
			);
		for (const day of on) days[day]!.push({ line, from, to, level: level.id });
	}

	const shapes: Span<string>[][] = [];
	for (const [day, rows] of days.entries()) {
		rows.sort((a, b) => a.from - b.from);
		const name = DAY_NAMES[day]!;
		if (rows.length === 0) return refuse(0, '', `${name} is missing from the table.`);
		let shape: readonly Span<string>[] = [{ from: 0, to: DAY_MINUTES, value: '' }];
		let reached = 0;
		for (const [i, row] of rows.entries()) {
			const next = rows[i + 1];
			if (next && next.from === row.from)
				return refuse(
					next.line,
					'From',
					`${name} ${clockTime(row.from)} is there twice, also in line ${row.line}.`
				);
			// 23:59 as the last end of a day is the end of the day
			const last = row.to === DAY_MINUTES - 1 && !next;
			const to = last ? DAY_MINUTES : (row.to ?? next?.from ?? DAY_MINUTES);
			if (row.from < reached)
				return refuse(row.line, 'From', `${name} ${clockTime(row.from)} falls inside the stretch before it.`);
			if (row.from > reached)
				return refuse(row.line, 'From', `${name} ${clockTime(reached)}–${clockTime(row.from)} has no level.`);
			shape = paint(shape, row.from, to, row.level);
			reached = to;
		}
		if (reached < DAY_MINUTES)
			return refuse(rows.at(-1)!.line, 'To', `${name} ${clockTime(reached)}–24:00 has no level.`);
		shapes.push([...shape]);
	}
	return { ok: true, value: joinDays(shapes) };
}
