import { DAY_NAMES, dayRange, WEEK_DAYS } from '../week';
import { quoted, type Read } from '../schema';
import { daysOf } from './weekTable';

/** Groups of days as a person reads them, and as {@link readBlocks} takes them back: `Mon–Fri / Sat, Sun`. */
export function writeBlocks(groups: readonly (readonly number[])[]): string {
	return groups.map(dayRange).join(' / ');
}

const refuse = (sentence: string): Read<number[][]> => ({ ok: false, problem: { path: '', sentence } });

/**
 * Reads groups of days: `Mon Wed Fri / Tue Thu / Sat-Sun`, `Mon–Fri · Sat, Sun`, and where nothing stronger parts them
 * commas do: `Mon-Thu, Fri, Sat-Sun` is three groups. Refused, with what is wrong: words that name no day, a day named
 * twice, a day in no group.
 */
export function readBlocks(text: string): Read<number[][]> {
	const plain = text.trim();
	if (/^(every day|all days?|daily)$/i.test(plain)) return { ok: true, value: [[0, 1, 2, 3, 4, 5, 6]] };
	if (plain === '') return refuse('No days are named; write groups as Mon-Fri / Sat-Sun.');
	const strong = /[/|;·]/.test(plain);
	const groups: number[][] = [];
	const seen = new Map<number, string>();
	for (const block of plain
		.split(strong ? /[/|;·]/ : /,/)
		.map((part) => part.trim())
		.filter((part) => part !== '')) {
		// a range keeps its dash: "Mon - Fri" is one word here
		const words = block
			.replace(/\s*[-–—]\s*/g, '-')
			.split(/[\s,+&]+/)
			.filter((word) => word !== '' && word.toLowerCase() !== 'and');
		const days: number[] = [];
		for (const word of words) {
			const named = daysOf(word);
			if (!named) return refuse(`${quoted(word)} names no day; write groups as Mon-Fri / Sat-Sun.`);
			for (const day of named) {
				if (seen.has(day))
					return refuse(`${DAY_NAMES[day]} is there twice, in ${seen.get(day)} and ${quoted(block)}.`);
				seen.set(day, quoted(block));
				days.push(day);
			}
		}
		groups.push(days);
	}
	const missing = Array.from({ length: WEEK_DAYS }, (_, day) => day).filter((day) => !seen.has(day));
	if (missing.length > 0)
		return refuse(
			`${missing.map((day) => DAY_NAMES[day]).join(', ')} ${missing.length === 1 ? 'is' : 'are'} in no group.`
		);
	return { ok: true, value: groups };
}
