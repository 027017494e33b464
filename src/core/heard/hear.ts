import { answered, factSchema, type Fact } from '../callback';
import { clausesOf, type Clause } from './clause';
import { aroundIn, asidesIn, eventsIn, heatersIn, keysIn, noiseIn } from './house';
import { degreesIn, lampIn, signsIn } from './signs';
import { dayIn, inFigures, lengthIn, stretchIn } from './times';

/** A clause as it was said, with what was read from it. */
export interface HeardClause {
	readonly words: string;
	/** Empty where nothing was understood. */
	readonly facts: readonly Fact[];
}

/** What is known where something is heard. */
export interface Hearing {
	/** The room of the call: what is said of it by its name is said of it. */
	readonly room?: string;
}

/** Parts of a day as people mean them, in minutes (common practice). */
const PARTS: readonly (readonly [RegExp, number, number])[] = [
	[/\bmornings?\b/, 360, 540],
	[/\b(afternoons?|teatime)\b/, 720, 1020],
	[/\bevenings?\b/, 1080, 1320],
	[/\b(nights?|overnight|to sleep|bedtime)\b/, 60, 300],
	[/\b(?<!all |every |bin |that |bank )(days?|daytime)\b/, 600, 1020]
];

const COLD =
	/\b(cold|colder|freezing|froze|frozen|chilly|perishing|baltic|like ice|like a fridge|cool|in two jumpers|i feel it)\b/;
