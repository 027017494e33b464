import isSame from 'fast-deep-equal';
import type { ControlProfile } from '../control';
import {
	firstOf,
	follow,
	isOperable,
	statesOf,
	trailOf,
	type Operable,
	type Place,
	type Stroke
} from '../machine';
import { standingAt, type KeyCard } from './card';
import type { Goal } from './goal';
import { ALL_DAYS, daysOf, inDoubt, satisfies, withGoal, type Known } from './known';
import { targetOf, withNote, type Note, type Notes } from './notes';
import { placeOfGoal } from './inMenu';
import { atRest, stateOf, type Stand } from './stand';
import { strokesOut } from './strokes';
import { passedBy, turnFrom, type Turn, type TurnStep } from './turn';

/**
 * Somebody keying a card in: what is left from where their hand stands, the value on show first. The hand stays where the last
 * value left it; from rest it begins only where nobody can know any more where it is.
 */
export interface KeyingSession {
	readonly profile: ControlProfile;
	readonly card: KeyCard;
	/** All that is noted at the control, this session's own acts included. */
	readonly noted: Notes;
	readonly turn: Turn;
	/** What leads to rest from where the hand was, where it is not sure to be there; empty where the hand goes on. */
	readonly out: readonly Stroke[];
	/** The value confirmed just before, while the hand goes on from it. */
	readonly last: TurnStep | null;
	/** What was keyed and is not in yet: it stands in the field under the cursor and is still to be taken, or is still to be stored with all else. */
	readonly pending: readonly Goal[];
	/** The card as the plan asks for it by now, while the value on show is still that of the one before. */
	readonly instead: KeyCard | null;
	/** Whether the control was left once everything was in. */
	readonly left: boolean;
	/** What is to be noted with the first act: a value that somebody may have begun with before. */
	readonly toNote: readonly Note[];
}

/** Where a session stood when it was left: good for as long as the menu stays open. */
export interface KeptHand {
	readonly place: Place;
	readonly backTo: number | null;
	readonly mode: number | null;
	/** What the value on show was called. */
	readonly next: string | null;
	readonly pending: readonly Goal[];
}

const toKey = ({ items, operated }: KeyCard) => ({ items, ...operated });

/** The value on show; null once all is in. */
export const onShow = ({ turn }: KeyingSession): TurnStep | null => turn.steps[0] ?? null;

/** Where the hand stands just now. */
export const handOf = ({ turn, left }: KeyingSession): Stand =>
	turn.steps[0]?.before ?? (left ? turn.end : turn.last);

/** The place on its card of the value on show; the count of values once all is in. */
export const placeOf = (session: KeyingSession): number => {
	const step = onShow(session);
	return step ? (step.index ?? session.card.items.length - 1) : session.card.items.length;
};

/** All that may have changed where somebody began with a value: itself, and what is filled on the way to it. */
function touching(profile: ControlProfile, step: TurnStep): Goal[] {
	const { filled, unknown } = passedBy(profile, step);
	return [step.item.goal, ...filled, ...unknown];
}

/** What is known once somebody may have begun with values. */
const doubting = (profile: ControlProfile, known: Known, goals: readonly Goal[]): Known =>
	goals.reduce((now, goal) => inDoubt(profile, now, withGoal(profile, now, goal), goal), known);

/** Whether keying a card can take a control into another mode on the way: for a place that is come to in it alone, or a figure that is changed at rest in it. */
const changesModes = (profile: ControlProfile, { items }: KeyCard): boolean =>
	profile.keying.bracket !== null ||
	(isOperable(profile) &&
		([...statesOf(profile).of.values()].some(
			({ id, needs, idle, rules }) =>
				needs?.back ||
				(trailOf(id) === null &&
					[...(idle?.do ?? []), ...rules.flatMap((rule) => rule.do)].some((act) => act.do === 'mode'))
		) ||
			items.some(({ goal }) => goal.of !== 'mode' && placeOfGoal(profile, goal) === null)));

