import { DAY_MINUTES } from '../week';
import { daysIn, inFigures, lengthIn, minuteIn } from './times';

/** From when until when it is to be warm, in minutes of a day. */
export interface WarmSpan {
	readonly from: number;
	readonly to: number;
}

/** A week as it was said. */
export interface SaidWeek {
	/** When it is to be warm, Monday first; null for a day of which nothing was said. */
	readonly days: readonly (readonly WarmSpan[] | null)[];
	/** Degrees that were named, as they were said; null for none. */
	readonly comfort: number | null;
	readonly eco: number | null;
	/** What was said, clause by clause, and whether it was understood. */
	readonly clauses: readonly { readonly words: string; readonly read: boolean }[];
	/** What is missing before a day can be drawn, for those days; empty where all is said. */
	readonly missing: readonly { readonly day: number; readonly what: 'up' | 'bed' }[];
}

/** A day as people tell it, in minutes. */
interface ToldDay {
	up: number | null;
	bed: number | null;
	out: WarmSpan[];
	/** Warm hours that were said as such. */
	warm: WarmSpan[];
	/** Left alone. */
	off: boolean;
}

const ENDS = /[,;!?]|\.(?!\d|m\b)|\bbut\b|\bthen\b|\band (?!a half)/i;
const SCOPE =
	/\b(week ?days?|working days?|week-?ends?|every ?day|all week|daily|(?:mon|tues|wednes|thurs|fri|satur|sun)days?|(?:Mon|Tue|Wed|Thu|Fri|Sat|Sun)\b)/i;
const UP = /\b(up|get up|gets up|rise|awake|wakes?|alarm)\b/;
const BED = /\b(bed|asleep|turn in|lights out|sleep)\b/;
const OUT =
	/\b(out|away|at work|at school|gone|nobody (?:home|in|there)|empty|leaves?|leaving|off to work)\b/;
const BACK = /\b(back|home (?:again )?(?:at|from|by)|in again|return(?:s|ing)?)\b/;
const HOME = /\b(home|in|at home)\b.*\b(all day|the whole day)\b|\ball day (at )?home\b|\bnever out\b/;
const WARM = /\b(warm|heat(?:ed|ing)?|on|cosy|used|open)\b/;
const NOT = /\b(not|never|nobody|no one|closed|shut|unused|off)\b/;

/** A bare time, in words or figures. */
const timeOf = (text: string): number | null => minuteIn(` at ${text.trim()} `);
/** Two times with "to" or "until" between them; "ten to eight" is one. */
function pairIn(text: string): readonly [number, number] | null {
	const both = /([\w:. ]+?)\s*(?:\b(?:to|till|until|and)\b|[-–])\s*([\w:. ]+)/.exec(
		text.replace(/^.*?\b(?:from|between)\b/, '')
	);
	if (!both) return null;
	const first = both[1]!.trim().split(' ').slice(-3);
	const isOne =
		/(?:^|\s)(five|ten|quarter|twenty|twenty-five|\d{1,2})$/.test(both[1]!.trim()) &&
		!/\b(from|between)\b/.test(text);
	const from = first.map((_, i) => timeOf(first.slice(i).join(' '))).find((at) => at !== null) ?? null;
	const to = timeOf(both[2]!.trim().split(' ').slice(0, 4).join(' '));
	if (from === null || to === null || (isOne && timeOf(both[0].trim()) !== null)) return null;
	return [from, to];
}
const isAfternoon = (text: string) => /\b(evening|afternoon|night|tonight)\b/.test(text);
/** The later one of two times lies after the first. */
const after = (from: number, to: number) =>
	to > from ? to : to + DAY_MINUTES / 2 > from ? to + DAY_MINUTES / 2 : to + DAY_MINUTES;
/** A time in the evening or after midnight, as a minute of the day that it ends. */
const lateTime = (at: number) =>
	at < 240 ? at + DAY_MINUTES : at < DAY_MINUTES / 2 ? at + DAY_MINUTES / 2 : at;

const copy = (day: ToldDay): ToldDay => ({ ...day, out: [...day.out], warm: [...day.warm] });

