import { z } from 'zod';
import isSame from 'fast-deep-equal';
import type { ControlProfile } from '$core/control';
import {
	beginSession,
	closesAfterSeconds,
	confirmed,
	foundSaid,
	goalSchema,
	gone,
	keptHand,
	leftOf,
	notedElsewhere,
	notesAt,
	onShow,
	placeBefore,
	placeOf,
	planned,
	planSeen,
	saysSame,
	sectionConfirmed,
	sectionOf,
	displayAt,
	seenAtRest,
	seenBefore,
	seenElsewhere,
	type Acted,
	type KeptHand,
	type KeyCard,
	type KeyingSession,
	type Notes,
	type ToHold
} from '$core/keying';
import { isOperable, statesOf } from '$core/machine';
import { keepJson, keptJson } from '../browserStore';
import type { ControlNotes } from './controlNotes.svelte';
import { ownPace } from './pace.svelte';
import { changedValues, type ChangedValue } from './planChange';

const placeSchema = z.object({
	at: z.string(),
	channel: z.int(),
	group: z.int(),
	step: z.int(),
	edit: z.int().optional(),
	copyTo: z.int().nullable()
});
/** Where a hand stood, as this browser keeps it: good until the menu has left, and while nothing else was noted. */
const handSchema = z.object({
	hand: z.object({
		place: placeSchema.nullable(),
		backTo: z.int().nullable(),
		mode: z.int().nullable(),
		next: z.string().nullable(),
		pending: z.array(goalSchema)
	}),
	until: z.number(),
	mark: z.string()
});

/** How long a hand at rest may have pressed half a way and go on with it, in seconds. */
const AT_REST_SECONDS = 30;
/** So long before a menu leaves by itself it counts as left: the last key was a moment before it was told, in seconds. */
const MARGIN_SECONDS = 2;

/** What the display shows instead of the value that is asked for. */
export type Otherwise = 'rest' | 'before' | 'other';

/** What is told of what somebody sees, where that is not the value asked for. */
const SEEN = { rest: seenAtRest, before: seenBefore, other: seenElsewhere } as const;

/**
 * Somebody at a control with its card, in this window: where they are, what they confirm, and what of it is noted. Another plan is
 * told value by value; the value on show stays until they have confirmed it or asked for the new one.
 */
export class Keying<Hold = ToHold> {
	#session = $state.raw<KeyingSession>() as KeyingSession;
	#hold: Hold;
	/** When the plan was read by the server, in ms. */
	#readAtMs: number;
	#changes = $state.raw<readonly ChangedValue[]>([]);
	/** When the last key was pressed, by the page's clock in ms; 0 before the first. */
	#pressedAt = $state(0);
	/** When the value on show came up, for learning the person's pace; 0 where that says nothing of it. */
	#shownAt = 0;
	readonly #notes: ControlNotes;
	readonly #make: (profile: ControlProfile, hold: Hold, noted: Notes) => KeyCard;
	readonly #path: string;
	readonly #profile: ControlProfile;

	/** `path` names the control: under it the hand is kept over a reload. `make` makes the card of what it is to hold. */
	constructor(
		path: string,
		profile: ControlProfile,
		hold: Hold,
		notes: ControlNotes,
		make: (profile: ControlProfile, hold: Hold, noted: Notes) => KeyCard,
		readAtMs = 0
	) {
		this.#path = path;
		this.#profile = profile;
		this.#hold = hold;
		this.#notes = notes;
		this.#make = make;
		this.#readAtMs = readAtMs;
		const noted = notesAt(profile, notes.notes);
		this.#session = beginSession(profile, make(profile, hold, noted), noted, this.#kept(noted));
	}