const NO_HEAT =
	/\b(no heat(ing)?|not heating|(does not|doesn't|never) heats?|never heated|without heat|not a bit of heat|lets? us down)\b/;
const TOO_HOT =
	/\b((too|so|very|always) (hot|warm)|boiling|sweating|roasting|like an oven|on all night|heats all night|taking off the jumper)\b/;
const WARM = /\b(warm|hot|warms up|getting warm)\b/;
const FINE =
	/\b(fine|grand|all right|alright|perfect|spot on|comfortable|no trouble|ok|okay|never have to think about|go good)\b/;
const SLOW = /\b(slow to (heat|warm)|takes (ages|forever|hours) to (heat|warm))\b/;

type Felt = Extract<Fact, { kind: 'feels' }>['what'];
/** How something is said to be: what is denied is its opposite, and "not cold" is fine. */
function feltIn({ text, denies }: Clause): Felt | null {
	if (SLOW.test(text)) return 'slow';
	if (NO_HEAT.test(text)) return 'cold';
	// who says that it is not too hot may well be cold
	if (TOO_HOT.test(text)) return denies(TOO_HOT) ? null : 'hot';
	if (COLD.test(text)) return denies(COLD) ? 'fine' : 'cold';
	if (WARM.test(text)) return denies(WARM) ? 'cold' : 'fine';
	if (FINE.test(text)) return denies(FINE) ? null : 'fine';
	return null;
}

const ROOMS =
	/\b(?:the |our |that )?((?:box|living|sitting|dining|utility) room|hall|kitchen|bedroom|bathroom|lounge|study|office|landing|nursery|attic)\b/;
/** What is said of the world outside is no word about the room. */
const OUTSIDE = /\b(outside|outdoors|out there|frost on|minus)\b/;

/** When it is so, in minutes of a day: a stretch, before or at a time, a part of the day, else all of it. */
function spanIn({ text, at }: Clause): { from: number; to: number } {
	const stretch = stretchIn(text);
	if (stretch) return { from: stretch[0], to: stretch[1] };
	const never = /\b(never (gets |is )?(warm|heats)|all (day|the time)|day and night|round the clock)\b/.test(
		text
	);
	if (at !== null && /\b(until|till|before|still)\b/.test(text))
		return { from: Math.max(0, Math.min(at - 30, at - 180)), to: Math.max(1, at) };
	if (at !== null) return { from: Math.max(0, at - 30), to: Math.min(1440, at + 60) };
	const part = never ? undefined : PARTS.find(([of]) => of.test(text));
	return part ? { from: part[1], to: part[2] } : { from: 0, to: 1440 };
}

/** What a clause says of how warm something is. */
function feltFacts(clause: Clause, { room = '' }: Hearing): Fact[] {
	const { text, mood, subject, days } = clause;
	const felt = feltIn(clause);
	if (felt === null || OUTSIDE.test(text) || /\b(if|decides|believes)\b/.test(text)) return [];
	if (mood === 'wish' || mood === 'planned' || mood === 'opinion' || mood === 'before') return [];
	if (subject === 'water') {
		if (/\bno (hot )?water\b/.test(text)) return [answered('water', 'no')];
		// without heating the water may well be hot
		if (/\bno heating\b/.test(text)) return [answered('water', 'yes')];
		return NO_HEAT.test(text) ? [] : [answered('water', felt === 'cold' ? 'no' : 'yes')];
	}
	if (subject === 'heater' || subject === 'source' || /\bair\b/.test(text)) return [];
	const span = spanIn(clause);
	// warm at night is told because it should not be
	const isNight = span.to <= 330 && WARM.test(text);
	const of = (where: string): Fact => ({
		kind: 'feels',
		what: felt === 'fine' && isNight ? 'hot' : felt,
		days,
		...span,
		...(where ? { where } : {})
	});
	if (subject === 'others') return [of('others'), answered('rooms', felt === 'cold' ? 'all' : 'this')];
	if (subject === 'whole') return felt === 'cold' ? [answered('rooms', 'all'), of('')] : [of('')];
	if (/\bmy (wife|husband|mother|son|daughter)\b|\b(she|he) says\b/.test(text)) return [of('others')];
	const named = ROOMS.exec(text)?.[1] ?? '';
	const isHere = named === '' || /\bonly\b/.test(text) || room.toLowerCase().includes(named);
	return [of(isHere ? '' : named)];
}

const TURNS_ON =
	/\b(comes?|came|turns?|switche[sd]|goes|starts?|kicks?) (itself )?(on|in)\b|\bstarts?\b|\bon (at|only|from)\b|\b(does not|doesn't|only|don't) (come|start|stir)s? (on )?(before|until|till|at|after)\b|\b(lights|fires up|is making warm|whirring)\b/;
const TURNS_OFF =
	/\b(goes|go|turns?|switches|shuts?|stops?|cuts?|conks?) (itself )?(off|out)\b|\bstops\b|\boff (at|by|from)\b|\bstays going\b/;

/** When it was seen to come on or to go off; what it ought to do is kept for what it is late against. */
function turnsIn(clause: Clause): { to: 'on' | 'off'; at: number; either?: true } | null {
	const { text, at, mood } = clause;
	if (at === null || mood === 'wish' || mood === 'opinion') return null;
	const to = TURNS_OFF.test(text) ? 'off' : TURNS_ON.test(text) ? 'on' : null;
	if (!to || (FINE.test(text) && !/\bon\b/.test(text)) || /\bgetting warm\b/.test(text)) return null;
	const isSaid =
		at >= 780 ||
		/\d[:.]\d\d|\b(am|pm|a\.m|p\.m|mornings?|evenings?|nights?|afternoons?|noon|midnight)\b/.test(text);
	return { to, at, ...(isSaid ? {} : { either: true }) };
}

/** What the control's clock shows, and what it is: told apart by whose it is. */
const OTHER_CLOCK = /\b(watch|phone|telephone|radio|really|in fact|it's actually|real time)\b/;
const OWN_CLOCK = /\b(clock|it|display|screen|control|thermostat|timer) (on it )?(says|shows|reads)\b/;

/** The difference of two times, each in either half of the day, in minutes from −360 to 359. */
const apart = (shown: number, real: number) => ((((shown - real + 360) % 720) + 720) % 720) - 360;

const clock = (is: Extract<Fact, { kind: 'clock' }>['is'], aheadMinutes: number | null = null): Fact => ({
	kind: 'clock',
	is,
	aheadMinutes
});
const ahead = (minutes: number): Fact =>
	clock(minutes === 0 ? 'right' : minutes > 0 ? 'fast' : 'slow', minutes);

/** What is said of its clock and its weekday. */
class ClockReader {
	#shown: number | null = null;
	#shownDay: number | null = null;
	/** How long the clause before said that something is. */
	#minutes: number | null = null;
	#changed: 'back' | 'forward' | null = null;

	read({ text, words, at, mood, denies }: Clause): Fact[] {
		if (mood !== 'so' && mood !== 'before') return [];
		const facts: Fact[] = [];
		const isOther = OTHER_CLOCK.test(text);
		if (at !== null && isOther && this.#shown !== null) facts.push(ahead(apart(this.#shown, at)));
		else if (at !== null && !isOther && OWN_CLOCK.test(text)) this.#shown = at;
		const day = dayIn(words);
		if (day !== null && /\btoday('s| is)?\b|\bit's (really|actually)\b/.test(text) && this.#shownDay !== null)
			facts.push({ kind: 'weekday', aheadDays: (((this.#shownDay - day) % 7) + 7) % 7 });
		else if (day !== null && /\b(says|shows|reads)\b/.test(text)) this.#shownDay = day;
		this.#changed = /\bclocks? (went |go )?back\b/.test(text)
			? 'back'
			: /\bclocks? (went |go )?forward\b/.test(text)
				? 'forward'
				: this.#changed;
		if (this.#changed && /\b(never (budged|changed)|didn't (change|budge|follow)|stayed as)\b/.test(text))
			facts.push(ahead(this.#changed === 'back' ? 60 : -60));
		const minutes =
			/\bhour (ahead|fast|behind|slow)\b/.test(text) && /\b(an?|one) hour\b/.test(text) ? 60 : lengthIn(text);
		const isClock = /\b(clock|time on it|it shows|it says|display)\b/.test(text);
		const way = /\b(ahead|fast|gains?)\b/.test(text) ? 1 : /\b(behind|slow|loses?)\b/.test(text) ? -1 : 0;
		const isRoom = /\b(heat|warm)s?\b/.test(text) && !isClock;
		if (way !== 0 && !isRoom && !denies(/\b(ahead|fast|behind|slow)\b/)) {
			const by = minutes ?? (text.trim().split(' ').length < 4 ? this.#minutes : null);
			if (by !== null && by <= 720) facts.push(ahead(way * by));
			else facts.push(clock(way > 0 ? 'fast' : 'slow'));
		}
		this.#minutes = lengthIn(text);
		if (/\b(clock is right|right time|time's right|time is right)\b/.test(text) && !denies(/\bright\b/))
			facts.push(clock('right', 0));
		if (/\bday('s| is) right\b/.test(text)) facts.push({ kind: 'weekday', aheadDays: 0 });
		if (/\bwrong (day|weekday)\b/.test(text)) facts.push({ kind: 'weekday', aheadDays: null });
		if (/\b(wrong time|clock is wrong|time is wrong)\b/.test(text)) facts.push(clock('wrong'));
		if (/\b(time|clock|display|screen) (blinks|flashes|is (blinking|flashing))\b/.test(text))
			facts.push(clock('blinks'));
		return facts;
	}
}

/** What is said of rooms, and of a day that runs another's. */
function elseIn({ text, words, mood }: Clause): Fact[] {
	const facts: Fact[] = [];
	if (mood === 'wish' || mood === 'opinion') return facts;
	if (/\b(only|just) (in )?(this|that|the|my) (one )?(\w+ )?room\b/.test(text) && !/\bnot just\b/.test(text))
		facts.push(answered('rooms', 'this'));
	if (
		/\b(not (just|only) (mine|this|that|ours)|(the )?whole (corridor|house|floor)|all (the )?rooms|every room)\b/.test(
			text
		)
	)
		facts.push(answered('rooms', 'all'));
	const like =
		/\b(?:as if it (?:were|was)|(?:runs|does|doing|thinks it's|like)) (?:a |on a )?(\w+day)\b/.exec(text);
	const runs = like ? dayIn(like[1]!) : null;
	if (runs !== null) {
		const on = dayIn(words.replace(new RegExp(like![0], 'i'), ''));
		facts.push({ kind: 'like-day', runs, on });
	}
	const figures = inFigures(text);
	const early = /\b(?:(\d+) (minutes|hours?) (?:or so )?)?(?:too )?(early|late)\b/.exec(figures);
	const minutes = early?.[1] ? Number(early[1]) * (early[2]!.startsWith('h') ? 60 : 1) : null;
	if (early && minutes && mood === 'so') {
		const of = TURNS_OFF.test(text) ? 'ends' : TURNS_ON.test(text) ? 'starts' : 'all';
		facts.push({ kind: 'shift', lateMinutes: early[3] === 'late' ? minutes : -minutes, of });
	}
	return facts;
}

/** What a person says, clause by clause, each with the facts that it carries. A clause of which nothing is understood stands with none. */
export function hear(spoken: string, hearing: Hearing = {}): HeardClause[] {
	const clocks = new ClockReader();
	const said: Fact[] = [];
	/** Of a change that ought to be at a time. */
	const planned = new Map<'on' | 'off', number>();
	let seen: { to: 'on' | 'off'; at: number } | null = null;
	const read: { words: string; facts: Fact[] }[] = [];
	for (const clause of clausesOf(spoken)) {
		const facts: Fact[] = [];
		const put = (fact: Fact) => {
			// a question is answered once, and a thing said once
			const key = (one: Fact) => (one.kind === 'answer' ? one.question : JSON.stringify(one));
			// nor is kept what no call can hold: a figure beyond all reason, a word without end
			if (said.some((one) => key(one) === key(fact)) || !factSchema.safeParse(fact).success) return;
			said.push(fact);
			facts.push(fact);
		};
		clocks.read(clause).forEach(put);
		const turns = turnsIn(clause);
		const isOught = clause.mood === 'planned' || clause.mood === 'before';
		if (isOught && clause.at !== null && (turns || seen))
			planned.set((turns ?? seen)!.to, turns?.at ?? clause.at);
		else if (turns) {
			// of morning and evening that which is nearer to what it ought to be
			const ought = planned.get(turns.to);
			const at = ought === undefined ? turns.at : (ought + apart(turns.at, ought) + 1440) % 1440;
			const either = ought === undefined && turns.either ? { either: true as const } : {};
			seen = { to: turns.to, at };
			put({ kind: 'turns', to: turns.to, days: clause.days, at, ...either });
		}
		const late = seen && planned.has(seen.to) ? apart(seen.at, planned.get(seen.to)!) : 0;
		if (seen && late !== 0 && Math.abs(late) <= 300)
			put({ kind: 'shift', lateMinutes: late, of: seen.to === 'on' ? 'starts' : 'ends' });
		signsIn(clause).forEach(put);
		lampIn(clause).forEach(put);
		keysIn(clause).forEach(put);
		degreesIn(clause, said).forEach(put);
		if (!turns) [...heatersIn(clause, said), ...feltFacts(clause, hearing)].forEach(put);
		elseIn(clause).forEach(put);
		eventsIn(clause).forEach(put);
		aroundIn(clause).forEach(put);
		noiseIn(clause).forEach(put);
		asidesIn(clause).forEach(put);
		// days by themselves are those of what was said before them
		const last = read.at(-1)?.facts.findLastIndex(({ kind }) => kind === 'feels' || kind === 'turns') ?? -1;
		const fact = read.at(-1)?.facts[last];
		if (
			clause.days.length < 7 &&
			facts.length === 0 &&
			fact &&
			'days' in fact &&
			/\b(only|mostly)\b/.test(clause.text)
		) {
			read.at(-1)!.facts.splice(last, 1);
			facts.push({ ...fact, days: clause.days });
		}
		read.push({ words: clause.words, facts });
	}
	return read;
}

/** What a plain sentence says, as facts; empty where nothing is understood. */
export const understand = (said: string, hearing: Hearing = {}): Fact[] =>
	hear(said, hearing).flatMap(({ facts }) => facts);
