import {
	saysFrail,
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
import type { Danger } from '../heard';
import { modeSentence, type ControlProfile } from '../control';
import { clockTime, DAY_NAMES, duration } from '../week';
import { factWords } from './fact';

/** A cause as it stands in a sentence. */
export function matterWords(
	{ kind, figure }: Pick<Cause, 'kind' | 'figure'>,
	profile: Pick<ControlProfile, 'panel'>
): string {
	switch (kind) {
		case 'clock-off':
			return Math.abs(figure) === 720
				? 'Clock 12 h out: morning for evening'
				: `Clock ${duration(Math.abs(figure))} ${figure > 0 ? 'fast' : 'slow'}`;
		case 'weekday-off':
			return `Wrong weekday: ${figure === 1 ? 'one day' : `${figure} days`} ahead`;
		case 'left-manual':
			return figure > 0 ? 'Left on manual, warm' : 'Left on manual, turned down';
		case 'left-off':
			return profile.panel?.modes?.off ? `Left on ${profile.panel.modes.off}` : 'Left off';
		case 'left-away':
			return 'Left on holiday';
		case 'factory-week':
			return 'Program lost: running the factory one';
		case 'day-not-copied':
			return figure < 10
				? `${DAY_NAMES[figure - 1]!} still has ${DAY_NAMES[(figure + 5) % 7]!}’s times`
				: figure > 100
					? `${DAY_NAMES[Math.floor((figure - 100) / 10) - 1]!} alone has ${DAY_NAMES[(figure % 10) - 1]!}’s times`
					: `${DAY_NAMES[Math.floor(figure / 10) - 1]!} and days like it have ${DAY_NAMES[(figure % 10) - 1]!}’s times`;
		case 'step-slip': {
			const { day, step, minutes } = slipOf(figure);
			const off =
				minutes === 720 ? '12 h out: morning for evening' : `1 h too ${minutes > 0 ? 'late' : 'early'}`;
			return `${DAY_NAMES[day]!}${step > 0 ? `, step ${step}` : ''} keyed ${off}`;
		}
		case 'starts-early':
			return 'Starts too early: optimum start plus preheat';
		case 'source-later':
			return 'The heat source starts after this room calls';
		case 'source-off':
			return 'The heat source is off';
		case 'no-radio':
			return figure > 0 ? 'No signal at the receiver: heating stays on' : 'No signal at the receiver';
		case 'receiver-held':
			return 'Switched on at the receiver';
		case 'no-power':
			return 'No power: batteries or supply';
		case 'locked':
			return 'Keypad locked, setpoint too low';
		case 'limit':
			return 'Maximum setpoint too low';
		case 'sensor':
			return figure === 1
				? 'Sun on the sensor: control reads too warm'
				: 'Sensor warmer than the room: a lamp, a pipe, or covered';
		case 'offset':
			return figure > 0 ? 'Wrong offset: control reads high' : 'Wrong offset: control reads low';
		case 'changeover':
			return figure > 0 ? 'Set to heating only: no cooling' : 'Set to cooling only: no heating';
		case 'slow-room':
			return 'Preheat too short for this weather';
		case 'weak-emitter':
			return 'Heating too small for this weather';
		case 'somebody-changed':
			return 'Somebody changed the program';
		case 'override-ended':
			return 'Override ended by itself, as it is built';
		case 'boost':
			return 'Boosted at night, by somebody';
		case 'channel-off':
			return 'The heating channel is off';
		case 'water-first':
			return 'Hot water takes the heat first';
		case 'sensor-low':
			return 'Sensor colder than the room: a draught, or a cold wall';
		case 'blockage':
			return 'Air, a stuck valve or a blockage in the heating';
		case 'cycle-rate':
			return 'Switches too often: cycle rate';
		case 'comfort':
			return 'Figures are right, and it is too cool for who lives there';
		case 'no-fault':
			return 'No fault: room is above the setpoint';
		case 'other':
			return 'Something else';
	}
}

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
		'set-to': 'When the room is cold, what is it set to?',
		water: 'Is there hot water at the taps?',
		keys: 'Press a key: does anything happen, or is it locked?'
	})[question];