	get session(): KeyingSession {
		return this.#session;
	}
	get card() {
		return this.#session.card;
	}
	/** The values of the card that were not in when the control was found. */
	readonly items = $derived(this.#session.card.items.filter(({ stood }) => !stood));
	/** The ids of those that are still to be keyed. */
	readonly open = $derived(this.#session.turn.steps.map(({ item }) => item.id));
	readonly step = $derived(onShow(this.#session));
	readonly left = $derived(leftOf(this.#session));
	/** What the display shows at the value on show, now and once its way is gone. */
	readonly shown = $derived(displayAt(this.#session));
	/** What comes after the value on show. */
	readonly upNext = $derived(this.#session.turn.steps.slice(1, 3).map(({ item }) => item));
	/** The values that belong with the one on show: of a day, what is left of it. */
	readonly section = $derived(sectionOf(this.#session));
	/** Seconds after the last key when the menu counts as left; null at rest, or where it stays. */
	readonly closesAfter = $derived.by(() => {
		const seconds = closesAfterSeconds(this.#session);
		return seconds === null ? null : Math.max(1, seconds - MARGIN_SECONDS);
	});
	/** The value before the one on show on the card; null at the first. */
	readonly before = $derived(placeBefore(this.#session));

	get pressedAt(): number {
		return this.#pressedAt;
	}
	/** What the plan asks for otherwise than was first seen here, until the person has read it. */
	get changes(): readonly ChangedValue[] {
		return this.#changes;
	}
	/** Whether the value on show is from before the plan was changed. */
	get isHeld(): boolean {
		return this.#session.instead !== null;
	}

	#take({ session, notes }: Acted): void {
		const isOurs = saysSame(notesAt(this.#profile, this.#notes.notes), this.#session.noted);
		this.#notes.note(...notes);
		// as they are stamped: what another hand noted meanwhile is found by that
		this.#session = isOurs ? { ...session, noted: notesAt(this.#profile, this.#notes.notes) } : session;
		this.#keep();
	}

	/** Tells what was noted last, so that a hand is gone on with only where nothing else was. */
	#mark({ acts, found }: Notes): string {
		const { from, number } = acts.at(-1)?.by ?? {};
		return JSON.stringify([found, acts.length, from, number]);
	}

	#keep(): void {
		const seconds = closesAfterSeconds(this.#session) ?? AT_REST_SECONDS;
		const until = Date.now() + (seconds - MARGIN_SECONDS) * 1000;
		const mark = this.#mark(this.#session.noted);
		// a hand that is nowhere begins from rest
		const hand = this.#session.out.length > 0 ? null : keptHand(this.#session);
		keepJson(`fond-quarter/hand/${this.#path}`, hand && { hand, until, mark });
	}

	#kept(noted: Notes): KeptHand | null {
		const read = handSchema.safeParse(keptJson(`fond-quarter/hand/${this.#path}`));
		if (!read.success || read.data.until < Date.now() || read.data.mark !== this.#mark(noted)) return null;
		const { hand } = read.data;
		// a control that was described anew may have no such place any more
		const isThere = isOperable(this.#profile) && hand.place && statesOf(this.#profile).of.has(hand.place.at);
		return !hand.place || isThere ? (hand as KeptHand) : null;
	}

	#touched(): void {
		this.#shownAt = this.#pressedAt = performance.now();
	}

	/** The value on show was keyed; at the end, the control was left. */
	confirm(): void {
		const { step } = this;
		if (step?.keys && this.#shownAt > 0)
			ownPace.note({
				presses: step.keys.presses,
				seconds: (performance.now() - this.#shownAt) / 1000
			});
		this.#take(confirmed(this.#session));
		this.#touched();
	}

	/** The values of a day were keyed in one go, but for those that showed something else. */
	confirmSection(otherwise: readonly string[]): void {
		this.#shownAt = 0;
		this.#take(sectionConfirmed(this.#session, otherwise));
		this.#pressedAt = performance.now();
	}

	/** To a value of the card that the person chose. */
	go(id: string): void {
		const at = this.card.items.findIndex((item) => item.id === id);
		if (at < 0) return;
		this.#shownAt = 0;
		this.#take(gone(this.#session, at));
	}
	back(): void {
		const at = this.before;
		if (at !== null) this.go(this.card.items[at]!.id);
	}

	/** The display shows something else than is asked for. */
	saw(what: Otherwise): void {
		this.#shownAt = 0;
		this.#take(SEEN[what](this.#session));
		this.#pressedAt = performance.now();
	}

	/** How the control was found. */
	say(found: Notes['found']): void {
		this.#shownAt = 0;
		this.#take(foundSaid(this.#session, found, (noted) => this.#make(this.#profile, this.#hold, noted)));
	}

	/** The person has read what is otherwise: a value that was held gives way to the new one. */
	seen(): void {
		this.#changes = [];
		if (this.isHeld) this.#take(planSeen(this.#session));
	}

	/** Takes the plan as it stands now; one that was read before the last is passed over: it was kept somewhere meanwhile. */
	plan(hold: Hold, readAtMs: number): void {
		if (readAtMs < this.#readAtMs) return;
		this.#readAtMs = readAtMs;
		if (isSame(hold, this.#hold)) return;
		this.#hold = hold;
		const card = this.#make(this.#profile, hold, this.#session.noted);
		const all = changedValues(this.card.items, card.items);
		// while a value is held the card is still the first one; else a value is told against what it was at first
		const before = this.isHeld ? [] : this.#changes;
		const was = (one: ChangedValue) => before.find(({ id }) => id === one.id)?.was ?? one.was;
		this.#changes = [
			...before.filter(({ id }) => !all.some((one) => one.id === id)),
			...all.map((one) => ({ ...one, was: was(one) }))
		].filter((one) => one.was !== one.now);
		this.#session = planned(this.#session, card);
	}

	/** Takes what is noted by now: where another hand noted something, this one is nowhere any more. */
	noted(): void {
		const noted = notesAt(this.#profile, this.#notes.notes);
		if (saysSame(noted, this.#session.noted)) return;
		this.#session = notedElsewhere(this.#session, noted, this.#make(this.#profile, this.#hold, noted));
	}

	/** The place of the value on show on its card; the count of values once all is in. */
	get place(): number {
		return placeOf(this.#session);
	}
}

/** Keys that go on and back, also those of a headset and of a clicker. */
const FORWARD = ['ArrowRight', 'PageDown', 'MediaPlayPause', 'MediaTrackNext'];
const BACK = ['ArrowLeft', 'Backspace', 'PageUp', 'MediaTrackPrevious'];

/** What a key of a keyboard, a headset or a clicker does with the card: on, back, or (null) nothing. */
export function cardKey(event: KeyboardEvent): 'on' | 'back' | null {
	const target = event.target as HTMLElement;
	if (event.ctrlKey || event.metaKey || event.altKey || target.closest('[role="dialog"], input')) return null;
	const onControl = target.closest('a:not(.go), button:not(.go)');
	if (FORWARD.includes(event.key) || ((event.key === 'Enter' || event.key === ' ') && !onControl))
		return 'on';
	return BACK.includes(event.key) ? 'back' : null;
}
