import type { Fact } from '../callback';
import type { Clause } from './clause';
import { inFigures, lengthIn } from './times';

const HOT = /\b(hot|warm|roasting|boiling|scalding|fry an egg|heat|heats|working away|glowing)\b/;
const COLD =
	/\b(cold|dead|like ice|freezing|stone cold|not a bit of heat|never (heat|get warm)s?|don't stir|don't)\b/;
const LUKEWARM =
	/\b(lukewarm|barely|tepid|hardly warm|only (just )?warm|never get cosy|not (very|really) (hot|warm))\b/;
const PART =
	/\b(some|one|two|three|four|half|left|right|end of the line|last|upstairs|downstairs|the (hall|kitchen|bedroom|bathroom|lounge) (one|radiator))\b/;
const WHICH = /\b(radiators?|rads?|heaters?|pipes|floor|panel|tiles|towel rail|(left|right) side)\b/;
/** That its control calls for heat. */
const CALLS = /\b(flame|calls?|calling|lit|cooling|heating)\b/;

/** A heater, and what makes the heat. */
export function heatersIn(clause: Clause, said: readonly Fact[]): Fact[] {
	const { text, subject, mood, denies } = clause;
	if (mood === 'wish' || mood === 'opinion' || mood === 'before') return [];
	if (subject === 'source') {
		if (/\b(code|fault|error|lock(ed)? ?out|red light)\b/.test(text))
			return [{ kind: 'source', is: 'fault' }];
		if (
			/\b(is off|won't (start|light)|not (running|firing)|doesn't (start|light|fire)|never (fires|lights))\b/.test(
				text
			)
		)
			return [{ kind: 'source', is: 'off' }];
		if (
			/\b(running|runs|firing|fires|working|is on|going)\b/.test(text) &&
			!denies(/\b(running|runs|firing|fires|working|going)\b/)
		)
			return [{ kind: 'source', is: 'runs' }];
		if (!/\b(air|floor|radiators?)\b/.test(text)) return [];
	}
	const isAir = /\b(warm|hot|cold) air\b/.test(text);
	if (subject !== 'heater' && !isAir && !/^ there's heat\b/.test(text)) return [];
	const calls = said.some((fact) => fact.kind === 'sign' && fact.seen && CALLS.test(fact.what.toLowerCase()));
	const which = isAir ? 'air' : (WHICH.exec(text)?.[0] ?? (/^ (they|the two)/.test(text) ? 'radiators' : ''));
	const heater = (is: Extract<Fact, { kind: 'heater' }>['is']): Fact[] => [
		{
			kind: 'heater',
			which,
			is,
			all: !PART.test(text),
			asked: calls || CALLS.test(text.replace(/\bheating\b/, ''))
		}
	];
	if (/\b(only when|until|till)\b/.test(text)) return [];
	if (/\btop\b.*\bcold\b|\bcold\b.*\btop\b/.test(text)) return heater('top-cold');
	if (LUKEWARM.test(text)) return heater('lukewarm');
	if (/\bnot a bit of heat|no heat (in|out|from)\b/.test(text)) return heater('cold');
	if (COLD.test(text) && !denies(COLD)) return heater('cold');
	if (COLD.test(text) && denies(/\bcold\b/)) return [];
	if (HOT.test(text)) return heater(denies(HOT) ? 'cold' : 'hot');
	return [];
}

/** What its keys do, and what goes on and off again and again. */
export function keysIn({ text, mood, subject, speech }: Clause): Fact[] {
	const facts: Fact[] = [];
	if (mood === 'wish') return facts;
	const keys = (
		what: Extract<Fact, { kind: 'keys' }>['do'],
		degrees: number | null = null,
		afterMinutes: number | null = null
	) => facts.push({ kind: 'keys', do: what, degrees, afterMinutes });
	const figures = inFigures(text);
	const stops = /\b(?:beeps?|stops?|stuck|sticks) at (\d{1,2}(?:\.\d)?)\b/.exec(figures);
	const after = lengthIn(text);
	if (
		/\bpress (whatever|anything|what) you like\b|\b(keys?|buttons?|press)\b.*\b(nothing|dead|sits there|no use|locked|no good)\b|\bnothing happens when\b|\b(is|are|keys) locked\b(?! out)/.test(
			text
		)
	)
		keys('dead');
	else if (stops && subject === 'room' && !/\b(number|it gets)\b/.test(text)) keys('stop', Number(stops[1]));
	else if (
		/\b(will not|won't|can't|cannot) (go|be set|be turned|set it) (any )?(higher|up|over|past)\b/.test(
			text
		) &&
		!/\b(house|room)\b/.test(text)
	)
		keys('stop');
	else if (
		after !== null &&
		/\b(conks? out|goes back|springs? back|falls? back|drops? back|ends|stops|goes off)\b.*\bafter\b|\bafter\b.*\b(goes|springs|falls|drops) back\b/.test(
			text
		)
	)
		keys('back', null, after);
	else if (/\b(keeps? going|goes|springs|falls|drops) back (by itself|to)\b/.test(text)) keys('back');
	else if (/\bkeys? (all )?work\b|\bthen it clicked\b|\bbuttons work\b/.test(text)) keys('work');
	const counted = /(\d+) times (?:in|an|every|per) (?:an |1 )?hour/.exec(figures);
	if (counted) facts.push({ kind: 'cycles', perHour: Number(counted[1]) });
	else if (
		/\b(stops and starts|starts and stops|on and off (again|all the time|every)|every few minutes)\b/.test(
			text
		) &&
		!/\btimes (in|an|every|per)\b/.test(speech)
	)
		facts.push({ kind: 'cycles', perHour: null });
	return facts;
}

const NOISE =
	/\b(gurgl\w*|bang\w*|knock(?:ing|s)|tick(?:ing|s)|click\w*|beep\w*|humm\w*|whistl\w*|rattl\w*|smell\w*(?: of| like)? \w+)\b/;
export const noiseIn = ({ text, mood }: Clause): Fact[] => {
	const found = mood === 'wish' ? null : NOISE.exec(text);
	return found ? [{ kind: 'noise', what: found[1]! }] : [];
};

type Event = Extract<Fact, { kind: 'since' }>['event'];
const EVENTS: readonly (readonly [RegExp, Event])[] = [
	[/\bclocks? (changed|went|change|back|forward)|\bput the clocks\b|\bsummer ?time\b|\bwinter ?time\b/, 'clocks-changed'],
	[/\b(power|electricity|current|electric) (cut|failure|was out|went|outage|goes|failed)/, 'power-cut'],
	[/\b(new|changed|replaced|after|since|old|took|put)\b.*\b(batter(y|ies)|cells)\b|\bbatter(y|ies) (was|were) (only )?(changed|replaced|flat|empty)/, 'batteries'],
	[/\b(somebody|someone|anybody) (was|were|played|pressed|touched|had|have|has|must)\b|\bthe (kids?|children|tenants?|cleaner|grandchildren) (\w+ )?(was|were|played|pressed|touched|had|have|has|must)\b|\bthe cleaner\b|\bteenagers\b/, 'somebody'],
	[/\b(visitors?|guests?|in-laws?|dad's over|friends (were|came))\b/, 'visitors'],
	[/\b(decorat(ors|ing|ed)|painters?|electrician|plumber|(boiler|heating) man|builders?|fitters?)\b/, 'tradesmen'],
	[/\b(tenants?|people) moved in\b|\bnew tenants?\b|\bwe moved in\b/, 'new-tenants'],
	[/\bbox(ed)? (it |them )?in\b|\b(new )?(shelves|shelf|cupboard|curtains?|wardrobe|coat)\b/, 'covered'],
	[/\b(carpet|lino|laminate|vinyl|underlay|new (floor|tiles))\b.*\b(laid|down|up|put|felt)\b|\b(laid|put down|pulled up)\b.*\b(carpet|lino|laminate|floor|felt)\b/, 'new-floor'],
	[/\bknocked\b.*\boff\b|\b(moved|shifted) (the|it|that) ?(\w+ )?(box|thermostat|control|receiver)?/, 'moved'],
	[/\b(after|since) the (trip|holiday)\b|\bcame back\b|\bback from\b/, 'back'],
	[/\bsince (it|the weather) (got|became|turned|is) (so )?(cold|colder)|\bcold snap\b|\bin (the )?frost\b|\bsince it got cold/, 'colder'],
	[/\b(has|it's|have) always been\b|\balways (has )?been (so|like|slow|cold|green|that)\b|\balways been\b|\balways has been\b|\bsince it was (set up|fitted|installed|new)\b/, 'always'],
	[/\bused to\b|\bwas (fine|grand|perfect) (until|till)\b|\buntil (they|we|the|he|she)\b/, 'changed']
]; // prettier-ignore

/** What happened before it was so. */
export function eventsIn({ text, mood, speech }: Clause): Fact[] {
	if (mood === 'opinion' || mood === 'wish') return [];
	const sure =
		!/\b(maybe|perhaps|must have|may have|might|i think|take your pick|or maybe|not sure|teenagers)\b/.test(
			speech
		);
	return EVENTS.filter(([of]) => of.test(text)).map(([, event]) => ({ kind: 'since', event, sure }) as const);
}

const ONLY: readonly (readonly [RegExp, Extract<Fact, { kind: 'only-when' }>['what']])[] = [
	[/\b(only )?(when|if) there's (a )?frost\b|\bfrost on the\b|\bonly in (the |hard )?frost\b/, 'frost'],
	[/\bwhen it's (mild|warm(er)? out)|\bmild days\b/, 'mild'],
	[/\b(when(ever)? )the sun (comes|shines|is|gets)\b|\bin the sun\b|\bsun (shines|falls|comes) (on|in)\b/, 'sun'],
	[/\b(windy|when(ever)? the wind|when it blows)\b/, 'wind'],
	[/\b(when|while|if|as soon as)\b.*\b(shower|bath|washing machine|tap|dishes)\b/, 'water'],
	[/\b(bank|public) holidays?\b/, 'holiday']
]; // prettier-ignore

type Who = Extract<Fact, { kind: 'who' }>['who'];
const WHO: readonly (readonly [RegExp, Who])[] = [
	[/\b(i'm|he's|she's|is|am|aged) (sixty|seventy|eighty|ninety|[6-9]\d)(-| )?\w*\b(?!.*(degrees|minutes))|\b(elderly|grand(mother|father|ma|da)|granny|pensioner)\b/, 'old'],
	[/\b(oxygen|dialysis|asthma|poorly|in hospital|unwell|ill in bed|chemo\w*)\b/, 'ill'],
	[/\b(baby|newborn|infant)\b/, 'infant'],
	[/\b(teenagers?|kids|children|toddler)\b/, 'child'],
	[/\btenants?\b/, 'tenant'],
	[/\b(they|he|she|tenants?) (say|says|told me)\b(?! (on|off|wed|mon|tue|thu|fri|sat|sun)\b)|\bcorridor is complaining\b|\bi'm told\b/, 'second-hand']
]; // prettier-ignore

/** In which weather only, and who is there. */
export function aroundIn({ text, mood }: Clause): Fact[] {
	if (mood === 'wish' && !/\bbaby\b/.test(text)) return [];
	return [
		...ONLY.filter(([of]) => of.test(text)).map(([, what]) => ({ kind: 'only-when', what }) as const),
		...WHO.filter(([of]) => of.test(text)).map(([, who]) => ({ kind: 'who', who }) as const)
	];
}

const DID: readonly RegExp[] = [
	/\b(i|we|they|he|she|the man) (turned|took|put|hung|pulled|opened|shut|reset|switched|boxed|laid|set)\b/,
	/\b(fuse|plug)\b.*\bout\b/,
	/\b(on purpose|we keep it on|laid a finger|plugged in beside|we were away|i've to set|keep running to it|were only changed)\b/
];
/** What was done, wanted, thought, or grows: told on in their words. */
export function asidesIn({ words, text, mood }: Clause): Fact[] {
	const what = words.slice(0, 120);
	if (mood === 'wish' || mood === 'opinion') return [{ kind: 'aside', about: mood, what }];
	if (mood === 'planned') return [{ kind: 'aside', about: 'planned', what }];
	if (DID.some((of) => of.test(text))) return [{ kind: 'aside', about: 'did', what }];
	if (
		/\b(worse (every|each)|more (every|each)|later and later|earlier and earlier|now it's nearer)\b/.test(
			text
		)
	)
		return [{ kind: 'aside', about: 'trend', what }];
	return [];
}