/** What a cause explains of what was said, and what it does not. */
export function explainsWords(facts: readonly Fact[], explains: readonly number[]): string {
	// what weighs nothing is neither
	const said = (which: (share: number) => boolean) =>
		facts.filter((_, i) => explains[i] !== 1 && which(explains[i] ?? 0)).map(factWords);
	const [does, not] = [said((share) => share >= 0.4), said((share) => share < 0.15)];
	if (not.length === 0 && does.length > 2) return `explains all ${does.length}`;
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
					: 'unlikely';

/** The headline: what is likeliest by now. */
export const headlineWords = (first: Ranked<Named> | null, profile: Pick<ControlProfile, 'panel'>): string =>
	first === null
		? 'Write what the customer says. Causes appear here.'
		: `${first.share >= CERTAIN ? 'Almost certainly' : first.share >= LIKELY ? 'Most likely' : 'Perhaps'} ${small(matterWords(first.cause, profile))}.`;

/** What is said before any question where somebody speaks of what hurts. */
export const dangerWords = (danger: Danger): string =>
	({
		gas: 'Gas? Get out, open nothing electric, then ring the gas emergency line.',
		fumes: 'Get everybody out into fresh air, then ring the emergency line. Heating stays off.',
		burning:
			'Switch off at the board and leave it off. Fire: get out, ring the fire service. Then a qualified engineer.',
		water:
			'Turn the water off and touch nothing that is wet. Leave the heating off. Then a qualified engineer.'
	})[danger];

/** Said first where somebody old, ill or very young is without heat in frost; null where nothing of that was said. */
export function careWords(facts: readonly Fact[], outdoorC: number, isFrailNoted: boolean): string | null {
	const isFrail = isFrailNoted || facts.some(saysFrail);
	const isCold = facts.some(
		(fact) =>
			(fact.kind === 'feels' && fact.what === 'cold' && fact.where === undefined) ||
			(fact.kind === 'heater' && fact.is === 'cold')
	);
	return isFrail && isCold && outdoorC <= 0
		? 'Frost, and somebody old, ill or very young: heat tonight first, by hand or with a spare heater. A visit today.'
		: null;
}

/** Within a sentence; a day keeps its capital. */
const small = (text: string) =>
	DAY_NAMES.some((day) => text.startsWith(day)) ? text : text.charAt(0).toLowerCase() + text.slice(1);
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
			return `End the holiday. ${end(habits.holiday?.how ?? '')}`;
		case 'factory-week':
			return 'Key in the program again; check the batteries.';
		case 'day-not-copied':
		case 'step-slip':
		case 'somebody-changed':
			return 'Read it back, then key in what differs.';
		case 'starts-early':
			return 'Use one of the two: turn optimum start off in its menu, or set preheat to none.';
		case 'source-later':
			return 'Start the heat source earlier: see House.';
		case 'source-off':
			return 'Check that the boiler or heat pump is on and shows no fault. Never open its cover: call a qualified engineer.';
		case 'no-radio':
			return end(operation.receiver?.pairing ?? 'Pair control and receiver again, as the maker says');
		case 'receiver-held':
			return end(operation.receiver?.ownKey || 'Set the receiver back to automatic');
		case 'locked':
			return operation.lock
				? `End the lock: ${end(operation.lock.ends)} Then ${small(end(auto || habits.manual?.how || 'put it back on its program'))}`
				: 'End the lock, then put it back on its program.';
		case 'offset':
			return 'Hold a thermometer beside it for 15 min, then key in the offset again.';
		case 'changeover':
			return 'Set it to heat and cool in its menu, then wait for the compressor. Behind covers: qualified engineer only.';
		case 'no-power':
			return habits.power === 'batteries'
				? 'Fit new batteries, then set its clock.'
				: 'Check the power. Never open the control: live parts. Mains is for a qualified engineer.';
		case 'limit':
			return 'Check the maximum setpoint in the installer menu.';
		case 'sensor':
			return 'Keep sun, lamps, curtains and furniture away from it. If that is not enough, move it or set its offset on a visit.';
		case 'slow-room':
			return 'Compute the preheat on Proof, then key in the start times again.';
		case 'weak-emitter':
			return 'Proof gives the coldest weather for this heater. In hard frost, leave it running.';
		case 'override-ended':
			return habits.override?.ends === 'after-minutes'
				? `Override ends after ${duration(habits.override.minutes)}. To keep it: ${end(small(habits.hold?.how || habits.manual?.how || 'change its program'))}`
				: `Override ends at the next step. To keep it: ${end(small(habits.hold?.how || habits.manual?.how || 'change its program'))}`;
		case 'boost':
			return `Ask who boosts it at night. It ends by itself: ${end(small(habits.boost?.how || 'wait until it has ended'))}`;
		case 'channel-off':
			return end(auto || habits.manual?.how || 'Put the heating channel back on its program');
		case 'water-first':
			return 'Set hot water to hours when no room needs heat: see House.';
		case 'sensor-low':
			return 'Hold a thermometer beside it for 15 min. Seal the draught or move it on a visit; set its offset last.';
		case 'blockage':
			return 'No key helps. Feel which part is cold and tell the heating engineer: air, a valve or a blockage.';
		case 'cycle-rate':
			return 'On a visit: set the cycle rate in its menu to the kind of heater.';
		case 'comfort':
			return 'Set 21 to 22 °C for the hours they sit there. Old, ill or with a baby: heat today, and look in on them.';
		case 'no-fault':
			return 'Turn it above the room temperature: heat must come.';
		case 'other':
			return 'Not settled by phone. Visit, test, read back.';
	}
}

