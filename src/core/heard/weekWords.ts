import { ALL_DAYS, daysBetween, inFigures, lengthIn, spokenTime, WEEKDAYS, WORKING_DAYS } from './times';

/** What people and hours do, as a verb says it. */
export type Doing = 'up' | 'bed' | 'out' | 'back' | 'home' | 'warm' | 'open' | 'close' | 'off';
export type Part = 'morning' | 'afternoon' | 'evening' | 'night';

/** A word or some of them, as they count for a week. */
export type Word = {
	readonly said: string;
	/** Where in its clause it begins. */
	readonly begins: number;
} & (
	/** A time of day; `pair` where it may as well be two: ten to eight. `isExact`: it says which half of the day. */
	| {
			readonly is: 'time';
			readonly at: number;
			readonly isExact: boolean;
			readonly pair: readonly [number, number] | null;
	  }
	/** A number that may be an hour or degrees. */
	| { readonly is: 'number'; readonly value: number }
	| { readonly is: 'days'; readonly days: readonly number[] }
	/** The other days, of these. */
	| { readonly is: 'others'; readonly days: readonly number[] }
	| { readonly is: 'part'; readonly part: Part }
	| { readonly is: 'length'; readonly minutes: number }
	/** Minutes past an hour that was named before: out by half past. */
	| { readonly is: 'past'; readonly minutes: number }
	| { readonly is: 'doing'; readonly doing: Doing }
	| {
			readonly is:
				| 'from' | 'to' | 'until' | 'at' | 'by' | 'and' | 'except' | 'same' | 'not' | 'all day' | 'rest' | 'when' | 'late'
				| 'earlier' | 'later' | 'degrees' | 'eco' | 'comfort' | 'keep' | 'small' | 'other';
	  }
); // prettier-ignore

const DAY = `(?:${WEEKDAYS.join('|')}|tues|thurs|${WEEKDAYS.map((name) => name.slice(0, 3)).join('|')})s?(?![a-z])`;
const ONE_DAY = new RegExp(DAY, 'iy');
const RANGE = new RegExp(`(${DAY})\\s*(?:to|until|till|through|-|–)\\s*(${DAY})`, 'iy');

/** What is read of days: what stands, and the days; for the others those of which they are. */
const DAYS: readonly (readonly [RegExp, readonly number[], 'days' | 'others'])[] = [
	[/(?:otherwise (?:on )?|(?:the |all )?other )(?:week|working )days?\b/iy, WORKING_DAYS, 'others'],
	[/(?:the |all |every )?other days?\b|(?:the )?rest of the week\b|the others\b/iy, ALL_DAYS, 'others'],
	[/(?:every ?day|all week|daily|each day|(?:all )?seven days|every(?= (?:morning|afternoon|evening|night)))\b/iy, ALL_DAYS, 'days'],
	[/week ?days?\b|working days?\b|(?:in|during) the week\b(?! ?end)/iy, WORKING_DAYS, 'days'],
	[/(?:the )?week-?ends?\b/iy, [5, 6], 'days']
]; // prettier-ignore

