import { fahrenheitToCelsius } from '../control';
import { localTime } from '../civil';
import { LOG_STEP_MINUTES, type EvenLog } from '../thermal';
import { counted, quoted, type Read } from '../schema';
import {
	figureOf,
	heatedShare,
	isMissing,
	openLog,
	rowMinute,
	type LogChoice,
	type LogTable
} from './logTable';
import { DATE_ORDER_WORDS } from './logTimes';

/** A gap longer than this parts a log. */
const LONGEST_GAP_MINUTES = 60;
/** A stretch of a log that is shorter says nothing of a room. */
const SHORTEST_STRETCH_MINUTES = 360;
/** How many stretches of a log are used at most, the longest. */
const MOST_STRETCHES = 6;
/** A clock that jumps back by no more than this was set, and time went on meanwhile as before. */
const LARGEST_SET_MINUTES = 180;
/** Of so many rows at a time the share read is told. */
const TOLD_EVERY = 20_000;
/** With more readings missing than this share a log is none. */
const MOST_MISSING = 0.5;

/** A logger's file as it can be used: its stretches without a gap, every five minutes. */
export interface LoggerFile {
	readonly log: EvenLog;
	/** When each reading of it was taken, in minutes since 1970 on the wall; NaN where the log does not tell. */
	readonly minutes: readonly number[];
	/** First and last reading used, `YYYY-MM-DDTHH:MM`; null where the log only counts. */
	readonly from: string | null;
	readonly to: string | null;
	/** What a person should know of how it was read. */
	readonly notes: readonly string[];
}

/** What is known beside the file. */
export interface LogGivens {
	/** Taken throughout where the log has no outdoor temperature, in °C. */
	readonly outdoorC: number;
	/** What the room was to be held at, by minute since 1970 on the wall, in °C; null where nothing was planned. Used where no column says when it heated. */
	readonly plannedC?: ((minute: number) => number) | null;
}

interface Reading {
	readonly at: number;
	readonly roomC: number;
	readonly outdoorC: number | null;
	/** The share of the time until the next reading in which it heated; null where the log does not say. */
	readonly heated: number | null;
}

const refused = (sentence: string): Read<never> => ({ ok: false, problem: { path: '', sentence } });

/**
 * Reads a log by what its columns were chosen for. Readings that are missing are left out, repeated times count once; a clock that was set
 * back is mended, one line out of order left out; gaps over an hour part the log, and its parts are used each for itself: all that is
 * said. Refused, with the line of the file: a time or figure that is none, a temperature that no room has. `onshare` hears the share read.
 */
