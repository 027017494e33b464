const NUMBERS = [
	'twelve', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven'
]; // prettier-ignore
const HOUR = `(\\d{1,2}|${NUMBERS.join('|')})`;
/** What a figure after an hour's place makes of it: no hour. */
const NO_HOUR =
	'(?![.:]?\\d|\\s*(?:°|%|degrees?|minutes?|mins?|hours?|h\\b|days?|weeks?|months?|times?|rooms?|radiators?|rads?|of the))';
const HALF_DAY = '(?:\\s*(am|pm|a\\.m\\.|p\\.m\\.)(?![a-z]))?';
const MINUTES: Readonly<Record<string, number>> = {
	five: 5,
	ten: 10,
	quarter: 15,
	twenty: 20,
	'twenty-five': 25
};
const TO_TIME =
	'(?:at|about|around|by|until|till?|to|before|after|from|between|and|gone|nearly|towards|only|says|shows|reads|is|nor)';

/** How a clock time is said in words and figures, British and Irish (common practice): what stands, and its hour and minute. */
const SPOKEN: readonly (readonly [RegExp, (found: RegExpExecArray) => readonly [hour: string, minute: number, half?: string | undefined]])[] = [
	[new RegExp(`\\b(\\d{1,2})[:.](\\d{2})(?![\\d°]|\\s*(?:°|degrees?))${HALF_DAY}`), ([, hour, minute, half]) => [hour!, Number(minute), half]],
	[new RegExp(`\\b(?:a )?(five|ten|quarter|twenty-five|twenty|\\d{1,2})(?: minutes?)? (past|after|to|till) ${HOUR}\\b${HALF_DAY}`), ([, by, way, hour, half]) => [hour!, (way === 'to' || way === 'till' ? -1 : 1) * (MINUTES[by!] ?? Number(by)), half]],
	[new RegExp(`\\bhalf (?:past )?${HOUR}\\b${HALF_DAY}`), ([, hour, half]) => [hour!, 30, half]],
	// just after it
	[new RegExp(`\\bback of ${HOUR}\\b${HALF_DAY}`), ([, hour, half]) => [hour!, 10, half]],
	[new RegExp(`\\b${HOUR}(?:\\s*o.?clock\\b|\\s*(am|pm|a\\.m\\.|p\\.m\\.)(?![a-z]))`), ([, hour, half]) => [hour!, 0, half]],
	[new RegExp(`\\b${TO_TIME} (?:about |around |only |nearly |just )*${HOUR}\\b${NO_HOUR}`), ([, hour]) => [hour!, 0]]
]; // prettier-ignore

/** A time as it stands in a text, whatever stands around it. */
export interface SpokenTime {
	readonly minute: number;
	/** How many letters of the text it is. */
	readonly length: number;
	/** Whether it says which half of the day it is. */
	readonly isExact: boolean;
	/** The two hours that it may as well be: ten to eight. */
	readonly pair: readonly [number, number] | null;
}

/** What needs no word before it to be a time: all but a bare hour; four figures, and an hour with its minutes in words. */
const BY_ITSELF: typeof SPOKEN = [
	...SPOKEN.slice(0, -1),
	[/\b([01]\d|2[0-3])([0-5]\d)\b/, ([, hour, minute]) => [hour!, Number(minute)]],
	[new RegExp(`\\b(${NUMBERS.join('|')}) (fifteen|twenty|thirty|forty-five|forty|fifty)\\b(?! (?:degrees|minutes))`), ([, hour, minute]) => [hour!, Number(inFigures(minute!))]]
]; // prettier-ignore
const HERE: typeof SPOKEN = BY_ITSELF.map(([of, read]) => [new RegExp(of.source, 'y'), read]);
const EITHER = new RegExp(`^(ten|five|twenty|\\d{1,2}) (?:to|till) ${HOUR}$`);

/** The time that begins at a place of a text in small letters; null for none. */
export function spokenTime(text: string, at: number): SpokenTime | null {
	const named = /(midnight)|noon|midday/y;
	named.lastIndex = at;
	const name = named.exec(text);
	if (name) return { minute: name[1] ? 0 : 720, length: name[0].length, isExact: true, pair: null };
	for (const [of, read] of HERE) {
		of.lastIndex = at;
		const found = of.exec(text);
		if (!found) continue;
		const [said, minute, half] = read(found);
		const hour = Number(inFigures(said));
		if (hour > 24 || Math.abs(minute) > 59) continue;
		const either = EITHER.exec(found[0])
			?.slice(1)
			.map((one) => Number(inFigures(one)) * 60);
		return {
			minute: minuteIn(found[0]) ?? hour * 60 + minute,
			length: found[0].length,
			isExact: half !== undefined || hour > 12 || /^0\d/.test(found[0]),
			pair: either ? [either[0]!, either[1]!] : null
		};
	}
	return null;
}

/**
 * The minute of the day that a text says, in words or figures; null for none. The part of the day that stands in the text decides
 * between morning and evening; where none does, the hour is taken as it was said. Half eight is 7:30 where `isHalfBefore`.
 */
