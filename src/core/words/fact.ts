import type { Fact, QuestionId } from '../callback';
import type { SaidWeek } from '../heard';
import { clockTime, DAY_MINUTES, DAY_NAMES, dayRange, duration } from '../week';

const ABOUT: Readonly<Record<QuestionId, string>> = {
	'clock-shows': 'its clock',
	mode: 'it shows',
	since: 'since',
	rooms: 'cold',
	'heater-asked': 'turned up, the heater is',
	lamp: 'the receiver’s lamp',
	'which-days': 'it is so',
	'set-to': 'it is set',
	water: 'hot water',
	keys: 'its keys'
};

const ANSWERS: Readonly<Record<string, string>> = {
	'clock-shows/right': 'the right time',
	'clock-shows/hour-ahead': '1 h fast',
	'clock-shows/hour-behind': '1 h slow',
	'clock-shows/another-time': 'another time',
	'clock-shows/another-day': 'another day',
	'clock-shows/blank': 'nothing at all',
	'mode/program': 'its program',
	'mode/manual': 'manual, or held',
	'mode/off': 'off',
	'mode/away': 'away',
	'since/always': 'always, or since it was set up',
	'since/clocks-changed': 'since the clocks changed',
	'since/power': 'after a power cut or new batteries',
	'since/visitors': 'somebody was at its keys',
	'since/colder': 'since it got colder',
	'rooms/this': 'only this room',
	'rooms/all': 'the others too',
	'heater-asked/hot': 'hot',
	'heater-asked/cold': 'cold',
	'lamp/as-usual': 'as usual',
	'lamp/out-or-blinks': 'out, or it blinks',
	'which-days/every': 'every day',
	'which-days/some': 'only on some',
	'set-to/as-planned': 'what it should be',
	'set-to/lower': 'lower than that',
	'set-to/higher': 'higher than that',
	'water/yes': 'yes',
	'water/no': 'no',
	'keys/work': 'they work',
	'keys/locked': 'locked, or nothing happens'
};

/** An answer as it stands on its button. */
export const answerWords = (question: QuestionId, answer: string): string =>
	ANSWERS[`${question}/${answer}`] ?? answer;

type Of<Kind extends Fact['kind']> = Extract<Fact, { kind: Kind }>;

const SINCE: Readonly<Record<Of<'since'>['event'], string>> = {
	always: 'always so',
	changed: 'it was different before',
	'clocks-changed': 'since the clocks changed',
	'power-cut': 'since a power cut',
	batteries: 'since new batteries',
	visitors: 'since visitors were there',
	somebody: 'since somebody was at its keys',
	tradesmen: 'since tradesmen were there',
	'new-tenants': 'since new people moved in',
	covered: 'since something was put before it',
	'new-floor': 'since a new floor was laid',
	moved: 'since it was moved',
	back: 'since they came back',
	colder: 'since it got colder'
};
const ONLY: Readonly<Record<Of<'only-when'>['what'], string>> = {
	frost: 'only in frost',
	mild: 'when it is mild',
	sun: 'when the sun shines in',
	wind: 'when it is windy',
	water: 'while hot water runs',
	holiday: 'on public holidays'
};
const WHO: Readonly<Record<Of<'who'>['who'], string>> = {
	old: 'somebody old lives there',
	ill: 'somebody ill lives there',
	infant: 'a baby lives there',
	child: 'children live there',
	tenant: 'a tenant lives there',
	'second-hand': 'heard from somebody else'
};
const ASIDES: Readonly<Record<Of<'aside'>['about'], string>> = {
	did: 'what they did',
	wish: 'what they want',
	planned: 'what it should do',
	opinion: 'what they think',
	trend: 'it grows'
};
const FEELS: Readonly<Record<Of<'feels'>['what'], readonly [some: string, all: string]>> = {
	cold: ['cold', 'never warm'],
	hot: ['too hot', 'always too hot'],
	fine: ['as it should be', 'as it should be'],
	slow: ['slow to warm', 'slow to warm']
};
const DEGREES: Readonly<Record<Of<'degrees'>['of'], string>> = {
	outdoors: 'outside',
	reaches: 'gets no warmer than',
	measured: 'their own thermometer'
};

/** The days that were named, after a comma; nothing where none was: nobody said every day. */
const on = (days: readonly number[]) => (days.length === 7 ? '' : `, ${dayRange([...days])}`);
const degreesWords = (degrees: number, unit: 'C' | 'F') => `${String(degrees)} °${unit}`;

function feelsWords({ what, days, from, to, where }: Of<'feels'>): string {
	const isAll = to - from >= 1440;
	const place = where === undefined ? '' : where === 'others' ? 'the other rooms: ' : `${where}: `;
	return isAll
		? `${place}${where ? FEELS[what][0] : FEELS[what][1]}${on(days)}`
		: `${place}${FEELS[what][0]} ${clockTime(from)} to ${clockTime(to)}${on(days)}`;
}

function clockWords({ is, aheadMinutes }: Of<'clock'>): string {
	const by = aheadMinutes ? `${duration(Math.abs(aheadMinutes))} ` : '';
	const words = {
		right: 'the right time',
		fast: `${by}fast`,
		slow: `${by}slow`,
		wrong: 'wrong',
		blinks: 'it blinks'
	};
	return `its clock: ${words[is]}`;
}

