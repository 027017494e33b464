import { DAY_MINUTES } from '../week';
import { OTHERS_TIMES, type Doing, type Part, type Word } from './weekWords';

/** A time that was said, in minutes of a day. */
export interface SaidTime {
	readonly at: number;
	/** Whether the half of the day was said with it. */
	readonly isExact: boolean;
}

/** What is said of some days. */
export type What =
	| { readonly is: Exclude<Doing, 'home' | 'off'> | 'from' | 'until'; readonly time: SaidTime }
	| {
			readonly is: 'hours' | 'gone' | 'asleep';
			readonly from: SaidTime;
			readonly to: SaidTime;
			readonly isAllDay: boolean;
	  }
	| { readonly is: 'shift'; readonly by: number; readonly end: boolean }
	| { readonly is: 'like'; readonly day: number }
	| { readonly is: 'home' | 'off' | 'till late' };

export interface Said {
	/** null where no days were named for it. */
	days: readonly number[] | null;
	readonly what: What;
	readonly part: Part | null;
}

const HALF_DAY = DAY_MINUTES / 2;

/** A time in the part of the day that was said with it. */
export const inPart = ({ at, isExact }: SaidTime, part: Part | null): number =>
	!isExact && part && part !== 'morning' && at < HALF_DAY && at >= (part === 'night' ? 300 : 60)
		? at + HALF_DAY
		: at;

const isTime = (word: Word | undefined): word is Word & { is: 'time' | 'number' } =>
	word?.is === 'time' || (word?.is === 'number' && Number.isInteger(word.value) && word.value <= 24);
const timeOf = (word: Word & { is: 'time' | 'number' }): SaidTime =>
	word.is === 'time' ? word : { at: (word.value * 60) % DAY_MINUTES, isExact: word.value > 12 };
/** Words that may stand anywhere: how many others a clause without a verb may have, so that its hours are hours of use. */
const MOST_OTHER_WORDS = 3;

/** Degrees that words name at a place, and whether they are the lower ones; null where the number there is none. */
function levelAt(words: readonly Word[], i: number): 'comfort' | 'eco' | null {
	const word = words[i]!;
	if (word.is !== 'number' || word.value < 5 || word.value > 95) return null;
	const next = words[i + 1];
	const further = next?.is === 'degrees' ? words[i + 2] : next;
	const ruled = words[i - 1]?.is;
	const isHour = ruled === 'at' || ruled === 'by' || ruled === 'from' || ruled === 'until' || ruled === 'to';
	if (isHour && word.value <= 12 && next?.is !== 'degrees') return null;
	const isLow =
		ruled === 'eco' ||
		further?.is === 'eco' ||
		further?.is === 'rest' ||
		(further?.is === 'part' && further.part === 'night') ||
		(further?.is === 'when' &&
			words.some((one) => one.is === 'doing' && (one.doing === 'out' || one.doing === 'bed')));
	const isSaid =
		isLow ||
		next?.is === 'degrees' ||
		ruled === 'comfort' ||
		ruled === 'keep' ||
		further?.is === 'when' ||
		(further?.is === 'part' && word.value >= 13);
	return isSaid ? (isLow ? 'eco' : 'comfort') : null;
}

/** What one time by itself tells, by its verb and the word before it. */
function single(
	verb: Doing | null,
	lead: Word['is'] | null,
	isNot: boolean,
	isHeated: boolean
): What['is'] | null {
	if (isNot) return lead === 'by' || lead === 'until' ? 'up' : null;
	const ends = lead === 'until';
	switch (verb) {
		case 'up':
			return 'up';
		case 'bed':
			return ends ? 'up' : 'bed';
		case 'out':
			return ends ? 'back' : 'out';
		case 'back':
			return ends ? 'out' : 'back';
		case 'open':
		case 'warm':
			return ends ? 'close' : 'open';
		case 'close':
		case 'off':
			return ends ? 'open' : 'close';
		default:
			return ends ? (isHeated ? 'until' : null) : lead === 'from' ? 'from' : null;
	}
}

/** Words with minutes past an hour that was named before as times. */
export function inFull(words: readonly Word[], before: number | null): Word[] {
	let last = before;
	return words.map((word) => {
		if (word.is === 'past' && last !== null) {
			const at = Math.floor(last / 60) * 60 + word.minutes;
			return { ...word, is: 'time', at: at < last ? at + 60 : at, isExact: false, pair: null };
		}
		if (isTime(word)) last = timeOf(word).at;
		return word;
	});
}

