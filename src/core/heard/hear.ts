import { clockAnswer, type Fact, type QuestionId } from '../callback';
import { daysIn, minuteIn, stretchIn } from './times';

/** A clause as it was said, with what was read from it. */
export interface HeardClause {
	readonly words: string;
	/** Empty where nothing was understood. */
	readonly facts: readonly Fact[];
}

/** Parts of a day as people mean them, in minutes (common practice). */
const PARTS: readonly (readonly [RegExp, number, number])[] = [
	[/\bmornings?\b/, 360, 540],
	[/\bafternoons?\b/, 720, 1020],
	[/\bevenings?\b/, 1080, 1320],
	[/\b(nights?|overnight|to sleep)\b/, 60, 300],
	[/\b(?<!all |every |bin |that )(days?|daytime)\b/, 600, 1020]
];

/** Where one clause ends and the next begins; a figure's own point is no end, and what is hot beside what is cold is said in one. */
const ENDS =
	/[,;!?]|\.(?!\d|m\b)|\bbut\b(?! no heating)|\balthough\b|\bthough\b|\bexcept\b|\band (?=(?:it|they|he|she|we|I|then|now|there|that|comes?|goes|cold|hot|never|the|my|evenings?|mornings?|nights?)\b)/i;

/** What turns a clause, or what stands up to four words after it, into its opposite. */
const NOT =
	"(?:not|never|no|none|nothing|neither|nobody|no one|hardly|barely|nor|isn't|aren't|wasn't|weren't|don't|doesn't|didn't|won't|can't|isnt|arent|ain't)";
/** Whether a word of a clause is said not to be so. */
function isDenied(text: string, word: RegExp): boolean {
	const at = word.exec(text)?.index ?? -1;
	if (at < 0) return false;
	const before = text.slice(0, at);
	if (before.trim() === '') return false;
	return (
		new RegExp(`\\b${NOT}\\b(?: [\\w']+){0,3} *$`).test(before) ||
		/^\s*(none|neither|nothing|no one|nobody)\b/.test(text)
	);
}