function signWords({ as, what, seen }: Of<'sign'>): string {
	const not = seen ? '' : 'no ';
	switch (as) {
		case 'word':
			return `it shows ${not}“${what}”`;
		case 'symbol':
			return `it shows ${seen ? 'a' : 'no'} picture: ${what}`;
		case 'step':
			return `it shows step ${what}`;
		case 'nothing':
			return 'its display is empty';
		case 'faint':
			return 'its display is faint';
	}
}

function keysWords({ do: what, degrees, afterMinutes }: Of<'keys'>): string {
	switch (what) {
		case 'work':
			return 'its keys: they work';
		case 'dead':
			return 'its keys: nothing happens';
		case 'stop':
			return `it cannot be set higher${degrees === null ? '' : ` than ${degrees}°`}`;
		case 'back':
			return `what is set goes back by itself${afterMinutes === null ? '' : ` after ${duration(afterMinutes)}`}`;
	}
}

function heaterWords({ which, is, all, asked }: Of<'heater'>): string {
	const state = { hot: 'hot', lukewarm: 'lukewarm', cold: 'cold', 'top-cold': 'cold at the top' }[is];
	return `${all ? '' : 'some '}${which || 'heater'}: ${state}${asked ? ', though it calls' : ''}`;
}

/** What was said, as it was understood. */
export function factWords(fact: Fact): string {
	switch (fact.kind) {
		case 'feels':
			return feelsWords(fact);
		case 'turns':
			return `${fact.to === 'on' ? 'comes on' : 'goes off'} at ${clockTime(fact.at)}${fact.either ? ` or ${clockTime((fact.at + DAY_MINUTES / 2) % DAY_MINUTES)}` : ''}${on(fact.days)}`;
		case 'clock':
			return clockWords(fact);
		case 'weekday':
			return fact.aheadDays === 0
				? 'its weekday: right'
				: `its weekday: ${fact.aheadDays === null ? 'wrong' : fact.aheadDays === 1 ? 'a day ahead' : fact.aheadDays === 6 ? 'a day behind' : `${fact.aheadDays} days ahead`}`;
		case 'like-day':
			return `${fact.on === null ? 'on one day' : `on ${DAY_NAMES[fact.on]!}`} it runs ${DAY_NAMES[fact.runs]!}’s times`;
		case 'shift':
			return `${fact.of === 'starts' ? 'starts' : fact.of === 'ends' ? 'ends' : 'all of it'} ${duration(Math.abs(fact.lateMinutes))} ${fact.lateMinutes > 0 ? 'late' : 'early'}`;
		case 'sign':
			return signWords(fact);
		case 'lamp':
			return `${fact.where ? `the lamp of the ${fact.where}` : 'a lamp'}: ${[fact.colour, fact.is === 'steady' ? '' : fact.is].filter(Boolean).join(', ') || 'steady'}`;
		case 'keys':
			return keysWords(fact);
		case 'heater':
			return heaterWords(fact);
		case 'source':
			return `the heat source: ${{ runs: 'it runs', off: 'off', fault: 'shows a fault' }[fact.is]}`;
		case 'since':
			return `${SINCE[fact.event]}${fact.sure ? '' : ', perhaps'}`;
		case 'only-when':
			return ONLY[fact.what];
		case 'degrees':
			return `${DEGREES[fact.of]} ${degreesWords(fact.degrees, fact.unit)}`;
		case 'cycles':
			return `goes on and off again and again${fact.perHour === null ? '' : `, ${fact.perHour} times an hour`}`;
		case 'noise':
			return `heard or smelt: ${fact.what}`;
		case 'who':
			return WHO[fact.who];
		case 'aside':
			return `${ASIDES[fact.about]}: ${fact.what}`;
		case 'shows':
			return `${fact.of === 'room' ? 'it shows the room at' : fact.of === 'set' ? 'it is set to' : 'it shows'} ${degreesWords(fact.degrees, fact.unit)}${fact.at === null ? '' : ` at ${clockTime(fact.at)}`}${on(fact.days)}`;
		case 'log':
			return 'a logger’s file of the room';
		case 'answer':
			return `${ABOUT[fact.question]}: ${answerWords(fact.question, fact.answer)}`;
	}
}

/** Degrees that were said and that this control cannot be set to. */
export const refusedWords = (figures: readonly number[]): string =>
	`This control cannot be set to ${figures.join(' or ')}: not taken.`;

/** What can be said of a week: the whole of it where nothing is drawn yet, else also what is to be otherwise. */
export const sayWeekHelp = (isDrawn: boolean): string =>
	isDrawn
		? 'Only what is to be otherwise: Fridays from noon; half an hour earlier on Tuesday; Sundays up at nine. Or the whole week.'
		: 'Such as: weekdays up at six, out half eight to five, bed half ten; weekends home all day, Sunday from nine; eco 17 at night';

/** What is missing before days that were spoken of can be drawn. */
export function missingWords(missing: SaidWeek['missing']): string {
	const of = (what: 'up' | 'bed') => missing.filter((one) => one.what === what).map(({ day }) => day);
	return [
		...(of('up').length > 0 ? [`From when on is it to be warm, ${dayRange(of('up'))}?`] : []),
		...(of('bed').length > 0 ? [`Until when, ${dayRange(of('bed'))}?`] : [])
	].join(' ');
}