/** What a part of what was said leaves open for the next. */
export interface Open {
	/** The verb of a time that follows without one. */
	readonly verb: Doing | null;
	readonly part: Part | null;
	/** Whether hours of warmth were told. */
	readonly isHeated: boolean;
	/** The last time of day that was named. */
	readonly last: number | null;
}

/** One part of what was said, read word by word. */
export class PartRead {
	/** What it tells, of whatever days. */
	said: { readonly what: What; readonly part: Part | null }[] = [];
	comfort: number | null = null;
	eco: number | null = null;
	/** The days that it names before all else, and those that it names after. */
	readonly leading: Word[] = [];
	readonly trailing: Word[] = [];
	/** Whether it names days, or a part of the day, and tells nothing. */
	readonly isScope: boolean;
	readonly isRead: boolean;
	readonly part: Part | null;
	readonly #words: readonly Word[];
	readonly #before: Open;
	#verb: Doing | null = null;
	#lead: Word['is'] | null = null;
	#length: number | null = null;

	constructor(words: readonly Word[], before: Open) {
		this.#words = words;
		this.#before = before;
		const partWord = words.find((word) => word.is === 'part');
		this.part = partWord?.is === 'part' ? partWord.part : null;
		for (let i = 0; i < words.length;) i += this.#read(i);
		const isNothing = this.said.length === 0 && this.comfort === null && this.eco === null;
		const text = words.map(({ said }) => said).join(' ');
		const isNobody = this.#has('all day') || /nobody|no one|empty/.test(text);
		const isSame = this.#has('same');
		// what is left of a day rests where warm hours were told
		const rests = isNothing && this.#has('rest') && before.isHeated && this.leading.length === 0;
		if (isNothing && !rests && (this.#verb === 'off' || (this.#verb === 'out' && isNobody)))
			this.#add({ is: 'off' });
		const names = this.leading.length + this.trailing.length > 0;
		const others = this.#others;
		// hours that nobody says what for, among many other words
		const isHours =
			this.said.length > 0 && this.#verb === null && this.said.every(({ what }) => what.is === 'hours');
		const isOthers = OTHERS_TIMES.test(text) || (isHours && others > (names ? MOST_OTHER_WORDS : 0));
		this.isRead = !isOthers && (this.said.length > 0 || !isNothing || isSame || rests);
		this.isScope =
			this.said.length === 0 &&
			isNothing &&
			!isSame &&
			!rests &&
			this.#verb === null &&
			others <= 1 &&
			(names || this.part !== null);
		if (!this.isRead) this.said = [];
	}

	/** What it leaves open for the part after it. */
	get open(): Open {
		const last = this.#words.filter(isTime).at(-1);
		return {
			verb: this.#verb ?? this.#before.verb,
			part: null,
			isHeated: this.#before.isHeated || this.said.some(({ what }) => what.is === 'hours'),
			last: last ? timeOf(last).at : this.#before.last
		};
	}

	/** How many words it has that tell nothing of a week. */
	get #others(): number {
		return this.#words.filter(({ is }) => is === 'other').length;
	}
	#has(kind: Word['is']): boolean {
		return this.#words.some(({ is }) => is === kind);
	}
	#add(what: What): void {
		this.said.push({ what, part: this.part ?? this.#before.part });
	}

	/** Reads the word at a place. Returns how many words were read. */
	#read(i: number): number {
		const word = this.#words[i]!;
		const level = levelAt(this.#words, i);
		if (level && word.is === 'number') {
			this[level] = word.value;
			// what they do while it is so warm is no week
			return this.#words.slice(i).some(({ is }) => is === 'when') ? this.#words.length : 1;
		}
		let read = 1;
		if (word.is === 'days' || word.is === 'others') {
			const isTold =
				this.said.length > 0 ||
				this.#verb !== null ||
				this.#words.slice(0, i).some(({ is }) => is === 'same');
			(isTold ? this.trailing : this.leading).push(word);
		} else if (word.is === 'doing') {
			if (word.doing === 'home') this.#add({ is: 'home' });
			else this.#verb = word.doing;
		} else if (word.is === 'length') this.#length = word.minutes;
		else if ((word.is === 'earlier' || word.is === 'later') && this.#length !== null) {
			const end = this.#words.some(
				(one) => one.is === 'doing' && (one.doing === 'bed' || one.doing === 'close')
			);
			this.#add({ is: 'shift', by: word.is === 'later' ? this.#length : -this.#length, end });
			this.#length = null;
		} else if (word.is === 'late' && this.#lead === 'until') this.#add({ is: 'till late' });
		else if (word.is === 'from' || word.is === 'until' || word.is === 'at' || word.is === 'by') {
			if (!(this.#lead === 'until' && word.is === 'at')) this.#lead = word.is;
			return 1;
		} else if (isTime(word)) read = this.#readTime(word, i);
		if (word.is !== 'small') this.#lead = null;
		return read;
	}

	/** Reads a time, or two that belong together. */
	#readTime(word: Word & { is: 'time' | 'number' }, i: number): number {
		const [way, next] = [this.#words[i + 1], this.#words[i + 2]];
		const [verb, lead] = [this.#verb, this.#lead];
		const either =
			word.is === 'time' && word.pair && verb !== 'up' && verb !== 'bed' && (lead === 'from' || lead === null)
				? word.pair.map((at): SaidTime => ({ at, isExact: false }))
				: null;
		const joins = way?.is === 'to' || way?.is === 'until' || (way?.is === 'and' && lead === 'from');
		if (either || (joins && isTime(next))) {
			const [from, to] = either ?? [timeOf(word), timeOf(next as typeof word)];
			const is =
				verb === 'out' || verb === 'off' || verb === 'close' ? 'gone' : verb === 'bed' ? 'asleep' : 'hours';
			this.#add({ is, from: from!, to: to!, isAllDay: this.#has('all day') });
			return either ? 1 : 3;
		}
		if (lead === null && verb === null && word.is === 'number') return 1;
		const isNot = this.#has('not');
		const is =
			single(verb, lead, isNot, this.#before.isHeated) ??
			(word.is === 'time' && word.at === 720 && !verb ? 'from' : null) ??
			// and at eight at the weekend: of what was told before, where nothing else is named
			(this.#before.verb && !isNot && this.#others === 0 && (lead === 'at' || lead === null)
				? single(this.#before.verb, lead, false, false)
				: null);
		if (is) this.#add({ is, time: timeOf(word) } as What);
		return 1;
	}
}

/** Parts of a clause that tell something each: at "and" where something is told on both sides, and where an exception begins. */
export function partsOf(words: readonly Word[]): Word[][] {
	const parts: Word[][] = [[]];
	const tells = (some: readonly Word[]) =>
		some.some(({ is }) => ['time', 'number', 'doing', 'same', 'length'].includes(is));
	words.forEach((word, i) => {
		const last = parts.at(-1)!;
		const isPair =
			word.is === 'and' &&
			last.some(({ is }) => is === 'from') &&
			isTime(last.at(-1)) &&
			isTime(words[i + 1]) &&
			!last.some(({ is }, at) => is === 'to' || (is === 'until' && at > 0));
		if (
			word.is === 'except' ||
			(word.is === 'and' && !isPair && last.length > 0 && tells(words.slice(i + 1)))
		)
			parts.push([word]);
		else last.push(word);
	});
	return parts;
}

/** A stay from a time of one day until a time of another; null where the words tell no such thing. */
export function stayOf(words: readonly Word[]): Said[] | null {
	const days = words.flatMap((word) => (word.is === 'days' && word.days.length === 1 ? [word.days[0]!] : []));
	const times = words.flatMap((word, i) => {
		const next = words[i + 1];
		return isTime(word) ? [inPart(timeOf(word), next?.is === 'part' ? next.part : null)] : [];
	});
	const until = words.findIndex(({ is }) => is === 'until' || is === 'to');
	if (
		days.length !== 2 ||
		times.length !== 2 ||
		until < 0 ||
		words.findIndex(({ is }) => is === 'days') > until
	)
		return null;
	const [first, last] = days as [number, number];
	if (!words.slice(until).some(({ is }) => is === 'days')) return null;
	const hours = (day: number, from: number, to: number): Said => ({
		days: [day],
		part: null,
		what: { is: 'hours', from: { at: from, isExact: true }, to: { at: to, isExact: true }, isAllDay: false }
	});
	const said = [hours(first, times[0]!, DAY_MINUTES)];
	for (let day = (first + 1) % 7; day !== last; day = (day + 1) % 7) said.push(hours(day, 0, DAY_MINUTES));
	return [...said, hours(last, 0, times[1]!)];
}