/** The place on a card of the value that stood on the screen of whoever noted last; 0 where that is none of it. */
function lastOnShow({ items }: KeyCard, { next }: Notes): number {
	const target = next?.[0] && targetOf(next[0]);
	return Math.max(0, target ? items.findIndex((item) => targetOf(item.goal) === target) : 0);
}

/**
 * A session from what is noted: from where the hand was kept while the menu stays open; else from rest, with the value that stood
 * on the screen last. Where somebody had begun already, nobody knows how far they came with it, nor in which mode they left it.
 * `isAnew` says that the card is opened, not gone on with.
 */
export function beginSession(
	profile: ControlProfile,
	card: KeyCard,
	noted: Notes,
	kept: KeptHand | null = null,
	isAnew = true
): KeyingSession {
	const { known } = standingAt(profile, card.operated.options, noted);
	const base = { profile, card, noted, last: null, pending: [], instead: null, left: false, toNote: [] };
	if (kept) {
		const at = card.items.findIndex(({ id }) => id === kept.next);
		const before = kept.pending.length > 0 ? doubting(profile, known, kept.pending).memory : null;
		const stand = { place: kept.place, backTo: kept.backTo, known: { ...known, mode: kept.mode }, before };
		const turn = turnFrom(profile, toKey(card), stand, Math.max(0, at));
		return { ...base, turn, out: [], pending: kept.pending };
	}
	const first = lastOnShow(card, noted);
	const from = (stand: Stand) => turnFrom(profile, toKey(card), stand, first);
	const turn = from(atRest(known));
	const [next] = turn.steps;
	if (noted.found === null) return { ...base, turn, out: [], left: !next };
	const mode = changesModes(profile, card) ? null : known.mode;
	if (!next)
		return { ...base, turn: from(atRest({ ...known, mode })), out: outOf(profile, null), left: true };
	// whoever began before from the same notes, and noted nothing, had this value on the screen
	const told = noted.next;
	const isTold = told?.some((goal) => targetOf(goal) === targetOf(next.item.goal));
	const goals = told && (isTold || !isAnew) ? told : [...(told ?? []), ...touching(profile, next)];
	const begun = doubting(profile, known, goals);
	const stand = atRest({ ...begun, mode });
	const toNote: Note[] = goals.length > 0 ? [{ what: 'begun', goals }] : [];
	return { ...base, turn: from(stand), out: outOf(profile, null), toNote };
}

/** The hand as it is kept for a reload. */
export function keptHand(session: KeyingSession): KeptHand {
	const { place, known, backTo } = handOf(session);
	const next = onShow(session)?.item.id ?? null;
	return { place, backTo, mode: known.mode, next, pending: session.pending };
}

/** What leads to rest for somebody who is in one of these places, or (none given) anywhere: the gesture that all of them are left by, else no key until it is left by itself. */
export function outOf(profile: ControlProfile, places: readonly Place[] | null): readonly Stroke[] {
	if (!isOperable(profile)) return [];
	const everywhere = [...statesOf(profile).of.values()].flatMap(({ id, field }) =>
		field ? [firstOf(id)] : []
	);
	const outs = (places ?? everywhere).flatMap((place) => (place ? [strokesOut(profile, place)] : []));
	const [first = []] = outs;
	if (outs.every((one) => isSame(one, first))) return first;
	const waits = outs.map((_, i) => secondsIn(profile, (places ?? everywhere)[i]!));
	return waits.includes(null) ? first : [{ do: 'wait', seconds: Math.max(...(waits as number[])) }];
}

/** The places in which somebody may be who was about these values. */
const placesOf = (profile: ControlProfile, steps: readonly TurnStep[]): Place[] =>
	isOperable(profile)
		? steps.flatMap(({ item, before, after }) => [before.place, placeOfGoal(profile, item.goal), after.place])
		: [];

/** Seconds without a key after which a place is left by itself; null where it stays, and at rest. */
export function secondsIn(profile: Operable, place: Place): number | null {
	return place && (statesOf(profile).of.get(place.at)?.idle?.seconds ?? null);
}

