import { DAY_MINUTES } from '../week';
import { ALL_DAYS, WORKING_DAYS } from './times';
import { inFull, inPart, PartRead, partsOf, stayOf, type Open, type Said, type SaidTime } from './weekPart';
import { weekWords, type Word } from './weekWords';

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
	/** What was said, part by part, and whether it was understood. */
	readonly clauses: readonly { readonly words: string; readonly read: boolean }[];
	/** What is missing before a day can be drawn, for those days; empty where all is said. */
	readonly missing: readonly { readonly day: number; readonly what: 'up' | 'bed' }[];
}

/** A day as people tell it, in minutes. */
interface ToldDay {
	up: number | null;
	bed: number | null;
	back: number | null;
	/** Warm until nobody knows when: it is asked for. */
	isOpen: boolean;
	out: WarmSpan[];
	/** Warm hours that were said as such, and of how many days they were said. */
	warm: WarmSpan[];
	of: number;
	/** Left alone. */
	off: boolean;
	/** At home: gaps that were drawn before go. */
	isHome: boolean;
}

const NOTHING_TOLD: ToldDay = {
	up: null,
	bed: null,
	back: null,
	isOpen: false,
	out: [],
	warm: [],
	of: 0,
	off: false,
	isHome: false
};

const ENDS = /[,;!?]|:(?!\d)|\.(?!\d|m\b)|\bbut\b(?! not\b(?! before| until))|\bthen\b/i;
const HALF_DAY = DAY_MINUTES / 2;

/** The later one of two times lies after the first. */
const after = (from: number, { at, isExact }: SaidTime) =>
	at > from ? at : !isExact && at + HALF_DAY > from ? at + HALF_DAY : at + DAY_MINUTES;
/** A time in the evening or after midnight, as a minute of the day that it ends. */
const lateTime = ({ at, isExact }: SaidTime) =>
	at < 240 ? at + DAY_MINUTES : at < HALF_DAY && !isExact ? at + HALF_DAY : at;
/** The days of a week in their order, each once. */
const together = (...days: readonly number[]) => [...new Set(days)].sort((a, b) => a - b);

/** What is said, part by part, with the days that each is about. */
class Listener {
	readonly events: Said[] = [];
	readonly clauses: { readonly words: string; readonly read: boolean }[] = [];
	comfort: number | null = null;
	eco: number | null = null;
	/** The days that were named before what is told of them: they hold on. */
	#lead: readonly number[] | null = null;
	readonly #named = new Set<number>();
	/** Days by themselves: what is told next is told of them too. */
	#waiting: readonly number[] | null = null;
	#open: Open;
	/** From which event on what was told of no days may still get the days that follow by themselves. */
	#from = 0;

