import {
	slipOf,
	type Call,
	type Cause,
	type CauseKind,
	type Fact,
	type LogMatch,
	type Named,
	type QuestionId,
	type Ranked,
	type RankedPair
} from '../callback';
import { modeSentence, type ControlProfile } from '../control';
import { clockTime, DAY_NAMES, dayRange, duration } from '../week';

/** A cause as it stands in a sentence. */
export function matterWords(
	{ kind, figure }: Pick<Cause, 'kind' | 'figure'>,
	profile: Pick<ControlProfile, 'panel'>
): string {
	switch (kind) {
		case 'clock-off':
			return Math.abs(figure) === 720
				? 'Its clock is half a day out, morning for evening'
				: `Its clock is ${duration(Math.abs(figure))} ${figure > 0 ? 'ahead' : 'behind'}`;
		case 'weekday-off':
			return `Its weekday is ${figure === 1 ? 'one day' : `${figure} days`} ahead`;
		case 'left-manual':
			return figure > 0 ? 'It was left on manual, warm' : 'It was left on manual, turned down';
		case 'left-off':
			return profile.panel?.modes?.off ? `It was left on ${profile.panel.modes.off}` : 'It was left off';
		case 'left-away':
			return 'It is still set to be away';
		case 'factory-week':
			return 'It lost its week and runs the one that it came with';
		case 'day-not-copied':
			return figure < 10
				? `${DAY_NAMES[figure - 1]!} was not keyed: it holds the day before`
				: `${DAY_NAMES[Math.floor(figure / 10) - 1]!}, and the days like it, hold what ${DAY_NAMES[(figure % 10) - 1]!} is meant to have`;
		case 'step-slip': {
			const { day, step, minutes } = slipOf(figure);
			const off =
				minutes === 720
					? 'half a day off, morning for evening'
					: `an hour too ${minutes > 0 ? 'late' : 'early'}`;
			return `${DAY_NAMES[day]!}${step > 0 ? `, change ${step},` : ''} was keyed ${off}`;
		}
		case 'starts-early':
			return 'It starts early by itself, and a lead is in its week as well';
		case 'source-later':
			return 'What feeds it starts later than the room asks';
		case 'source-off':
			return 'What feeds it is off';
		case 'no-radio':
			return figure > 0 ? 'Its receiver does not hear it, and heats on' : 'Its receiver does not hear it';
		case 'receiver-held':
			return 'It was put on at the receiver’s own key';
		case 'no-power':
			return 'Its batteries or its supply are out';
		case 'locked':
			return 'It is locked at a setting that is too low';
		case 'limit':
			return 'A limit holds it down';
		case 'sensor':
			return figure === 1
				? 'Sun falls on it by day, and it believes the room is warm'
				: 'Its sensor is warmer than the room: a lamp, a pipe, or something before it';
		case 'offset':
			return figure > 0
				? 'Its offset makes it show more than the room has'
				: 'Its offset makes it show less than the room has';
		case 'changeover':
			return figure > 0 ? 'It only heats, and does not cool' : 'It only cools, and does not heat';
		case 'slow-room':
			return 'The room needs longer than it is given in this cold';
		case 'weak-emitter':
			return 'What heats the room is too weak for this cold';
		case 'somebody-changed':
			return 'Somebody has changed its week';
		case 'no-fault':
			return 'Nothing is wrong: the room is warmer than it is set to';
		case 'other':
			return 'Something else';
	}
}

/** What was said, as it was understood. */
export function factWords(fact: Fact): string {
	const on = (days: readonly number[]) => (days.length === 7 ? 'every day' : dayRange([...days]));
	switch (fact.kind) {
		case 'feels':
			return fact.to - fact.from >= 1440
				? `never warm, ${on(fact.days)}`
				: `${fact.what === 'cold' ? 'cold' : 'too hot'} ${clockTime(fact.from)} to ${clockTime(fact.to)}, ${on(fact.days)}`;
		case 'turns':
			return `${fact.to === 'on' ? 'comes on' : 'goes off'} at ${clockTime(fact.at)}, ${on(fact.days)}`;
		case 'shows':
			return `it shows ${String(fact.degrees)} °${fact.unit}${fact.at === null ? '' : ` at ${clockTime(fact.at)}`}${fact.days.length === 7 ? '' : `, ${dayRange([...fact.days])}`}`;
		case 'log':
			return 'a logger’s file of the room';
		case 'answer':
			return `${ABOUT[fact.question]}: ${answerWords(fact.question, fact.answer)}`;
	}
}

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