/** What came of an act of the person's: the session after it, and what it notes at the control. */
export interface Acted {
	readonly session: KeyingSession;
	readonly notes: readonly Note[];
}

function acting(session: KeyingSession, now: readonly Note[]): Acted {
	const step = onShow(session);
	const next = step ? touching(session.profile, step) : [];
	const notes = [...session.toNote, ...now].map((note) => ({ ...note, next }));
	const noted = notes.reduce((all, note) => withNote(session.profile, all, note), session.noted);
	return { session: { ...session, noted, toNote: [] }, notes };
}

/** What to note of values that were keyed one after another: with them what was still to be taken before, and what was filled on the way. */
function keyedNotes({ profile, pending }: KeyingSession, steps: readonly TurnStep[]) {
	const { known, before = null } = steps.at(-1)!.after;
	const taken = pending.filter((goal) => goal.of === 'copy' || satisfies(profile, known, goal));
	const passed = steps.map((step) => passedBy(profile, step));
	const unknown = passed.flatMap((one) => one.unknown);
	const goals = [...taken, ...steps.flatMap(({ item }, i) => [item.goal, ...passed[i]!.filled])];
	const isStored = (goal: Goal) =>
		before === null ||
		before === known.memory ||
		isSame(withGoal(profile, { ...known, memory: before }, goal).memory, before);
	const [stored, open] = [goals.filter(isStored), goals.filter((goal) => !isStored(goal))];
	const notes: Note[] = [{ what: 'keyed', goals: stored }];
	if (open.length + unknown.length > 0) notes.push({ what: 'begun', goals: [...open, ...unknown] });
	return { notes, open };
}

/** The session with the card as the plan asks for it now, from where the hand stands. */
function onLatest(session: KeyingSession, stand: Stand): KeyingSession {
	const { profile, instead } = session;
	const id = onShow(session)?.item.id;
	const card = instead ?? session.card;
	const at = card.items.findIndex((item) => item.id === id);
	return { ...session, card, instead: null, turn: turnFrom(profile, toKey(card), stand, Math.max(0, at)) };
}

/** The value on show was keyed, as its keys say: the hand stands after them. */
export function confirmed(session: KeyingSession): Acted {
	const { turn, instead } = session;
	const [step, ...steps] = turn.steps;
	if (!step) {
		// what is stored on the way out is in with that
		const stored: Note[] = session.pending.length > 0 ? [{ what: 'keyed', goals: [...session.pending] }] : [];
		return acting({ ...session, left: true, last: null, pending: [], out: [] }, stored);
	}
	const { notes, open } = keyedNotes(session, [step]);
	const went = { ...session, last: step, pending: open, out: [] };
	const next = instead
		? onLatest(went, step.after)
		: { ...went, turn: { ...turn, steps, presses: turn.presses - (step.keys?.presses ?? 0) } };
	const { leave } = next.turn;
	return acting({ ...next, left: next.turn.steps.length === 0 && leave.length === 0 }, notes);
}

/** The values on show that belong together: of a day, what is left of it in one go. */
export function sectionOf({ turn }: KeyingSession): readonly TurnStep[] {
	const [first] = turn.steps;
	const end = turn.steps.findIndex(({ item }) => item.section !== first?.item.section);
	return end < 0 ? turn.steps : turn.steps.slice(0, end);
}

