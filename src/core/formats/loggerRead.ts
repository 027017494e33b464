import Papa from 'papaparse';
import { fahrenheitToCelsius } from '../control';
import { localTime, wallMinute } from '../civil';
import { LOG_STEP_MINUTES, type EvenLog } from '../thermal';
import { quoted, type Read } from '../schema';

/** The largest log read, in characters: a year of minutes. */
export const LARGEST_LOG = 30_000_000;
/** A gap longer than this parts a log. */
const LONGEST_GAP_MINUTES = 60;

/** A logger's file as it can be used: its longest stretch without a gap, every five minutes. */
export interface LoggerFile {
	readonly log: EvenLog;
	/** First and last reading used, `YYYY-MM-DDTHH:MM`. */
	readonly from: string;
	readonly to: string;
	/** What a person should know of how it was read. */
	readonly notes: readonly string[];
}

const refused = (sentence: string): Read<never> => ({ ok: false, problem: { path: '', sentence } });

const titles = {
	time: /^(time|date|when|timestamp|zeit|datum)/i,
	room: /(room|inside|indoor|air|temp)/i,
	outdoor: /(out|external|weather)/i,
	heating: /(heat|on|call|demand|relay)/i
};

/** A time as loggers write it: `2026-01-05 06:30`, with a T, with seconds, `05.01.2026 06:30`; wall minutes, or null where it is not certain. */
function timeOf(text: string): number | null {
	const iso = /^(\d{4})-(\d\d)-(\d\d)[T ](\d\d):(\d\d)(?::\d\d(?:\.\d+)?)?Z?$/.exec(text.trim());
	const dotted = /^(\d\d)\.(\d\d)\.(\d{4})[T ](\d\d):(\d\d)(?::\d\d)?$/.exec(text.trim());
	const parts = iso
		? [iso[1], iso[2], iso[3], iso[4], iso[5]]
		: dotted
			? [dotted[3], dotted[2], dotted[1], dotted[4], dotted[5]]
			: null;
	if (!parts) return null;
	try {
		return wallMinute(`${parts[0]}-${parts[1]}-${parts[2]}T${parts[3]}:${parts[4]}`);
	} catch {
		return null;
	}
}

function figureOf(text: string): number | null {
	const plain = text
		.trim()
		.replace(/\s?°?[CFcf]$/, '')
		.replace(',', '.');
	return /^-?\d+(\.\d+)?$/.test(plain) ? Number(plain) : null;
}

function onOf(text: string): boolean | null {
	const plain = text.trim().toLowerCase();
	if (['1', 'on', 'yes', 'true', 'heat', 'heating'].includes(plain)) return true;
	if (['0', 'off', 'no', 'false', '', 'idle'].includes(plain)) return false;
	const share = figureOf(plain);
	return share === null ? null : share >= 0.5;
}

interface Reading {
	readonly at: number;
	readonly roomC: number;
	readonly outdoorC: number | null;
	readonly heating: boolean;
}

/**
 * Reads a logger's CSV: columns for time, room, heating on or off, and outdoor if it has one (else `outdoorC` throughout),
 * by their titles; any separator, decimal commas, a byte-order mark, Fahrenheit where the title says °F. Repeated times
 * count once, and that is said; gaps over an hour part it, and the longest part is used. Refused, with the line: a time
 * or figure that is not certain, a clock that jumps back, columns that are missing.
 */