export function minuteIn(text: string, isHalfBefore = false): number | null {
	if (/\bmidnight\b/.test(text)) return 0;
	if (/\b(noon|midday)\b/.test(text)) return 720;
	for (const [of, read] of SPOKEN) {
		const found = of.exec(text);
		if (!found) continue;
		const [said, minute, half] = read(found);
		const hour = NUMBERS.includes(said) ? NUMBERS.indexOf(said) || 12 : Number(said);
		if (hour > 24 || Math.abs(minute) > 59) continue;
		const isLate =
			half !== undefined
				? half.startsWith('p')
				: (/\b(evening|afternoon|tonight)/.test(text) && hour < 12) ||
					(/\bnight/.test(text) && hour >= 7 && hour < 12);
		const isEarly = half?.startsWith('a') || (/\bnight/.test(text) && hour === 12);
		const of24 = isLate && hour < 12 ? hour + 12 : isEarly && hour === 12 ? 0 : hour;
		const before = isHalfBefore && /^half (?!past)/.test(found[0]) ? 60 : 0;
		return (((of24 * 60 + minute - before) % 1440) + 1440) % 1440;
	}
	return null;
}

const TENS: Readonly<Record<string, number>> = {
	twenty: 20,
	thirty: 30,
	forty: 40,
	fifty: 50,
	sixty: 60,
	seventy: 70,
	eighty: 80,
	ninety: 90
};
const TEENS = ['thirteen', 'fourteen', 'fifteen', 'sixteen', 'seventeen', 'eighteen', 'nineteen'];
const UNITS = ['zero', ...NUMBERS.slice(1, 10)];

/** A text with its numbers in figures: minus six is -6, twenty-one and a half 21.5, an hour 1 hour. */
export function inFigures(text: string): string {
	const number = new RegExp(
		`\\b(minus )?(?:(${Object.keys(TENS).join('|')})(?:[- ](${UNITS.slice(1).join('|')}))?|(${[...TEENS, ...NUMBERS, 'zero'].join('|')}))( and a half)?\\b`,
		'g'
	);
	return text
		.replace(number, (_, minus, tens, unit, small, half) => {
			const of = tens
				? TENS[tens]! + (unit ? UNITS.indexOf(unit) : 0)
				: TEENS.includes(small)
					? TEENS.indexOf(small) + 13
					: small === 'zero'
						? 0
						: NUMBERS.indexOf(small) || 12;
			return `${minus ? '-' : ''}${of + (half ? 0.5 : 0)}`;
		})
		.replace(/\bminus (?=\d)/g, '-')
		.replace(/\bhalf an hour\b/g, '30 minutes')
		.replace(/\b(?:a )?quarter of an hour\b/g, '15 minutes')
		.replace(/\ban hour and a half\b/g, '90 minutes')
		.replace(/\b(an|the) hour\b/g, '1 hour');
}

/** How long a text says that something is, in minutes; null for nothing of the kind. */
export function lengthIn(text: string): number | null {
	const said = /\b(\d+(?:\.\d)?)\s*(minutes?|mins?|hours?|hrs?|h)\b/.exec(inFigures(text));
	return said ? Math.round(Number(said[1]) * (said[2]!.startsWith('m') ? 1 : 60)) : null;
}

/** From when until when, in minutes of the day, where both are said; null else. */
export function stretchIn(text: string): readonly [from: number, to: number] | null {
	const both = /\b(?:from|between)\s+([\w:. ]+?)\s+(?:until|till|to|and)\s+([\w:. ]+)/.exec(text);
	if (!both) return null;
	// the part of the day that is said counts for both
	const part = /\b(in the (morning|afternoon|evening)s?|at night|tonight)\b/.exec(text)?.[0] ?? '';
	const [from, to] = [both[1]!, both[2]!].map((time) => minuteIn(` at ${time} ${part} `));
	return from != null && to != null && from < to ? [from, to] : null;
}

/** The days of a week and those on which people work, 0 = Monday. */
export const ALL_DAYS: readonly number[] = [0, 1, 2, 3, 4, 5, 6];
export const WORKING_DAYS = ALL_DAYS.slice(0, 5);
export const WEEKDAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'];
const SHORT = WEEKDAYS.map((name) => name.slice(0, 3));

/** The days from one to another and both, by their names or the first three letters of them. */
export function daysBetween(...names: [first: string, last: string]): number[] {
	const [first, last] = names.map((name) => SHORT.indexOf(name.slice(0, 3).toLowerCase())) as [
		number,
		number
	];
	return ALL_DAYS.filter((day) =>
		first <= last ? day >= first && day <= last : day >= first || day <= last
	);
}

/** The one day that a text names; null for none or several. Of two letters or three with a capital too. */
export function dayIn(said: string): number | null {
	const days = daysIn(said);
	return days.length === 1 ? days[0]! : null;
}

/**
 * The days that are named; all of them where none is. What stands after "since" tells when it began, and the sun that shines is no Sunday:
 * days are said in full, or with a capital and no "the" before them.
 */
export function daysIn(said: string): number[] {
	const named = said.replace(/\b(since|until|back) (last |on )?\w+(day)?\b/gi, '');
	const text = named.toLowerCase();
	const found = new Set<number>();
	if (/\b(week ?days?|working days?)\b/.test(text)) WORKING_DAYS.forEach((day) => found.add(day));
	if (/\bweek-?ends?\b/.test(text)) [5, 6].forEach((day) => found.add(day));
	const day = `(?:${WEEKDAYS.join('|')})`;
	const run = new RegExp(`\\b(${day})s? (?:to|until|till|-) (${day})\\b`).exec(text);
	if (run) daysBetween(run[1]!, run[2]!).forEach((at) => found.add(at));
	WEEKDAYS.forEach((name, at) => {
		const short = SHORT[at]!.charAt(0).toUpperCase() + SHORT[at]!.slice(1);
		if (new RegExp(`\\b${name}s?\\b`).test(text) || new RegExp(`(?<!\\b[Tt]he )\\b${short}s?\\b`).test(named))
			found.add(at);
	});
	return found.size > 0 ? [...found].sort((a, b) => a - b) : [...ALL_DAYS];
}