/** All values of a day were keyed in one go, but for those that `otherwise` names: they are asked for again, from rest. */
export function sectionConfirmed(session: KeyingSession, otherwise: readonly string[] = []): Acted {
	const { profile } = session;
	const steps = sectionOf(session);
	const wrong = steps.filter(({ item }) => otherwise.includes(item.id));
	const right = steps.filter(({ item }) => !otherwise.includes(item.id));
	if (steps.length === 0) return { session, notes: [] };
	const last = steps.at(-1)!;
	if (wrong.length === 0) {
		const { notes, open } = keyedNotes(session, steps);
		const left = session.turn.steps.slice(steps.length);
		const presses = steps.reduce((sum, { keys }) => sum - (keys?.presses ?? 0), session.turn.presses);
		const went = {
			...session,
			last,
			pending: open,
			out: [],
			turn: { ...session.turn, steps: left, presses }
		};
		return acting(session.instead ? onLatest(went, last.after) : went, notes);
	}
	const { notes, open } =
		right.length > 0 ? keyedNotes(session, right) : { notes: [], open: session.pending };
	const goals = [...open, ...wrong.flatMap((step) => touching(profile, step))];
	const stand = atRest(doubting(profile, last.after.known, goals), last.after.backTo);
	const begun: Note = { what: 'begun', goals };
	return acting(
		{
			...onLatest({ ...session, last: null, pending: [] }, stand),
			out: outOf(profile, placesOf(profile, steps))
		},
		[...notes, begun]
	);
}

/** The session from rest, with values of which nobody knows how far somebody came with them; the one called `next` first. */
function fromRest(
	session: KeyingSession,
	begun: readonly TurnStep[],
	next: string | undefined,
	alsoBegun: readonly Goal[] = []
): Acted {
	const { profile } = session;
	const card = session.instead ?? session.card;
	const hand = handOf(session);
	const goals = [...session.pending, ...begun.flatMap((step) => touching(profile, step)), ...alsoBegun];
	const known = doubting(profile, hand.known, goals);
	const out = outOf(profile, placesOf(profile, [...(session.last ? [session.last] : []), ...begun]));
	// on the way through other modes, and out of them, it may have been left in any of them
	const went =
		begun.some(({ before, after }) => before.known.mode !== after.known.mode) ||
		(isOperable(profile) && follow(profile, stateOf(profile, hand), out).mode !== (hand.known.mode ?? 0));
	const stand = atRest(went ? { ...known, mode: null } : known, hand.backTo);
	const at = card.items.findIndex(({ id }) => id === next);
	const turn = turnFrom(profile, toKey(card), stand, Math.max(0, at));
	const left = turn.steps.length === 0 && session.left;
	return acting(
		{
			...session,
			card,
			instead: null,
			turn,
			last: null,
			pending: [],
			left,
			out
		},
		goals.length > 0 ? [{ what: 'begun', goals }] : []
	);
}

const begunOf = (session: KeyingSession) => {
	const step = onShow(session);
	return step ? [step] : [];
};

/** To a value that the person chose on the card, whatever was begun: from rest, and by looking what it shows. */
export function gone(session: KeyingSession, index: number): Acted {
	const item = session.card.items[index];
	return fromRest(session, begunOf(session), item?.id, item ? [item.goal] : []);
}

/** The place on the card of the value before the one on show; null at the first. */
export function placeBefore(session: KeyingSession): number | null {
	const { items } = session.card;
	for (let at = placeOf(session) - 1; at >= 0; at--) if (!items[at]!.stood) return at;
	return null;
}

/** The control shows its normal display: its menu has left by itself, or somebody left it. */
export const seenAtRest = (session: KeyingSession): Acted =>
	fromRest(session, begunOf(session), onShow(session)?.item.id);

/** The days of the week that a goal is of, as goals that each leave nothing of one known: of a copy, that may have been put onto any day, all. */
const wholeDays = (profile: ControlProfile, { memory }: Known, goal: Goal): Goal[] => {
	const days = goal.of === 'field' ? daysOf(profile, memory, goal) : goal.of === 'copy' ? ALL_DAYS : [];
	const channel = 'channel' in goal ? goal.channel : 0;
	return days.map((day) => ({ of: 'copy', channel, from: day, onto: day, over: [day] }));
};

/**
 * The control shows something that is neither the value on show nor the one before: both are begun, of their days nothing is known, and
 * the one before comes first.
 */
export function seenElsewhere(session: KeyingSession): Acted {
	const { last, profile } = session;
	const begun = [...(last ? [last] : []), ...begunOf(session)];
	const days = begun.flatMap(({ item }) => wholeDays(profile, handOf(session).known, item.goal));
	return fromRest(session, begun, begun[0]?.item.id, days);
}