export function readLog(
	table: LogTable,
	choice: LogChoice,
	givens: LogGivens,
	onshare?: (share: number) => void
): Read<LoggerFile> {
	if (choice.room === null) {
		const names = table.columns.map(({ title }) => title).join(', ');
		return refused(`No column tells the room’s temperature. Choose it from: ${names}.`);
	}
	const notes: string[] = [];
	const fahrenheit = choice.unit === 'F';
	const toC = (value: number) => (fahrenheit ? fahrenheitToCelsius(value) : value);
	const title = (at: number) => table.columns[at]?.title ?? '';
	const percent =
		choice.heating !== null &&
		(/%|percent|duty/i.test(title(choice.heating)) ||
			table.rows.some(({ cells }) => (figureOf(cells[choice.heating!] ?? '') ?? 0) > 1.001));

	const raw: (Reading & { readonly line: number })[] = [];
	let missing = 0;
	let days = 0;
	let lastClock = -Infinity;
	let firstOffset: number | null = null;
	for (const [i, row] of table.rows.entries()) {
		if (i > 0 && i % TOLD_EVERY === 0) onshare?.(i / table.rows.length);
		const { line, cells } = row;
		const time = rowMinute(row, choice);
		if (typeof time === 'string') {
			if (cells.filter((cell) => !isMissing(cell)).length <= 1) continue;
			return refused(`Line ${line}: ${time} is unclear. Write 2026-01-05 06:30.`);
		}
		// an offset that changes with summer time is no jump
		firstOffset ??= time.offset;
		let at = time.minute - (time.offset ?? 0) + (firstOffset ?? 0);
		// times of day alone go on into the next day
		if (at < 2880 && choice.countsMinutes === null) {
			if (at < lastClock - 720) days += 1440;
			lastClock = at;
			at += days;
		}
		const room = cells[choice.room] ?? '';
		if (isMissing(room)) {
			missing++;
			continue;
		}
		const value = figureOf(room);
		if (value === null) return refused(`Line ${line}: ${quoted(room)} is no temperature.`);
		const roomC = toC(value);
		if (roomC < -30 || roomC > 60)
			return refused(
				`Line ${line}: ${value} ${fahrenheit ? '°F' : '°C'} is no room temperature${roomC > 60 && !fahrenheit ? '; is it in °F?' : ''}.`
			);
		const outdoor = choice.outdoor === null ? '' : (cells[choice.outdoor] ?? '');
		const out = isMissing(outdoor) ? null : figureOf(outdoor);
		if (!isMissing(outdoor) && out === null)
			return refused(`Line ${line}: ${quoted(outdoor)} is no outdoor temperature.`);
		const says = choice.heating === null ? '' : (cells[choice.heating] ?? '');
		const heated = isMissing(says) ? null : heatedShare(says, percent);
		if (!isMissing(says) && heated === null)
			return refused(`Line ${line}: ${quoted(says)} says neither on nor off.`);
		raw.push({ line, at, roomC, outdoorC: out === null ? null : toC(out), heated });
	}
	if (missing > MOST_MISSING * table.rows.length)
		return refused(
			`Of ${table.rows.length} readings ${missing} are missing: too many to tell anything from.`
		);
	if (raw.length < 2)
		return refused('The log has no readings: a line of titles is wanted, then a line for each.');
	if (missing > 0)
		notes.push(`${counted(missing, 'reading')} missing ${missing === 1 ? 'was' : 'were'} left out.`);

	const { readings, said } = inOrder(raw);
	notes.push(...said);
	const { stretches, short } = stretchesOf(readings);
	if (stretches.length === 0 || readings.length < 2)
		return refused('The log has no part of six hours without a gap: nothing can be told from it.');
	const gaps = stretches.length + short - 1;
	if (gaps > 0)
		notes.push(
			`The log has ${counted(gaps, 'gap')} of over an hour: ${
				short > 0
					? `${counted(short, 'part')} of under six hours ${short === 1 ? 'is' : 'are'} left out, the others are`
					: 'its parts are'
			} used each for itself.`
		);
	if (!table.orderCertain && choice.countsMinutes === null)
		notes.push(`Its dates are read as ${DATE_ORDER_WORDS[choice.dateOrder]}; the log itself does not tell.`);
	if (choice.outdoor === null)
		notes.push(`It has no outdoor temperature: ${givens.outdoorC} °C is taken throughout.`);
	if (fahrenheit) notes.push('Fahrenheit was brought to °C.');

	const even = stretches.map((stretch) => evenly(stretch, givens.outdoorC));
	let heating = even.flatMap((one) => one.heating);
	if (choice.heating === null || heating.every((share) => Number.isNaN(share))) {
		if (givens.plannedC) {
			heating = even.flatMap((one) => fromPlan(one.roomC, one.at, givens.plannedC!));
			notes.push('No column says when it heated: that is told from the plan and the temperature.');
		} else {
			heating = even.flatMap((one) => fromTemperature(one.roomC));
			notes.push('No column says when it heated: that is told from how the temperature rises and falls.');
		}
	}
	const starts = even.map((_, i) => even.slice(0, i).reduce((sum, one) => sum + one.roomC.length, 0));
	const dated = choice.countsMinutes === null && readings[0]!.at > 1440 * 366;
	return {
		ok: true,
		value: {
			log: {
				roomC: even.flatMap((one) => one.roomC),
				outdoorC: even.flatMap((one) => one.outdoorC),
				heating,
				starts,
				minuteOfDay: even.flatMap((one) => one.at.map((at) => (dated ? ((at % 1440) + 1440) % 1440 : NaN)))
			},
			minutes: even.flatMap((one) => one.at.map((at) => (dated ? at : NaN))),
			from: dated ? localTime(Math.floor(stretches[0]![0]!.at)) : null,
			to: dated ? localTime(Math.floor(stretches.at(-1)!.at(-1)!.at)) : null,
			notes
		}
	};
}

