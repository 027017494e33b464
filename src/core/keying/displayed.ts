import { displayTime, type ControlOptions } from '../control';

/** What a person read from a display, put as the plan writes it; or why it can be no such value, in a sentence. */
export type Displayed = { readonly value: string } | { readonly sentence: string };

const CLEARED = '--:--';
const quote = (text: string) => `“${text.length > 20 ? `${text.slice(0, 19)}…` : text}”`;

/** Minutes of a time as it stands on a display: `6:30`, `06:30`, `6.30`, `0630`, `6:30 pm`; null for anything else. */
function minutesOf(text: string): { readonly minute: number; readonly half: boolean } | null {
	const match = /^(\d{1,2}?)[:. ]?(\d{2}) ?([ap])?\.?m?\.?$/i.exec(text);
	if (!match) return null;
	const [hour, minute, half] = [Number(match[1]), Number(match[2]), match[3]?.toLowerCase()];
	if (minute > 59) return null;
	if (half)
		return hour >= 1 && hour <= 12
			? { minute: ((hour % 12) + (half === 'p' ? 12 : 0)) * 60 + minute, half: true }
			: null;
	return hour < 24 || (hour === 24 && minute === 0) ? { minute: hour * 60 + minute, half: false } : null;
}

/**
 * Reads what a display was seen to show in the place of a planned value: a time in the control's own clock format, an
 * hour or minute alone, a temperature in its unit, or one of the words that can stand there. What can be no such value
 * (`29:00`, `abc`) is refused with a sentence; what is meant for certain (`0630`, `20,5`, `comfort`) is taken.
 */
export function readDisplayed(
	planned: { readonly id: string; readonly shows: string; readonly unit: string },
	typed: string,
	options: ControlOptions,
	words: readonly string[]
): Displayed {
	const text = typed
		.trim()
		.replace(/\s+/g, ' ')
		.replace(/(\d),(\d)/, '$1.$2');
	const plain = text.toLowerCase();
	if (plain === planned.shows.toLowerCase()) return { value: planned.shows };
	if (/^[-–—: ]+$/.test(text)) return { value: CLEARED };
	const isTime = /\d:\d\d|^--:--$/.test(planned.shows);
	if (isTime) {
		const read = minutesOf(plain);
		if (!read) return { sentence: `${quote(typed)} is no time that a display shows; write it as 06:30.` };
		if (options.clock === '12' && !read.half)
			return { sentence: `${quote(typed)}: is it am or pm? Write it as 6:30 am.` };
		return { value: displayTime(read.minute, options.clock) };
	}
	if (planned.unit.startsWith('°')) {
		const figure = Number(plain.replace(/ ?°? ?[cf]?$/, ''));
		if (text === '' || !Number.isFinite(figure) || figure < -40 || figure > 200)
			return { sentence: `${quote(typed)} is no temperature.` };
		return { value: options.unit === 'F' ? String(Math.round(figure)) : figure.toFixed(1) };
	}
	if (/\/hour$/.test(planned.id)) {
		const match = /^(\d{1,2})(?: ?([ap])m?)?$/.exec(plain);
		const hour = match ? Number(match[1]) : NaN;
		const twelve = options.clock === '12';
		if (!match || (twelve ? hour < 1 || hour > 12 : hour > 24))
			return { sentence: `${quote(typed)} is no hour.` };
		if (!twelve) return { value: String(hour).padStart(planned.shows.length > 1 ? 2 : 1, '0') };
		return match[2]
			? { value: `${hour} ${match[2]}m` }
			: { sentence: `${quote(typed)}: is it am or pm? Write it as 6 am.` };
	}
	if (/\/minute$/.test(planned.id)) {
		const minute = /^\d{1,2}$/.test(plain) ? Number(plain) : NaN;
		return minute <= 59
			? { value: String(minute).padStart(2, '0') }
			: { sentence: `${quote(typed)} is no minute.` };
	}
	const meant = words.filter((word) => word.toLowerCase().startsWith(plain));
	const exact = words.find((word) => word.toLowerCase() === plain);
	if (exact ?? (plain !== '' && meant.length === 1)) return { value: exact ?? meant[0]! };
	return { sentence: `${quote(typed)} is nothing that stands there: ${words.join(', ')}.` };
}