/** The hand before a value was taken, with what is planned standing in its field; null where nothing takes it. */
function beforeTaken(
	profile: ControlProfile,
	{ keys, before, after, item: { goal } }: TurnStep
): Stand | null {
	if (!isOperable(profile) || !keys || keys.take.length === 0) return null;
	// what taking an option takes along is noted only once it is taken
	if (goal.of === 'option' || goal.of === 'menu' || keys.change === null) return null;
	const position = 'position' in goal ? goal.position : null;
	const { known } = before;
	const state = { ...stateOf(profile, before), mode: after.known.mode ?? 0 };
	const there = follow(profile, state, [...keys.way, ...keys.change]);
	if (!there.place || position === null) return null;
	return {
		known: { ...known, memory: there.memory, mode: after.known.mode },
		place: there.place,
		backTo: after.backTo,
		before: there.before
	};
}

/** The control still shows the value before, which was not taken: that comes first. */
export function seenBefore(session: KeyingSession): Acted {
	const { profile, last } = session;
	const stand = last && beforeTaken(profile, last);
	if (!stand) return seenElsewhere(session);
	const pending = [...session.pending.filter((goal) => !isSame(goal, last.item.goal)), last.item.goal];
	return acting({ ...onLatest(session, stand), last: null, pending, out: [] }, [
		{ what: 'begun', goals: [last.item.goal] }
	]);
}

/** The plan asks for another card: the value on show stays until it is confirmed, or seen to be another. */
export function planned(session: KeyingSession, card: KeyCard): KeyingSession {
	const held = { ...session, instead: card };
	const step = onShow(session);
	const next = onLatest(held, handOf(session));
	const now = onShow(next);
	if (step && !isSame([now?.item.shows, now?.item.goal], [step.item.shows, step.item.goal])) return held;
	return { ...next, left: !now && next.turn.leave.length === 0 };
}

/** The person saw that the value on show is another by now: how far they came with the old one nobody knows. */
export const planSeen = (session: KeyingSession): Acted =>
	session.instead ? fromRest(session, begunOf(session), onShow(session)?.item.id) : { session, notes: [] };

/** What is noted at the control changed by another hand: what is known is known from there, and this hand is nowhere. */
export const notedElsewhere = ({ profile }: KeyingSession, noted: Notes, card: KeyCard): KeyingSession =>
	beginSession(profile, card, noted, null, false);

/**
 * How the control was found is said, at any value: what is known changes, the hand stays; of one that was reset the hand is at
 * rest. `cardFor` makes the card for what is noted then.
 */
export function foundSaid(
	before: KeyingSession,
	found: Notes['found'],
	cardFor: (noted: Notes) => KeyCard
): Acted {
	// a value that is another by now may have been begun with
	const { session, notes } = before.instead ? planSeen(before) : acting(before, []);
	const { profile, last } = session;
	const noted = withNote(profile, session.noted, { what: 'found', found });
	const card = cardFor(noted);
	if (found === 'as-new' && session.noted.found !== null) {
		const anew = beginSession(profile, card, { ...noted, found: null });
		const acted = acting({ ...anew, noted: session.noted }, [{ what: 'found', found }]);
		return { session: acted.session, notes: [...notes, ...acted.notes] };
	}
	const hand = handOf(session);
	const { known } = standingAt(profile, card.operated.options, noted);
	const isUnderWay = last !== null || hand.place !== null || noted.acts.length > 0;
	const mode = isUnderWay ? hand.known.mode : known.mode;
	const id = onShow(session)?.item.id;
	const at = card.items.findIndex((item) => item.id === id);
	const turn = turnFrom(profile, toKey(card), { ...hand, known: { ...known, mode } }, Math.max(0, at));
	const acted = acting({ ...session, card, turn }, [{ what: 'found', found }]);
	return { session: acted.session, notes: [...notes, ...acted.notes] };
}