/** A clause about some days, with the times that it names. */
interface Telling {
	readonly text: string;
	readonly pair: readonly [number, number] | null;
	readonly one: number | null;
	/** Changes each of the days; true, for what was understood. */
	readonly all: (change: (day: ToldDay) => void) => true;
}

/** When people are up, out, back and in bed; null where the clause speaks of none of it. */
function comingsIn({ text, pair, one, all }: Telling): boolean | null {
	if (HOME.test(text)) return all((day) => ((day.out = []), (day.off = false)));
	if (OUT.test(text) && !/\blights out\b/.test(text)) {
		if (pair) {
			const isLate = isAfternoon(text) && pair[1] < 720 && pair[0] < pair[1];
			const from = isLate ? pair[0] + 720 : pair[0];
			return all((day) => (day.out = [...day.out, { from, to: after(from, pair[1]) }]));
		}
		if (one !== null) return all((day) => (day.out = [...day.out, { from: one, to: DAY_MINUTES }]));
		return /\ball day\b/.test(text) ? all((day) => ((day.off = true), (day.warm = []))) : false;
	}
	if (one === null) return null;
	if (BED.test(text)) return all((day) => (day.bed = lateTime(one)));
	if (UP.test(text)) return all((day) => ((day.up = one), (day.off = false)));
	if (BACK.test(text))
		return all((day) => {
			const last = day.out.at(-1);
			if (last) {
				const to = Math.min(DAY_MINUTES, after(last.from, one));
				day.out = [...day.out.slice(0, -1), { from: last.from, to }];
			} else day.up = one;
		});
	return null;
}

/** What a clause makes of the days that it speaks of. Returns whether it was understood. */
function tell(text: string, days: readonly ToldDay[], isWarm: boolean): boolean {
	// what is left of a day rests where warm hours were told
	if (/\brest of\b/.test(text)) return isWarm;
	const all = (change: (day: ToldDay) => void): true => {
		days.forEach(change);
		return true;
	};
	const pair = pairIn(text);
	const one = minuteIn(text) ?? timeOf(text.replace(/^.*\b(up|bed|out|back|home|from|noon)\b/, ''));
	const shift = /\b(earlier|sooner|later)\b/.exec(text);
	const by = shift && lengthIn(text);
	if (shift && by) {
		const minutes = shift[1] === 'later' ? by : -by;
		return all((day) => {
			day.warm = day.warm.map((span, i) => (i === 0 ? { ...span, from: span.from + minutes } : span));
			if (day.warm.length === 0 && day.up !== null) day.up += minutes;
		});
	}
	const comings = comingsIn({ text, pair, one, all });
	if (comings !== null) return comings;
	if (pair && (isWarm || WARM.test(text) || /\b(from|between)\b/.test(text))) {
		const from = isAfternoon(text) && pair[0] < 720 && pair[0] >= 60 ? pair[0] + 720 : pair[0];
		return all((day) => (day.warm = [...day.warm, { from, to: after(from, pair[1]) }]));
	}
	const until = /\b(?:until|till) ([\w:. ]+)/.exec(text);
	const end = until && !/\bfrom\b/.test(text) ? timeOf(until[1]!) : null;
	if (end !== null && isWarm)
		return all((day) => {
			const last = day.warm.at(-1);
			if (last) day.warm = [...day.warm.slice(0, -1), { from: last.from, to: after(last.from, end) }];
		});
	// Fridays from noon: home, and so warm, from then on
	if (one !== null && /\b(from|noon)\b/.test(text))
		return all((day) => {
			const last = day.out.at(-1);
			if (last && last.from < one) day.out = [...day.out.slice(0, -1), { from: last.from, to: one }];
			else if (day.warm.length > 0) day.warm = [{ from: one, to: Math.max(one + 1, day.warm.at(-1)!.to) }];
			else day.up = one;
		});
	return NOT.test(text) && one === null ? all((day) => ((day.off = true), (day.warm = []))) : false;
}

