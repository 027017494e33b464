import { daysInMonth } from '../civil';

/** Whether the day that a written date begins with is in the calendar. */
function isDay(written: string): boolean {
	const [year, month, day] = [written.slice(0, 4), written.slice(4, 6), written.slice(6, 8)].map(Number);
	return month! >= 1 && month! <= 12 && day! >= 1 && day! <= daysInMonth(year!, month!);
}

/** Begins and ends that do not match, and lines that neither continue nor name anything: the first, by its line. */
export function brokenLine(text: string): { line: number; words: string } | null {
	const open: string[] = [];
	const lines = text.split(/\r\n|\n|\r/);
	for (const [i, raw] of lines.entries()) {
		const line = i + 1;
		if (raw === '' || /^[ \t]/.test(raw)) {
			if (i === 0 && raw !== '') return { line, words: 'continues a line, but there is none before it' };
			continue;
		}
		const name = /^([A-Za-z0-9-]+)(?:;(?:[^:"]|"[^"]*")*)?:/.exec(raw);
		if (!name)
			return {
				line,
				words: 'neither continues the line before it nor names anything: was it folded without a space?'
			};
		const property = name[1]!.toUpperCase();
		const value = raw
			.slice(raw.indexOf(':') + 1)
			.trim()
			.toUpperCase();
		if (/^(DTSTART|DTEND|RECURRENCE-ID|EXDATE|RDATE)$/.test(property)) {
			const lost = value.split(/[,/]/).find((one) => /^\d{8}/.test(one) && !isDay(one));
			if (lost) return { line, words: `names a day that does not exist: ${lost.slice(0, 8)}` };
		}
		if (property === 'BEGIN') open.push(value);
		if (property === 'END') {
			const last = open.pop();
			if (last !== value)
				return {
					line,
					words: last ? `ends ${value}, but ${last} is open` : `ends ${value}, which was never begun`
				};
		}
	}
	return open.length > 0
		? { line: lines.length, words: `is the last, and ${open.at(-1)} was never ended: the file is cut short` }
		: null;
}

/** The line on which an event with this UID stands; null where it cannot be told. */
export function lineOf(text: string, needle: string): number | null {
	const at = text.indexOf(needle);
	return at < 0 ? null : text.slice(0, at).split(/\r\n|\n|\r/).length;
}