export function readLogger(text: string, outdoorC: number): Read<LoggerFile> {
	if (text.length > LARGEST_LOG)
		return refused(`The log is too large: at most ${LARGEST_LOG / 1e6} MB are read.`);
	const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trim(), { skipEmptyLines: 'greedy' });
	const [head, ...rows] = parsed.data;
	if (!head || rows.length < 2)
		return refused('The log has no readings: a line of titles is wanted, then a line for each.');
	const find = (title: RegExp, not: readonly number[]) =>
		head.findIndex((cell, i) => !not.includes(i) && title.test(cell.trim()));
	const time = find(titles.time, []);
	const outdoor = find(titles.outdoor, [time]);
	const room = find(titles.room, [time, outdoor]);
	const heating = find(titles.heating, [time, outdoor, room]);
	const lost = [
		time < 0 ? 'a time' : '',
		room < 0 ? 'the room’s temperature' : '',
		heating < 0 ? 'whether it heated' : ''
	].filter((one) => one !== '');
	if (lost.length > 0)
		return refused(
			`Line 1: no column tells ${lost.join(', nor ')}; titles like time, room, outdoor, heating are understood.`
		);
	const fahrenheit = (column: number) => column >= 0 && /°?F\b/.test(head[column]!);
	const celsius = (column: number, value: number) =>
		fahrenheit(column) ? fahrenheitToCelsius(value) : value;

	const readings: Reading[] = [];
	let repeated = 0;
	for (const [i, row] of rows.entries()) {
		const line = i + 2;
		const at = timeOf(row[time] ?? '');
		if (at === null)
			return refused(
				`Line ${line}: ${quoted(row[time] ?? '')} is no certain time; write it like 2026-01-05 06:30.`
			);
		const value = figureOf(row[room] ?? '');
		if (value === null) return refused(`Line ${line}: ${quoted(row[room] ?? '')} is no temperature.`);
		const out = outdoor < 0 ? null : figureOf(row[outdoor] ?? '');
		if (outdoor >= 0 && out === null)
			return refused(`Line ${line}: ${quoted(row[outdoor] ?? '')} is no outdoor temperature.`);
		const on = onOf(row[heating] ?? '');
		if (on === null) return refused(`Line ${line}: ${quoted(row[heating] ?? '')} says neither on nor off.`);
		const last = readings.at(-1);
		if (last && at === last.at) {
			repeated++;
			continue;
		}
		if (last && at < last.at)
			return refused(
				`Line ${line}: the logger's clock jumps back by ${last.at - at} min. Cut the log there, or put it in order.`
			);
		const roomC = celsius(room, value);
		if (roomC < -30 || roomC > 60)
			return refused(
				`Line ${line}: ${value} ${fahrenheit(room) ? '°F' : '°C'} is no room temperature${roomC > 60 && !fahrenheit(room) ? '; is it in °F? Then say so in the title' : ''}.`
			);
		readings.push({ at, roomC, outdoorC: out === null ? null : celsius(outdoor, out), heating: on });
	}

	let best: [number, number] = [0, 0];
	let start = 0;
	let parts = 1;
	for (let i = 1; i <= readings.length; i++) {
		if (i < readings.length && readings[i]!.at - readings[i - 1]!.at <= LONGEST_GAP_MINUTES) continue;
		if (i < readings.length) parts++;
		if (readings[i - 1]!.at - readings[start]!.at > readings[best[1]]!.at - readings[best[0]]!.at)
			best = [start, i - 1];
		start = i;
	}
	const used = readings.slice(best[0], best[1] + 1);
	const notes: string[] = [];
	if (repeated > 0)
		notes.push(`${repeated} repeated ${repeated === 1 ? 'time was' : 'times were'} counted once.`);
	if (parts > 1)
		notes.push(
			`The log has ${parts - 1} ${parts === 2 ? 'gap' : 'gaps'} of over an hour: its longest part is used.`
		);
	if (outdoor < 0) notes.push(`It has no outdoor temperature: ${outdoorC} °C is taken throughout.`);
	if (fahrenheit(room)) notes.push('Fahrenheit was brought to °C.');

	const roomC: number[] = [];
	const outside: number[] = [];
	const on: boolean[] = [];
	let k = 0;
	for (let at = used[0]!.at; at <= used.at(-1)!.at; at += LOG_STEP_MINUTES) {
		while (k + 1 < used.length && used[k + 1]!.at <= at) k++;
		const [a, b] = [used[k]!, used[Math.min(k + 1, used.length - 1)]!];
		const part = b.at === a.at ? 0 : (at - a.at) / (b.at - a.at);
		roomC.push(a.roomC * (1 - part) + b.roomC * part);
		outside.push(
			a.outdoorC === null ? outdoorC : a.outdoorC * (1 - part) + (b.outdoorC ?? a.outdoorC) * part
		);
		// of the five minutes that follow, what held in most of them
		let minutes = 0;
		for (let j = k; j < used.length && used[j]!.at < at + LOG_STEP_MINUTES; j++) {
			const from = Math.max(used[j]!.at, at);
			const to = Math.min(used[j + 1]?.at ?? at + LOG_STEP_MINUTES, at + LOG_STEP_MINUTES);
			if (used[j]!.heating) minutes += Math.max(0, to - from);
		}
		on.push(minutes * 2 >= LOG_STEP_MINUTES);
	}
	return {
		ok: true,
		value: {
			log: { roomC, outdoorC: outside, heating: on },
			from: localTime(used[0]!.at),
			to: localTime(used.at(-1)!.at),
			notes
		}
	};
}
