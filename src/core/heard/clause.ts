import { daysIn, minuteIn } from './times';

/** What a clause is about, where it names it. */
export type Subject = 'heater' | 'water' | 'others' | 'whole' | 'source' | 'room';
/** How what is said is meant: as so, as wished, as it ought to be, as somebody's guess, as it once was. */
export type Mood = 'so' | 'wish' | 'planned' | 'opinion' | 'before';

/** One clause of what was said. */
export interface Clause {
	/** As it was said. */
	readonly words: string;
	/** In small letters, a blank at each end. */
	readonly text: string;
	readonly subject: Subject;
	readonly mood: Mood;
	/** The days that it names; all where none. */
	readonly days: number[];
	/** The minute of the day that it names; null for none. */
	readonly at: number | null;
	/** Whether a word of it is said not to be so. */
	readonly denies: (word: RegExp) => boolean;
	/** All that was said, in small letters. */
	readonly speech: string;
}

/** Where one clause ends and the next begins; a figure's own point is no end. */
const ENDS =
	/[,;!?:](?!\d)|\.(?!\d|m\b)|\bbut\b(?! no heating)|\balthough\b|\bthough\b|\bexcept\b|\band (?=(?:it|its|they|he|she|we|I|I'm|then|now|there|that|comes?|goes|cold|hot|never|the|my|evenings?|mornings?|nights?|today|away|stays)\b)|\bor (?=a\b)/i;

/** What turns a clause, or what stands up to four words after it, into its opposite. */
const NOT =
	"(?:not|never|no|none|nothing|neither|nobody|no one|hardly|barely|nor|isn't|aren't|wasn't|weren't|don't|doesn't|didn't|won't|can't|isnt|arent|ain't)";
const WHOLLY_NOT = /^\s*(none|neither|nothing|no one|nobody)\b/;

const MOODS: readonly (readonly [Mood, RegExp])[] = [
	['wish', /\b(i want|i'd like|i would like|we want|would it|would you|can you|could you|could we|don't care|we leave|we're not up|not up till|no need|woken?|sooner)\b/],
	['planned', /\b(supposed to|should(n't)?|ought to|meant to|you said|told you|set (it )?to come)\b/],
	['opinion', /\b(thinks?(?! (about|it's (a )?\w+day))|reckons?|suspects?|i'd say|is that too)\b/],
	['before', /\b(used to|(it was|was|before .*) (fine|grand|perfect|warm|good|\w+ minutes)|it go good|it had been)\b/]
]; // prettier-ignore

const SUBJECTS: readonly (readonly [Subject, RegExp])[] = [
	['water', /\b((hot )?water(?! (in the pipes|gurgl))|taps?|wash the dishes)\b/],
	['heater', /\b(radiators?|rads?|heaters?|pipes|(the|its?) floor|panel|tiles|towel rail|(left|right) side)\b/],
	['others', /\b((the|all) (other|others|rest)( (of the )?(rooms?|house|ones))?|other rooms?|everywhere else|elsewhere)\b/],
	['whole', /\b(all (the )?rooms?|every room|(the )?whole (house|corridor|place)|everywhere|all over)\b/],
	['source', /\b(boiler|burner|heat ?pump|pump|furnace|fan|compressor)\b/]
]; // prettier-ignore

/** What was said, clause by clause; a clause without a subject of its own goes on with the one before. */
export function clausesOf(spoken: string): Clause[] {
	let before: Subject = 'room';
	// who counts as in German or Dutch says half eight for 7:30
	const isHalfBefore = /\b(german\w*|dutch|holland|halb|half zeven|half acht)\b/i.test(spoken);
	const speech = ` ${spoken.toLowerCase()} `;
	return spoken
		.replace(/[’`]/g, "'")
		.replace(/[“”"]/g, '')
		.split(ENDS)
		.map((words) => words.trim())
		.filter((words) => words !== '')
		.map((words) => {
			const text = ` ${words.toLowerCase()} `;
			const named = SUBJECTS.find(([, of]) => of.test(text))?.[0];
			const subject = named ?? (/^ (they|they're|aren't|are|the two)\b/.test(text) ? before : 'room');
			before = subject;
			const denies = (word: RegExp) => {
				// a denial ends where something else is told: never warm and says manual
				const all = text.slice(0, Math.max(0, word.exec(text)?.index ?? 0));
				const head = all.slice(all.lastIndexOf(' and ') + 1);
				return (
					head.trim() !== '' &&
					(new RegExp(`\\b${NOT}\\b(?: [\\w']+){0,3} *$`).test(head) || WHOLLY_NOT.test(text))
				);
			};
			const mood = MOODS.find(([, of]) => of.test(text))?.[0] ?? 'so';
			return {
				words,
				text,
				subject,
				mood,
				days: daysIn(words),
				at: minuteIn(text, isHalfBefore),
				denies,
				speech
			};
		});
}