/** Opens a log and reads it by what its columns seem to be, or by what a person chose. `onshare` hears the share read. */
export function readLogger(
	text: string,
	givens: LogGivens,
	choice?: LogChoice,
	onshare?: (share: number) => void
): Read<LoggerFile> {
	const table = openLog(text);
	return table.ok ? readLog(table.value, choice ?? table.value.guess, givens, onshare) : table;
}

/** Readings in the order of their times: repeated ones once, one line out of order left out, a clock that was set back mended. */
function inOrder(raw: readonly (Reading & { readonly line: number })[]): {
	readonly readings: Reading[];
	readonly said: string[];
} {
	const readings: Reading[] = [];
	const said: string[] = [];
	const typical = typicalStep(raw);
	let [repeated, astray, shift] = [0, 0, 0];
	for (const [i, one] of raw.entries()) {
		const last = readings.at(-1);
		const at = one.at + shift;
		if (!last || at > last.at) {
			// one line that runs ahead, and is followed by what follows the line before it
			const next = raw[i + 1];
			const ahead =
				last &&
				at - last.at > LARGEST_SET_MINUTES &&
				next &&
				next.at + shift > last.at &&
				next.at + shift < at;
			if (ahead) astray++;
			else readings.push(shift === 0 ? one : { ...one, at });
			continue;
		}
		if (at === last.at) {
			repeated++;
			continue;
		}
		const next = raw[i + 1];
		if (next && next.at + shift > last.at) {
			astray++;
			continue;
		}
		const back = last.at - at;
		const mend = last.at + typical - at;
		shift += mend;
		said.push(
			back <= LARGEST_SET_MINUTES
				? `Line ${one.line}: the logger’s clock was set back by ${Math.round(back)} min; what follows is read as going on.`
				: `Line ${one.line}: the logger’s clock jumps back; what follows is taken for a part of its own.`
		);
		// how long it stood still nobody knows
		if (back > LARGEST_SET_MINUTES) shift += 10 * LONGEST_GAP_MINUTES;
		readings.push({ ...one, at: one.at + shift });
	}
	if (repeated > 0)
		said.unshift(`${repeated} repeated ${repeated === 1 ? 'time was' : 'times were'} counted once.`);
	if (astray > 0)
		said.push(`${counted(astray, 'line')} out of order ${astray === 1 ? 'was' : 'were'} left out.`);
	return { readings, said };
}

function typicalStep(raw: readonly Reading[]): number {
	const steps = new Float64Array(raw.length);
	let count = 0;
	for (let i = 1; i < raw.length; i++) {
		const step = raw[i]!.at - raw[i - 1]!.at;
		if (step > 0) steps[count++] = step;
	}
	return steps.subarray(0, count).sort()[count >> 1] ?? LOG_STEP_MINUTES;
}

/** The stretches between gaps, in their order, without those that are short; and how many those are. A log of one stretch is used whatever its length. */
function stretchesOf(readings: readonly Reading[]): { stretches: Reading[][]; short: number } {
	const longest = Math.max(LONGEST_GAP_MINUTES, 3 * typicalStep(readings));
	const all: Reading[][] = [];
	for (const [i, one] of readings.entries()) {
		if (i === 0 || one.at - readings[i - 1]!.at > longest) all.push([]);
		all.at(-1)!.push(one);
	}
	if (all.length === 1) return { stretches: all, short: 0 };
	const length = (stretch: readonly Reading[]) => stretch.at(-1)!.at - stretch[0]!.at;
	const long = all.filter((stretch) => length(stretch) >= SHORTEST_STRETCH_MINUTES);
	const used = [...long].sort((a, b) => length(b) - length(a)).slice(0, MOST_STRETCHES);
	return { stretches: all.filter((stretch) => used.includes(stretch)), short: all.length - used.length };
}