const DOINGS: readonly (readonly [Doing, RegExp])[] = [
	['home', /never out\b|(?:at )?home all (?:day|the time)\b|in all day\b|all day (?:at )?home\b/y],
	['off', /(?:closed|shut|unused|nothing|left alone|leave (?:it|this|them) off|(?:it is |it's )?not (?:used|in use|open|needed)|nobody (?:lives|stays|is|comes) (?:here|there)|no one (?:lives|stays) (?:here|there))\b/y],
	['out', /(?:out|away|at work|at school|gone|nobody (?:home|in|there|here)|no one (?:home|in|there)|empty|leaves?|leaving|off to (?:work|school)|school run)\b(?! of)/y],
	['close', /(?:closes|closing|close|shuts|ends?|ending|finish(?:es)?|off)\b/y],
	['up', /(?:(?:gets?|getting) )?up\b|(?:rises?|awake|wakes?(?: up)?|alarm|comes? down|downstairs|lie in)\b/y],
	['bed', /(?:in |to |goes to )?(?:bed(?:time)?(?! [1-6]\b(?![:.]))|asleep|turns? in|lights out|sleeps?)\b/y],
	['back', /(?:back(?! (?:bed|room|kitchen|door|hall))|home again|in again|home|returns?|returning)\b/y],
	['open', /(?:opens|starts?|begins?)\b/y],
	['warm', /(?:warm|heat(?:ed|ing)?|on(?= (?:at|by|from))|cosy|used|in use|open|opening|let(?! me| us| you)|runs?)\b/y]
]; // prettier-ignore

const PLAIN: readonly (readonly [Word['is'], RegExp])[] = [
	['all day', /all day\b|the whole day\b/y],
	['rest', /(?:for )?(?:the )?rest of (?:the )?(?:day|time)\b|otherwise\b/y],
	['except', /(?:except|apart from|but not|other than)(?: (?:on|for))?\b/y],
	['same', /the same(?: as)?\b|as (?:on)?\b(?= \w+days?\b)|like(?= \w+day)/y],
	['not', /(?:not|never|don't|doesn't|isn't|aren't)\b/y],
	['earlier', /(?:earlier|sooner)\b/y],
	['later', /later\b/y],
	['late', /late\b(?! opening)/y],
	['from', /(?:from|between|after)\b/y],
	['until', /(?:until|till)\b/y],
	['by', /(?:by|before)\b/y],
	['to', /to\b|[-–]/y],
	['at', /(?:at|about|around|is)\b/y],
	['and', /(?:and|&)(?! a half)(?=\W)/y],
	['when', /when\b|while\b/y],
	['degrees', /degrees?\b|°\s*[CF]?/iy],
	['eco', /(?:eco|setback|low(?:ered)?)\b/y],
	['comfort', /comfort\b/y],
	['keep', /(?:keep|kept|hold|held|set)(?: (?:it|them|at|to))*\b/y],
	['small', /(?:the|a|an|we|i|they|he|she|it|are|am|be|our|my|in|of|on|for|have|has|with|again|only|just|there|here|usually|please|so|also|who|o.?clock)\b|'(?:s|re|m|ll|ve|d)\b/y]
]; // prettier-ignore

const PART =
	/(?:in the |at |every |each |tomorrow )?(morning|afternoon|evening|night)s?\b|(in the day(?:time)?|by day)\b/y;
const LENGTH =
	/(?:(?:half an|an|one|two|three|\d+(?:\.\d)?) hours?(?: and a half)?|a? ?quarter of an hour|(?:\d+|ten|fifteen|twenty|thirty|forty|forty-five) min(?:ute)?s?)\b/y;
const NUMBER =
	/\d+(?:\.\d)?(?![\d:])|(?:twenty|thirty)?[- ]?(?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|thirteen|fourteen|fifteen|sixteen|seventeen|eighteen|nineteen)(?: and a half)?\b|twenty\b/y;

/** Who comes and goes without living there: of them nothing is warm. */
export const OTHERS_TIMES =
	/\b(call|ring|phone|cat|dog|engineer|plumber|electrician|boiler man|deliver\w*|parcel|was|were|had|turned|(?:work|bus|train|film|match|news) (?:starts|begins|ends|finishes|leaves))\b/i;

/** A word without its place. */
type Bare = Word extends infer One ? (One extends Word ? Omit<One, 'begins'> : never) : never;

/** What a pattern finds just here. */
function here(pattern: RegExp, text: string, at: number): RegExpExecArray | null {
	pattern.lastIndex = at;
	return pattern.exec(text);
}

/** The word that begins at a place of a text, in small letters and as it was said. */
function wordAt(text: string, said: string, at: number): Bare {
	const of = (length: number) => said.slice(at, at + length);
	const range = here(RANGE, said, at);
	if (range) return { is: 'days', days: daysBetween(range[1]!, range[2]!), said: range[0] };
	for (const [pattern, days, is] of DAYS) {
		const found = here(pattern, text, at);
		if (found) return { is, days, said: found[0] };
	}
	const [day] = here(ONE_DAY, said, at) ?? [];
	// short ones with a capital: who sat in the sun names no day
	if (day && (day.length > 5 || /^[A-Z]/.test(day)))
		return { is: 'days', days: daysBetween(day, day), said: day };
	for (const [doing, pattern] of DOINGS) {
		const found = here(pattern, text, at);
		if (found) return { is: 'doing', doing, said: found[0] };
	}
	const part = here(PART, text, at);
	if (part) return { is: 'part', part: (part[1] as Part | undefined) ?? 'morning', said: part[0] };
	const length = here(LENGTH, text, at);
	if (length) return { is: 'length', minutes: lengthIn(length[0])!, said: of(length[0].length) };
	const time = spokenTime(text, at);
	if (time)
		return { is: 'time', at: time.minute, isExact: time.isExact, pair: time.pair, said: of(time.length) };
	const past = here(/(half|quarter) past\b/y, text, at);
	if (past) return { is: 'past', minutes: past[1] === 'half' ? 30 : 15, said: of(past[0].length) };
	const number = here(NUMBER, text, at);
	if (number) return { is: 'number', value: Number(inFigures(number[0])), said: number[0] };
	for (const [is, pattern] of PLAIN) {
		const found = here(pattern, text, at);
		if (found) return { is, said: found[0] } as Bare;
	}
	return { is: 'other', said: /[\w']+|\S/y.exec(said.slice(at))?.[0] ?? said.charAt(at) };
}

/** A clause as the words that count for a week, in their order. */
export function weekWords(clause: string): Word[] {
	const text = clause.toLowerCase();
	const words: Word[] = [];
	for (let at = 0; at < clause.length;) {
		if (/\s/.test(clause.charAt(at))) {
			at++;
			continue;
		}
		const word = wordAt(text, clause, at);
		words.push({ ...word, begins: at });
		at += Math.max(1, word.said.length);
	}
	return words;
}