	constructor(spoken: string, isDrawn: boolean) {
		this.#open = { verb: null, part: null, isHeated: isDrawn, last: null };
		for (const sentence of spoken.replace(/[’`]/g, "'").split(/(?<=[;!?]|\.(?!\d|m\b))/)) {
			this.#from = this.events.length;
			for (const clause of sentence.split(ENDS)) this.#clause(clause);
		}
		if (this.#waiting) for (const event of this.events.slice(this.#from)) event.days ??= this.#waiting;
	}

	#clause(clause: string): void {
		const isWeek = /^(?:the )?week$/i.test(clause.trim());
		if (isWeek) this.#scope(WORKING_DAYS, false);
		else
			for (const part of partsOf(weekWords(clause))) {
				const words = inFull(part, this.#open.last);
				const last = words.at(-1);
				const text = last ? clause.slice(words[0]!.begins, last.begins + last.said.length) : '';
				if (text !== '') this.clauses.push({ words: text.replace(/^and /i, ''), read: this.#part(words) });
			}
	}

	#daysOf(words: readonly Word[]): number[] {
		return together(
			...words.flatMap((word) =>
				word.is === 'days'
					? word.days
					: word.is === 'others'
						? word.days.filter((day) => !this.#named.has(day))
						: []
			)
		);
	}

	/** Takes one part in. Returns whether it was understood. */
	#part(words: readonly Word[]): boolean {
		const stay = stayOf(words);
		if (stay) {
			this.events.push(...stay);
			this.#waiting = null;
			return true;
		}
		const part = new PartRead(words, this.#open);
		const leading = this.#daysOf(part.leading);
		const trailing = this.#daysOf(part.trailing);
		const days = [...leading, ...trailing];
		if (days.length < 7) days.forEach((day) => this.#named.add(day));
		const isExcept = words[0]?.is === 'except';
		// of the days that wait for what is told all but these
		const isLess = isExcept && this.#waiting !== null;
		const less = (from: readonly number[]) => from.filter((day) => !days.includes(day));
		if (isLess) this.#waiting = less(this.#waiting!);
		if (isExcept && part.said.length === 0) {
			const last = this.events.at(-1);
			if (!isLess && last) last.days = less(last.days ?? this.#lead ?? ALL_DAYS);
			return days.length > 0;
		}
		if (part.isScope) {
			this.#open = { ...this.#open, part: part.part ?? (days.length > 0 ? null : this.#open.part) };
			this.#scope(days, words[0]?.is === 'and');
			return true;
		}
		const own = isExcept ? [] : leading;
		if (own.length > 0 || (this.#waiting && part.isRead))
			this.#lead = together(...((part.isRead && this.#waiting) || []), ...own);
		if (!part.isRead) return false;
		this.#waiting = null;
		this.comfort = part.comfort ?? this.comfort;
		this.eco = part.eco ?? this.eco;
		this.#like(words, own);
		const theirs =
			isExcept && !isLess ? leading : trailing.length > 0 && own.length === 0 ? trailing : this.#lead;
		for (const one of part.said) this.events.push({ days: theirs, ...one });
		this.#open = part.open;
		return true;
	}

	/** Days by themselves: of what was told just before of none, else of what is told next. */
	#scope(days: readonly number[], goesOn: boolean): void {
		if (days.length === 0) return;
		const unscoped = this.events.slice(this.#from).filter((event) => event.days === null);
		if (!this.#waiting && unscoped.length > 0 && this.#lead === null && !goesOn) {
			unscoped.forEach((event) => (event.days = days));
			this.#from = this.events.length;
		} else this.#waiting = together(...(this.#waiting ?? []), ...days);
	}

	/** Days that are said to be the same as another. */
	#like(words: readonly Word[], own: readonly number[]): void {
		const same = words.findIndex(({ is }) => is === 'same');
		const other = same < 0 ? undefined : words.slice(same).find((word) => word.is === 'days');
		if (other?.is !== 'days' || own.length === 0) return;
		const day = other.days[0]!;
		if (this.events.some((event) => event.days?.includes(day) ?? true))
			this.events.push({ days: own, what: { is: 'like', day }, part: null });
		// what follows is told of both
		else this.#waiting = together(...own, ...other.days);
	}
}

/** What is said makes of a day. */
function tell(day: ToldDay, { what, part }: Said, of: number): void {
	const first = day.warm[0];
	const last = day.warm.at(-1);
	const end = (to: number) => (day.warm = [...day.warm.slice(0, -1), { from: last!.from, to }]);
	switch (what.is) {
		case 'up':
		case 'open': {
			const at = inPart(what.time, part);
			if (first) day.warm = day.warm.map((span, i) => (i === 0 ? { ...span, from: at } : span));
			else day.up = at;
			day.off = false;
			return;
		}
		case 'bed':
			if (last) end(lateTime(what.time));
			else day.bed = lateTime(what.time);
			return;
		case 'until':
		case 'close': {
			const time = { ...what.time, at: inPart(what.time, part) };
			const to = last && after(last.from, time);
			// whose end lies in the small hours was meant otherwise: it is asked for
			if (to && to >= DAY_MINUTES + 240) day.isOpen = true;
			else if (to) end(to);
			else day.bed = day.up === null ? lateTime(time) : after(day.up, time);
			return;
		}
		case 'out': {
			const from = inPart(what.time, part);
			day.out = [...day.out, { from, to: day.back !== null && day.back > from ? day.back : DAY_MINUTES }];
			return;
		}
		case 'back': {
			const gone = day.out.at(-1);
			if (gone)
				day.out = [
					...day.out.slice(0, -1),
					{ ...gone, to: Math.min(DAY_MINUTES, after(gone.from, what.time)) }
				];
			else day.back = what.time.at < 480 && !what.time.isExact ? what.time.at + HALF_DAY : what.time.at;
			return;
		}
		case 'from': {
			const at = inPart(what.time, part);
			const gone = day.out.at(-1);
			const next = day.warm.findIndex(({ from, to }) => from > at && to > at);
			if (gone && gone.from < at) day.out = [...day.out.slice(0, -1), { ...gone, to: at }];
			else if (next > 0) day.warm = day.warm.map((span, i) => (i === next ? { ...span, from: at } : span));
			else if (last) day.warm = [{ from: at, to: Math.max(at + 1, last.to) }];
			else day.up = at;
			day.off = false;
			return;
		}
		case 'asleep':
			day.bed = lateTime(what.from);
			day.up = what.to.at;
			return;
		case 'hours':
		case 'gone': {
			const was = what.is === 'gone' ? day.out : of < day.of ? [] : day.warm;
			const before = was.at(-1);
			const said = inPart(what.from, part);
			const isLater =
				before && !what.from.isExact && part === null && said < before.to && said + HALF_DAY >= before.to;
			const from = isLater ? said + HALF_DAY : said;
			const to = after(from, what.to);
			const span = { from, to: what.isAllDay && to - from < 360 ? to + HALF_DAY : to };
			if (what.is === 'gone') day.out = [...was, span];
			else {
				day.warm = [...was, span];
				day.of = of;
				day.off = false;
			}
			return;
		}
		case 'shift':
			if (what.end && last) end(last.to + what.by);
			else if (what.end && day.bed !== null) day.bed += what.by;
			else if (first)
				day.warm = day.warm.map((span, i) => (i === 0 ? { ...span, from: span.from + what.by } : span));
			else if (day.up !== null) day.up += what.by;
			return;
		case 'till late':
			day.isOpen = true;
			return;
		case 'home':
			day.out = [];
			day.isHome = true;
			day.off = false;
			return;
		case 'off':
			day.off = true;
			day.warm = [];
	}
}

/** Whether a day was told from its beginning to its end. */
const isWhole = ({ up, bed, of }: ToldDay) => of > 0 || (up !== null && bed !== null);

/** Hours without those in which nobody is there. */
function without(hours: readonly WarmSpan[], gone: readonly WarmSpan[]): WarmSpan[] {
	return gone.reduce<readonly WarmSpan[]>(
		(left, { from, to }) =>
			left.flatMap((span) => [
				...(span.from < Math.min(from, span.to) ? [{ from: span.from, to: Math.min(from, span.to) }] : []),
				...(span.to > Math.max(to, span.from) ? [{ from: Math.max(to, span.from), to: span.to }] : [])
			]),
		hours
	) as WarmSpan[];
}

/** The warm hours of a day as it was told, of what was drawn before where they are less than a day; null where something is missing for it. */
function spansOf(day: ToldDay, drawn: readonly WarmSpan[] | null): WarmSpan[] | 'up' | 'bed' {
	if (day.off) return [];
	if (day.isOpen) return day.up === null && day.warm.length === 0 ? 'up' : 'bed';
	if (day.warm.length > 0)
		return without(
			[...day.warm].sort((a, b) => a.from - b.from),
			day.out
		);
	const known = drawn && drawn.length > 0 ? { first: drawn[0]!, last: drawn.at(-1)! } : null;
	const up = day.up ?? known?.first.from ?? day.back;
	const bed = day.bed ?? known?.last.to ?? null;
	if (up === null) return 'up';
	if (bed === null) return 'bed';
	// gaps that were drawn stay where nothing else is said of them
	const gaps =
		!known || isWhole(day) || day.isHome || day.out.length > 0
			? []
			: drawn!.slice(1).map(({ from }, i) => ({ from: drawn![i]!.to, to: from }));
	// who is up is no longer away
	const left = gaps.filter(({ from, to }) => day.up === null || day.up <= from || day.up >= to);
	return without([{ from: up, to: bed }], [...left, ...day.out]);
}

/**
 * What a household says of its week, as hours in which it is warm. What a day shares with those told before (up, bed) need not be said again.
 * With `drawn`, the warm hours of a week that stands already (null for a day that hours alone do not tell), less than a whole day corrects that.
 */
export function hearWeek(
	spoken: string,
	drawn: readonly (readonly WarmSpan[] | null)[] | null = null
): SaidWeek {
	const { events, clauses, comfort, eco } = new Listener(spoken, drawn !== null);
	const told: (ToldDay | null)[] = Array<null>(7).fill(null);
	let latest: ToldDay | null = null;
	/** The days of which was told so far, by their names. */
	let so: readonly number[] = [];
	for (const event of events) {
		const days: readonly number[] = event.days ?? (so.length > 0 ? so : ALL_DAYS);
		so = event.days === null ? days : together(...so, ...event.days);
		const { what } = event;
		for (const at of days) {
			const other = what.is === 'like' ? told[what.day] : null;
			if (what.is === 'like') {
				if (other) told[at] = { ...other };
				continue;
			}
			const goesOn: boolean = ['until', 'open', 'close', 'shift', 'from'].includes(what.is);
			const own = drawn?.[at];
			// a day that is drawn is corrected from itself, unless days before were told anew and whole
			const like: ToldDay | null = !own || (latest && isWhole(latest)) ? latest : null;
			told[at] ??= like
				? {
						...like,
						out: event.days ? [] : like.out,
						warm: goesOn || !event.days ? like.warm : [],
						off: false,
						isHome: false
					}
				: { ...NOTHING_TOLD, warm: goesOn ? [...(own ?? [])] : [] };
			tell(told[at], event, days.length);
		}
		const first = days.length > 0 ? told[days[0]!] : null;
		if (first) latest = { ...first };
	}
	const made = told.map((day, at) => day && spansOf(day, drawn?.[at] ?? null));
	return {
		days: made.map((spans) => (Array.isArray(spans) ? spans : null)),
		comfort,
		eco,
		clauses,
		missing: made.flatMap((spans, day) => (spans === 'up' || spans === 'bed' ? [{ day, what: spans }] : []))
	};
}