/** Two things at once, where one does not explain all. */
export const pairWords = (
	{ causes: [a, b] }: Pick<RankedPair<Named>, 'causes'>,
	profile: Pick<ControlProfile, 'panel'>
): string =>
	`Two faults at once explain it all: ${small(matterWords(a, profile))}, and ${small(matterWords(b, profile))}.`;

/** Said of two things that cannot both be so. */
export const contradictionWords = (a: Fact, b: Fact): string =>
	`“${factWords(a)}” and “${factWords(b)}” contradict. Ask again, delete one.`;

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
	'Nothing written yet';

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
	'clock-off': 'clock wrong',
	'weekday-off': 'wrong weekday',
	'left-manual': 'left on manual',
	'left-off': 'left off',
	'left-away': 'left on holiday',
	'factory-week': 'program lost',
	'day-not-copied': 'a day not keyed in',
	'step-slip': 'a step keyed wrong',
	'starts-early': 'optimum start plus preheat',
	'source-later': 'heat source starts too late',
	'source-off': 'heat source off',
	'no-radio': 'no signal at the receiver',
	'receiver-held': 'switched at the receiver',
	'no-power': 'no power',
	locked: 'keypad locked',
	limit: 'maximum setpoint too low',
	sensor: 'sensor reads wrong',
	offset: 'wrong offset',
	changeover: 'set to heating only, or cooling only',
	'slow-room': 'preheat too short',
	'weak-emitter': 'heating too small',
	'somebody-changed': 'somebody changed the program',
	'override-ended': 'override ended as built',
	boost: 'boosted at night',
	'channel-off': 'heating channel off',
	'water-first': 'hot water first',
	'sensor-low': 'sensor reads low',
	blockage: 'air, valve or blockage',
	'cycle-rate': 'cycle rate',
	comfort: 'too cool for who lives there',
	'no-fault': 'no fault',
	other: 'something else'
};

/** Why a cause stands where it stands, in figures: how often it is so before anything is said, and what each thing said makes of it. */
export function whyRankedWords(
	{ share, explains }: Pick<Ranked, 'share' | 'explains'>,
	facts: readonly Fact[],
	before: number
): string {
	const percent = (part: number) => `${part < 0.1 ? Math.round(part * 1000) / 10 : Math.round(part * 100)} %`;
	const each = facts.flatMap((fact, i) =>
		explains[i] === 1
			? []
			: [`“${factWords(fact)}” is said of it in ${percent(explains[i] ?? 0)} of such cases`]
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