/** The warm hours of a day as it was told; null where something is missing for it. */
function spansOf(day: ToldDay): WarmSpan[] | 'up' | 'bed' {
	if (day.off) return [];
	if (day.warm.length > 0) return [...day.warm].sort((a, b) => a.from - b.from);
	if (day.up === null) return 'up';
	if (day.bed === null) return 'bed';
	const spans: WarmSpan[] = [];
	let from = day.up;
	for (const out of [...day.out].sort((a, b) => a.from - b.from)) {
		if (out.from > from) spans.push({ from, to: Math.min(out.from, day.bed) });
		from = Math.max(from, out.to);
	}
	if (from < day.bed) spans.push({ from, to: day.bed });
	return spans;
}

const DEGREES = /\b(\d{2}(?:\.\d)?)\b(?!\s*(?:[:.]\d|am|pm|o.?clock|minutes?|hours?))/;

/** What a household says of its week, as hours in which it is warm. What a day shares with those told before (up, bed) need not be said again. */
export function hearWeek(spoken: string): SaidWeek {
	const told: (ToldDay | null)[] = Array<null>(7).fill(null);
	let scope: readonly number[] = [0, 1, 2, 3, 4, 5, 6];
	/** Whether the clause before named days and nothing else: those of the next come to them. */
	let goesOn = false;
	/** Whether hours of warmth were told last: two times by themselves are more of them. */
	let isWarm = false;
	/** What was told last with no days named, and how it stood before: days that follow it are its own. */
	let open: { readonly rest: string; readonly was: (ToldDay | null)[]; readonly isWarm: boolean } | null =
		null;
	let comfort: number | null = null;
	let eco: number | null = null;
	let latest: ToldDay | null = null;
	const clauses = spoken
		.replace(/[’`]/g, "'")
		.replace(/\bbetween ([\w:. ]{1,16}?) and\b/gi, 'from $1 to')
		.split(ENDS)
		.map((words) => words.trim())
		.filter((words) => words !== '')
		.map((words) => {
			const text = ` ${words.toLowerCase()} `;
			const names = SCOPE.test(words);
			const rest = text.replace(new RegExp(SCOPE.source, 'gi'), ' ').replace(/\bto (?= )/, ' ');
			const figure = DEGREES.exec(inFigures(text));
			const isLevel = /\b(eco|setback|comfort|degrees|°)\b|\d (at night|when)\b/.test(inFigures(text));
			if (figure && isLevel) {
				if (/\b(eco|setback|night|out|asleep)\b/.test(text)) eco = Number(figure[1]);
				else comfort = Number(figure[1]);
				return { words, read: true };
			}
			const isDaysAlone = names && /^\s*(on|at|and|to|-|–)?\s*$/.test(rest);
			const again = isDaysAlone && !goesOn ? open : null;
			if (names) scope = goesOn ? [...new Set([...scope, ...daysIn(words)])] : daysIn(words);
			goesOn = isDaysAlone && !again;
			if (goesOn) return { words, read: true };
			again?.was.forEach((day, i) => (told[i] = day));
			const was = told.map((day) => day && copy(day));
			const warm = isWarm && latest && /\b(until|till)\b/.test(text) ? latest.warm : [];
			const days = scope.map((day) => {
				// what nobody said otherwise is as on the days before
				told[day] ??= latest
					? { ...copy(latest), out: names ? [] : latest.out, warm: [...warm], off: false }
					: { up: null, bed: null, out: [], warm: [], off: false };
				return told[day];
			});
			const read = again ? tell(again.rest, days, again.isWarm) : tell(rest, days, isWarm);
			open = read && !names ? { rest, was, isWarm } : null;
			if (read) {
				latest = days[0]!;
				isWarm = latest.warm.length > 0;
			} else was.forEach((day, i) => (told[i] = day));
			return { words, read };
		});
	const made = told.map((day) => day && spansOf(day));
	return {
		days: made.map((spans) => (Array.isArray(spans) ? spans : null)),
		comfort,
		eco,
		clauses,
		missing: made.flatMap((spans, day) => (spans === 'up' || spans === 'bed' ? [{ day, what: spans }] : []))
	};
}