/** A question as it is read out to the household. */
export const askingWords = (question: QuestionId): string =>
	({
		'clock-shows': 'What time and which day does it show just now?',
		mode: 'What does its display say: the program, manual, off, or away?',
		since: 'Since when is it so, and what happened then?',
		rooms: 'Is it only this room, or the others too?',
		'heater-asked': 'Turn it up as far as it goes. After a quarter of an hour, is the heater hot?',
		lamp: 'What does the lamp at the receiver show?',
		'which-days': 'Is it every day, or only on some days?',
		'set-to': 'When it should be warm and is not, what temperature does it say it is set to?',
		water: 'Is there hot water at the taps?',
		keys: 'Press a key: does anything happen, or is it locked?'
	})[question];

const ANSWERS: Readonly<Record<string, string>> = {
	'clock-shows/right': 'the right time',
	'clock-shows/hour-ahead': 'an hour ahead',
	'clock-shows/hour-behind': 'an hour behind',
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

/** What a cause explains of what was said, and what it does not. */
export function explainsWords(facts: readonly Fact[], explains: readonly number[]): string {
	const said = (which: (share: number) => boolean) =>
		facts.filter((_, i) => which(explains[i] ?? 0)).map(factWords);
	const [does, not] = [said((share) => share >= 0.4), said((share) => share < 0.15)];
	return [
		...(does.length > 0 ? [`explains ${does.join(' · ')}`] : []),
		...(not.length > 0 ? [`does not explain ${not.join(' · ')}`] : [])
	].join('; ');
}

/** From which share on a cause is called almost certain, and most likely. */
const CERTAIN = 0.85;
const LIKELY = 0.5;
/** How likely a cause is, in a word. */
export const likelyWords = (share: number): string =>
	share >= CERTAIN
		? 'almost certain'
		: share >= LIKELY
			? 'most likely'
			: share >= 0.2
				? 'likely'
				: share >= 0.08
					? 'possible'
					: 'hardly';

/** The headline: what is likeliest by now. */
export const headlineWords = (first: Ranked<Named> | null, profile: Pick<ControlProfile, 'panel'>): string =>
	first === null
		? 'Take down what was said, as it was said: the causes are weighed against what is known of this very control.'
		: `${first.share >= CERTAIN ? 'Almost certainly' : first.share >= LIKELY ? 'Most likely' : 'Perhaps'}: ${matterWords(first.cause, profile)}.`;

const small = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
const end = (text: string) => (/[.!?]$/.test(text) ? text : `${text}.`);

/** What to do about a cause on this very control: what the household can press, or what to bring and look at. */
export function mendWords({ kind }: Pick<Cause, 'kind'>, profile: ControlProfile): string {
	const { habits, panel, operation } = profile;
	const auto = panel ? modeSentence(panel, panel.modes?.names[0] ?? null) : '';
	switch (kind) {
		case 'clock-off':
		case 'weekday-off':
			return end(habits.clock.how || 'Set its clock and its weekday');
		case 'left-manual':
		case 'left-off':
			return end(auto || habits.manual?.how || 'Put it back on its program');
		case 'left-away':
			return `End the absence. ${end(habits.holiday?.how ?? '')}`;
		case 'factory-week':
			return 'Its week is to be keyed again: take the card, and look at its batteries.';
		case 'day-not-copied':
		case 'step-slip':
		case 'somebody-changed':
			return 'Read it back, and key again what differs.';
		case 'starts-early':
			return 'One of the two is enough: turn its early start off in its menu, or take the lead out of the week.';
		case 'source-later':
			return 'Let what feeds it begin earlier: House says by how much.';
		case 'source-off':
			return 'See that the boiler or heat pump is switched on and shows no fault; anything behind its cover belongs to a licensed trade.';
		case 'no-radio':
			return end(operation.receiver?.pairing ?? 'Pair control and receiver again as their maker says');
		case 'receiver-held':
			return end(operation.receiver?.ownKey || 'Put the receiver back to follow its control');
		case 'locked':
			return operation.lock
				? `End the lock: ${end(operation.lock.ends)} Then ${small(end(auto || habits.manual?.how || 'put it back on its program'))}`
				: 'End the lock, then put it back on its program.';
		case 'offset':
			return 'Hold a thermometer beside it for a quarter of an hour, and key the offset anew.';
		case 'changeover':
			return 'Let it do both in its menu, and wait as long as its compressor must rest; anything behind a cover belongs to a licensed trade.';
		case 'no-power':
			return habits.power === 'batteries'
				? 'Fit new batteries, then set its clock.'
				: 'See that its supply is on; do not open it: mains belongs to a licensed trade.';
		case 'limit':
			return 'Look at its highest setting in the menu of the installer.';
		case 'sensor':
			return 'Keep sun, lamps, curtains and furniture from it; if that is not enough, move it or set its offset on a visit.';
		case 'slow-room':
			return 'Compute the lead on Proof, and key the starts anew.';
		case 'weak-emitter':
			return 'Proof says how cold it may be outside for this heater; let it run through in hard frost.';
		case 'no-fault':
			return 'Turn it above the room’s own temperature: heat must come.';
		case 'other':
			return 'Nothing told by telephone settles it: make a visit, test it step by step, and read it back.';
	}
}

/** Two things at once, where one does not explain all. */
export const pairWords = (
	{ causes: [a, b] }: Pick<RankedPair<Named>, 'causes'>,
	profile: Pick<ControlProfile, 'panel'>
): string =>
	`No one thing explains all of it. Two at once would: ${small(matterWords(a, profile))}, and ${small(matterWords(b, profile))}.`;

/** Said of two things that cannot both be so. */
export const contradictionWords = (a: Fact, b: Fact): string =>
	`“${factWords(a)}” and “${factWords(b)}” cannot both be so: ask once more, and take one of them back.`;

/** What a log tells against the planned week. */
export function logWords({ shiftMinutes, days, agrees, confidence, byHand, missed }: LogMatch): string {
	const when = (minute: number) => `${DAY_NAMES[Math.floor(minute / 1440)]!} ${clockTime(minute % 1440)}`;
	const list = (of: readonly number[]) =>
		of.slice(0, 3).map(when).join(', ') + (of.length > 3 ? ` and ${of.length - 3} more` : '');
	if (agrees < 0.5)
		return 'The log does not follow the planned week by any hour: another room, another control, or no program running.';
	const moved = [
		...(days > 0 ? [days === 1 ? 'a day' : `${days} days`] : []),
		...(Math.abs(shiftMinutes) >= 20 ? [duration(Math.abs(shiftMinutes))] : [])
	].join(' and ');
	return [
		moved === ''
			? 'The log follows the planned week in its own time.'
			: `The log follows the planned week, ${moved} ${shiftMinutes < 0 && days === 0 ? 'too early' : 'too late'}${confidence < 0.3 ? ', as far as this log can tell' : ''}.`,
		...(byHand.length > 0 ? [`Warm where nothing was planned: ${list(byHand)}.`] : []),
		...(missed.length > 0 ? [`Cold where warmth was planned: ${list(missed)}.`] : [])
	].join(' ');
}

/** What was said, as it was understood and in their own words. */
export const saidWords = ({
	said,
	facts
}: {
	readonly said: string;
	readonly facts: readonly Fact[];
}): string =>
	[...facts.map(factWords), ...(said.trim() === '' ? [] : [`“${said.trim()}”`])].join(' · ') ||
	'Nothing was taken down';

/** A kept call in a line: what was said, and what it was. */
export function callWords(
	call: Pick<Call, 'said' | 'facts' | 'outcome'>,
	profile: Pick<ControlProfile, 'panel'>
): string {
	const said = saidWords(call);
	return call.outcome ? `${said}. It was: ${matterWords(call.outcome, profile)}` : said;
}

/** A cause as it is chosen for what it was. */
export const outcomeWords = (kind: CauseKind): string => OUTCOMES[kind];
const OUTCOMES: Readonly<Record<CauseKind, string>> = {
	'clock-off': 'its clock was wrong',
	'weekday-off': 'its weekday was wrong',
	'left-manual': 'left on manual',
	'left-off': 'left off',
	'left-away': 'left on away',
	'factory-week': 'its week was lost',
	'day-not-copied': 'a day was not keyed',
	'step-slip': 'a step was keyed wrong',
	'starts-early': 'early start and a lead at once',
	'source-later': 'what feeds it starts too late',
	'source-off': 'what feeds it was off',
	'no-radio': 'its receiver did not hear it',
	'receiver-held': 'the receiver’s own key',
	'no-power': 'batteries or supply',
	locked: 'locked at the wrong setting',
	limit: 'a limit held it down',
	sensor: 'its sensor',
	offset: 'its offset',
	changeover: 'it was let only heat, or only cool',
	'slow-room': 'a lead too short',
	'weak-emitter': 'what heats it is too weak',
	'somebody-changed': 'somebody changed its week',
	'no-fault': 'nothing was wrong',
	other: 'something else'
};

/** Why a cause stands where it stands, in figures: how often it is so before anything is said, and what each thing said makes of it. */
export function whyRankedWords(
	{ share, explains }: Pick<Ranked, 'share' | 'explains'>,
	facts: readonly Fact[],
	before: number
): string {
	const percent = (part: number) => `${part < 0.1 ? Math.round(part * 1000) / 10 : Math.round(part * 100)} %`;
	const each = facts.map(
		(fact, i) => `“${factWords(fact)}” is said of it in ${percent(explains[i] ?? 0)} of such cases`
	);
	return `Before anything was said: ${percent(before)}, by common practice, this record and your own closed calls. ${each.join('; ')}${each.length > 0 ? '. ' : ''}Against all others that makes ${percent(share)}.`;
}

/** How often something was the matter, in a line: told where it comes again. */
export const againWords = (kind: CauseKind, times: number): string => `${times} times: ${outcomeWords(kind)}`;

/** How long ago something was, in a word or two. */
export function sinceWords(ms: number): string {
	const minutes = Math.max(0, Math.round(ms / 60_000));
	if (minutes < 2) return 'just now';
	if (minutes < 60) return `${minutes} min ago`;
	const hours = Math.round(minutes / 60);
	if (hours < 36) return hours === 1 ? 'an hour ago' : `${hours} hours ago`;
	return `${Math.round(hours / 24)} days ago`;
}

const EVERY_DAY = [0, 1, 2, 3, 4, 5, 6];
const feels = (what: 'cold' | 'hot', from: number, to: number): Fact => ({
	kind: 'feels',
	what,
	days: EVERY_DAY,
	from,
	to
});

/** What a customer can choose that is wrong, in their words, with what it says. */
export const TROUBLES: readonly { readonly words: string; readonly fact: Fact }[] = [
	{ words: 'Cold in the mornings', fact: feels('cold', 360, 540) },
	{ words: 'Cold in the daytime', fact: feels('cold', 600, 1020) },
	{ words: 'Cold in the evenings', fact: feels('cold', 1080, 1320) },
	{ words: 'Never warm', fact: feels('cold', 0, 1440) },
	{ words: 'Too hot at night', fact: feels('hot', 60, 300) },
	{ words: 'Too hot in the daytime', fact: feels('hot', 600, 1020) },
	{ words: 'The keys do nothing', fact: { kind: 'answer', question: 'keys', answer: 'locked' } },
	{ words: 'The display is blank', fact: { kind: 'answer', question: 'clock-shows', answer: 'blank' } },
	{ words: 'The clock is wrong', fact: { kind: 'answer', question: 'clock-shows', answer: 'another-time' } },
	{ words: 'No hot water either', fact: { kind: 'answer', question: 'water', answer: 'no' } }
];

/** How a call about a stand-in ended. */
export const questionsWords = (asked: number, isIt: boolean): string =>
	`${asked === 0 ? 'Without a question' : asked === 1 ? 'After one question' : `After ${asked} questions`}${isIt ? ': that is it. Now put it right by its keys.' : ': it is something else still. Look at its display, or read it back.'}`;