const COLD = /\b(cold|colder|freezing|froze|frozen|chilly|perishing|like ice|like a fridge|cool)\b/;
const NO_HEAT =
	/\b(no heat(ing)?|not heating|(does not|doesn't|never) heats?|without heat|not a bit of heat|lets? us down)\b/;
const TOO_HOT =
	/\b((too|so|very) (hot|warm)|boiling|sweating|roasting|like an oven|on all night|heats all night)\b/;
const WARM = /\b(warm|hot|warms up)\b/;
const FINE = /\b(fine|grand|all right|alright|perfect|spot on|comfortable|no trouble|ok|okay)\b/;

type Felt = 'cold' | 'hot' | 'fine';
/** How something is said to be: what is denied is its opposite, and "not cold" is fine. */
function feltIn(text: string): Felt | null {
	if (NO_HEAT.test(text)) return 'cold';
	if (TOO_HOT.test(text)) return isDenied(text, TOO_HOT) ? 'fine' : 'hot';
	if (COLD.test(text)) return isDenied(text, COLD) ? 'fine' : 'cold';
	if (WARM.test(text)) return isDenied(text, WARM) ? 'cold' : 'fine';
	if (FINE.test(text)) return isDenied(text, FINE) ? null : 'fine';
	return null;
}

type Subject = 'heater' | 'water' | 'others' | 'whole' | 'room';
const SUBJECTS: readonly (readonly [Subject, RegExp])[] = [
	['water', /\b((hot )?water|taps?|wash the dishes)\b/],
	['heater', /\b(radiators?|rads?|heaters?|pipes|(the|its?) floor|panel|tiles|towel rail)\b/],
	['others', /\b((the|all) (other|others|rest)( (of the )?(rooms?|house|ones))?|other rooms?|everywhere else|elsewhere)\b/],
	['whole', /\b(all (the )?rooms?|every room|(the )?whole (house|corridor|place)|everywhere|all over)\b/]
]; // prettier-ignore

/** What is said of the control's neighbours, the weather, of what was once or should be, is no word about the room now. */
const ELSEWHERE =
	/\b(outside|outdoors|out there|minus|frost on|used to|supposed to|should(n't)?|ought to|was (fine|grand|perfect|warm)|i want|i'd like|would it|can you|could you|don't care|thinks?|reckons?|if)\b/;

/** What is said of a question, with the answer that it is. */
const SAYINGS: readonly (readonly [RegExp, QuestionId, string])[] = [
	[/\b(blank|nothing on (the|its) (display|screen)|(display|screen) is (dead|off|empty))\b/, 'clock-shows', 'blank'],
	[/\b(an? |one )hour (ahead|fast|too early|early)\b/, 'clock-shows', 'hour-ahead'],
	[/\b(an? |one )hour (behind|slow|too late|late)\b/, 'clock-shows', 'hour-behind'],
	[/\b(clock is right|right time|time's right)\b/, 'clock-shows', 'right'],
	[/\bwrong (day|weekday)\b/, 'clock-shows', 'another-day'],
	[/\b(wrong time|clock is wrong|time is wrong)\b/, 'clock-shows', 'another-time'],
	[/\b(says|shows|on|in) manual\b|\bpadlock and a hand\b|\bshows a hand\b/, 'mode', 'manual'],
	[/\b(says|shows|is on) (auto(matic)?|its program|the program)\b/, 'mode', 'program'],
	[/\b(says|shows|switched to|set to) off\b/, 'mode', 'off'],
	[/\b(says|shows|still on|still in) (holiday|away|a suitcase)\b/, 'mode', 'away'],
	[/\bclocks? (changed|went|change|back|forward)|\bsummer ?time\b|\bwinter ?time\b/, 'since', 'clocks-changed'],
	[/\b(power|electricity|current) (cut|failure|was out|went|outage)|\b(new|changed|replaced|after|since|old|took)\b.*\b(batter(y|ies)|cells)\b|\bbatter(y|ies) (was|were) (changed|replaced|flat|empty)/, 'since', 'power'],
	[/\b(visitors?|guests?|the (kids?|children|tenants?|cleaner)|somebody|someone) (was|were|played|pressed|touched|had|have|has)\b/, 'since', 'visitors'],
	[/\bsince (it|the weather) (got|became|turned|is) (so )?(cold|colder)|\bcold snap\b|\bin (the )?frost\b/, 'since', 'colder'],
	[/\b(has|it's|have) always been\b|\bsince it was (set up|fitted|installed|new)\b/, 'since', 'always'],
	[/\b(only|just) (in )?(this|that|the|my) (one )?(\w+ )?room\b/, 'rooms', 'this'],
	[/\b(no|lamp is|light is|lamp's) (lamp|light|out|off)\b.*|\b(lamp|light)\b.* ?(blinks|flashes|blinking|flashing)\b/, 'lamp', 'out-or-blinks'],
	[/\b(will not|won't|can't|cannot) (go|be set|be turned) (any )?(higher|up)\b/, 'set-to', 'lower'],
	[/\bpadlock\b|\b(is|are|keys) locked\b|\b(keys|buttons) (do|does) nothing\b|\bnothing happens when\b/, 'keys', 'locked'],
	[/\b(time|clock|display|screen) (blinks|flashes|is (blinking|flashing))\b/, 'clock-shows', 'another-time'],
	[/\bhot water (but|and) no heating\b|\bhot water works\b/, 'water', 'yes']
]; // prettier-ignore

const TURNS_ON =
	/\b(comes?|came|turns?|switche[sd]|goes|starts?|kicks?) (itself )?on\b|\bstarts?\b|\bon (at|only|from)\b|\b(does not|doesn't|only) (come|start)s? (on )?(before|until|till|at|after)\b/;
const TURNS_OFF =
	/\b(goes|turns?|switches|shuts?|stops?|cuts?) (itself )?(off|out)\b|\bstops\b|\boff (at|by|from)\b/;

/** More than this is said in °F. */
const WARMEST_C = 40;
const DEGREES =
	/\b(?:shows?|says|reads|displays?|claims|set (?:to|at)|stands at)\s+(?:only |about |still )?(-?\d{1,3}(?:\.\d)?)(?![\d:.]|\s*(?:am|pm|a\.m|p\.m|o.?clock|hours?|h)\b)/;
/** What the control's clock shows, and what it is: told apart by whose it is. */
const OTHER_CLOCK = /\b(watch|phone|telephone|radio|really|in fact|it's actually|real time)\b/;
const OWN_CLOCK = /\b(clock|it|display|screen|control|thermostat|timer) (on it )?(says|shows|reads)\b/;

/** What a clause says of how warm something is. */
function feltFacts(text: string, days: number[], subject: Subject): Fact[] {
	const felt = feltIn(text);
	if (felt === null || ELSEWHERE.test(text)) return [];
	const answer = (question: QuestionId, given: string): Fact => ({ kind: 'answer', question, answer: given });
	switch (subject) {
		case 'water':
			if (/\bno (hot )?water\b/.test(text)) return [answer('water', 'no')];
			// without heating the water may well be hot
			return NO_HEAT.test(text) ? [] : [answer('water', felt === 'cold' ? 'no' : 'yes')];
		case 'heater': {
			// barely warm is neither, and some of them are not all
			if (/\b(barely|lukewarm|hardly|some|two|three|one|half) /.test(text)) return [];
			const hot = felt === 'hot' || (felt === 'fine' && WARM.test(text));
			return hot ? [answer('heater-asked', 'hot')] : felt === 'cold' ? [answer('heater-asked', 'cold')] : [];
		}
		case 'others':
			return [answer('rooms', felt === 'cold' ? 'all' : 'this')];
		default: {
			const all: Fact[] = subject === 'whole' && felt === 'cold' ? [answer('rooms', 'all')] : [];
			if (felt === 'fine') return all;
			return [...all, { kind: 'feels', what: felt, days, ...spanIn(text) }];
		}
	}
}

/** When it is so, in minutes of a day: a stretch, before or at a time, a part of the day, else all of it. */
function spanIn(text: string): { from: number; to: number } {
	const stretch = stretchIn(text);
	if (stretch) return { from: stretch[0], to: stretch[1] };
	const never = /\b(never (gets |is )?(warm|heats)|all (day|the time)|day and night|round the clock)\b/.test(
		text
	);
	const at = minuteIn(text);
	if (at !== null && /\b(until|till|before)\b/.test(text))
		return { from: Math.max(0, Math.min(at - 30, at - 180)), to: Math.max(1, at) };
	if (at !== null) return { from: Math.max(0, at - 30), to: Math.min(1440, at + 60) };
	const part = never ? undefined : PARTS.find(([of]) => of.test(text));
	return part ? { from: part[1], to: part[2] } : { from: 0, to: 1440 };
}

/** The difference of two clock times, to the nearer side of half a day, in minutes. */
const apart = (shown: number, real: number) => ((((shown - real + 360) % 720) + 720) % 720) - 360;

/** What a person says, clause by clause, each with the facts that it carries. A clause of which nothing is understood stands with none. */
export function hear(spoken: string): HeardClause[] {
	let before: Subject = 'room';
	/** What the control's clock shows and what time it is, as far as both were said. */
	let shown: number | null = null;
	const said = new Set<string>();
	return spoken
		.replace(/[’`]/g, "'")
		.split(ENDS)
		.map((clause) => clause.trim())
		.filter((clause) => clause !== '')
		.map((words) => {
			const text = ` ${words.toLowerCase()} `;
			const named = SUBJECTS.find(([, of]) => of.test(text))?.[0];
			// they, and what has no subject, is what was spoken of before
			const subject: Subject = named ?? (/^ (they|they're|aren't|are)\b/.test(text) ? before : 'room');
			before = subject;
			const facts: Fact[] = [];
			const put = (fact: Fact) => {
				// a question is answered once
				const key = fact.kind === 'answer' ? fact.question : JSON.stringify(fact);
				if (said.has(key)) return;
				said.add(key);
				facts.push(fact);
			};
			const days = daysIn(words);
			const at = minuteIn(text);
			const isOther = OTHER_CLOCK.test(text);
			if (at !== null && isOther && shown !== null) {
				put({ kind: 'answer', question: 'clock-shows', answer: clockAnswer(apart(shown, at)) });
			} else if (at !== null && !isOther && OWN_CLOCK.test(text)) shown = at;
			const turns = TURNS_ON.test(text) ? 'on' : TURNS_OFF.test(text) ? 'off' : null;
			if (turns && at !== null && !ELSEWHERE.test(text)) put({ kind: 'turns', to: turns, days, at });
			else feltFacts(text.replace(/since .*cold\w*/, ''), days, subject).forEach(put);
			const degrees = DEGREES.exec(text);
			if (degrees) {
				const figure = Number(degrees[1]);
				const rest = words.replace(new RegExp(degrees[0].trim(), 'i'), ' ');
				// nobody's room is at forty degrees Celsius
				if (figure >= -30 && figure <= 120)
					put({
						kind: 'shows',
						degrees: figure,
						unit: figure > WARMEST_C ? 'F' : 'C',
						days: daysIn(rest),
						at: minuteIn(` ${rest.toLowerCase()} `)
					});
			}
			for (const [of, question, answer] of SAYINGS)
				if (of.test(text) && !isDenied(text, of) && !/\b(thinks?|reckons?)\b/.test(text))
					put({ kind: 'answer', question, answer });
			return { words, facts };
		});
}

/** What a plain sentence says, as facts; empty where nothing is understood. */
export const understand = (said: string): Fact[] => hear(said).flatMap(({ facts }) => facts);