interface Even {
	readonly at: readonly number[];
	readonly roomC: number[];
	readonly outdoorC: number[];
	/** The share of each five minutes in which it heated; NaN where the log does not say. */
	readonly heating: number[];
}

/** A stretch every five minutes: temperatures between the readings beside them, heating as the share of the five minutes that follow. */
function evenly(used: readonly Reading[], otherwiseC: number): Even {
	const at: number[] = [];
	const roomC: number[] = [];
	const outdoorC: number[] = [];
	const heating: number[] = [];
	let k = 0;
	for (let now = used[0]!.at; now <= used.at(-1)!.at; now += LOG_STEP_MINUTES) {
		while (k + 1 < used.length && used[k + 1]!.at <= now) k++;
		const [a, b] = [used[k]!, used[Math.min(k + 1, used.length - 1)]!];
		const part = b.at === a.at ? 0 : (now - a.at) / (b.at - a.at);
		at.push(now);
		roomC.push(a.roomC * (1 - part) + b.roomC * part);
		const from = a.outdoorC ?? b.outdoorC ?? outdoorC.at(-1) ?? otherwiseC;
		outdoorC.push(from * (1 - part) + (b.outdoorC ?? from) * part);
		let [minutes, known] = [0, 0];
		for (let j = k; j < used.length && used[j]!.at < now + LOG_STEP_MINUTES; j++) {
			const begins = Math.max(used[j]!.at, now);
			const ends = Math.min(used[j + 1]?.at ?? now + LOG_STEP_MINUTES, now + LOG_STEP_MINUTES);
			const { heated } = used[j]!;
			if (heated === null || ends <= begins) continue;
			minutes += heated * (ends - begins);
			known += ends - begins;
		}
		heating.push(known === 0 ? NaN : minutes / known);
	}
	return { at, roomC, outdoorC, heating };
}

/** How fast it rises by a step over a quarter of an hour around it, in K/h. */
function slopes(roomC: readonly number[]): number[] {
	const perHour = 60 / LOG_STEP_MINUTES;
	return roomC.map((_, i) => {
		const [a, b] = [Math.max(0, i - 1), Math.min(roomC.length - 1, i + 2)];
		return b > a ? ((roomC[b]! - roomC[a]!) / (b - a)) * perHour : 0;
	});
}

/** A rise that is as steep as this share of the steepest is heating for certain; one flatter than the other share, or a fall, is none. */
const HEATS_FROM = 0.35;
const RESTS_UNDER = 0.04;

/** Whether it heated, by how the temperature rises and falls: 1, 0, or NaN where it is held and nobody can tell. */
export function fromTemperature(roomC: readonly number[]): number[] {
	const slope = slopes(roomC);
	const rising = slope.filter((k) => k > 0).sort((a, b) => a - b);
	const steep = rising[Math.floor(rising.length * 0.95)] ?? 0;
	const falling = slope.filter((k) => k < 0).sort((a, b) => a - b);
	const fall = falling[Math.floor(falling.length * 0.3)] ?? 0;
	return slope.map((k) =>
		k >= HEATS_FROM * steep && steep > 0.4 ? 1 : k <= Math.min(-RESTS_UNDER * steep, fall * 0.5) ? 0 : NaN
	);
}

/** Whether it heated, by what was planned: under it by more than a half kelvin it did, over it it did not; between nobody can tell. */
function fromPlan(
	roomC: readonly number[],
	at: readonly number[],
	plannedC: (minute: number) => number
): number[] {
	return roomC.map((c, i) => {
		const wanted = plannedC(at[i]!);
		return c < wanted - 0.6 ? 1 : c > wanted + 0.5 ? 0 : NaN;
	});
}
