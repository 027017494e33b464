import type { Level } from '../control';
import type { RoutineSpan } from '../plan';
import { clockTime, DAY_MINUTES } from '../week';
import { quoted, type Read } from '../schema';
import { levelNamed, timeOfDay } from './weekTable';

/** The spans of a day type as one line: `06:30–08:20 C, 22:30–06:30 E`, letters for levels. */
export function writeSpans(spans: readonly RoutineSpan[], levels: readonly Level[]): string {
	const time = (minute: number) => clockTime(minute > DAY_MINUTES ? minute - DAY_MINUTES : minute);
	return [...spans]
		.sort((a, b) => a.from - b.from)
		.map((span) => {
			const letter = levels.find((level) => level.id === span.level)?.letter ?? '?';
			return `${time(span.from)}–${time(span.to)} ${letter}`;
		})
		.join(', ');
}

/**
 * Reads a line of spans, separated by commas or semicolons: from, a dash, to, and a level by letter, name or
 * setpoint; without one the warmest is meant. A span that ends at or before its beginning runs past
 * midnight. Times as `6:30`, `06:30`, `6`, `6.5`, `6:30 am`, `24:00`. Refused with the number of the entry.
 */
export function readSpans(text: string, levels: readonly Level[]): Read<RoutineSpan[]> {
	const warmest = [...levels].sort((a, b) => b.setpointC - a.setpointC)[0]!;
	const spans: RoutineSpan[] = [];
	const entries = text
		.split(/[,;]/)
		.map((entry) => entry.trim())
		.filter((entry) => entry !== '');
	for (const [index, entry] of entries.entries()) {
		const refuse = (words: string): Read<RoutineSpan[]> => ({
			ok: false,
			problem: { path: `spans[${index}]`, sentence: `Entry ${index + 1}, ${quoted(entry)}: ${words}` }
		});
		const parts =
			/^(\d[\d:.]*(?: ?[ap]\.?m\.?)?)\s*(?:-|–|—|to)\s*(\d[\d:.]*(?: ?[ap]\.?m\.?)?(?=\s|$))\s*(.*)$/i.exec(
				entry
			);
		if (!parts) return refuse('write a time, a dash, a time and a level, as in 06:30–08:20 C.');
		const [from, to] = [timeOfDay(parts[1]!), timeOfDay(parts[2]!)];
		if (from === null || from === DAY_MINUTES) return refuse(`${parts[1]} is no time to begin at.`);
		if (to === null) return refuse(`${parts[2]} is no time of day.`);
		const level = parts[3]!.trim() === '' ? warmest : levelNamed(parts[3]!, levels);
		if (!level) return refuse(`${quoted(parts[3]!)} is no level of this zone.`);
		spans.push({ from, to: to > from ? to : to + DAY_MINUTES, level: level.id });
	}
	return { ok: true, value: spans.sort((a, b) => a.from - b.from) };
}
