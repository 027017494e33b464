import { z } from 'zod';
import { browser } from '$app/environment';
import type { ControlProfile } from '$core/control';
import { notesAt, noteSchema, notesSchema, withNote, type Note, type Notes } from '$core/keying';
import { keepJson, keptJson, keptNames } from '../browserStore';
import { call, mayLater, UNREACHABLE } from '../call';
import { newUuid } from '../newUuid';
import { saving } from '../saving.svelte';
import { mustSignIn, signInSentence, whyUnsent, type WhyUnsent } from '../visit/unsent';

const RETRY_AFTER_MS = 3000;
/** The most notes in one request. */
const MOST_AT_ONCE = 200;
const storageKey = (path: string) => `fond-quarter/notes/${path}`;
/** Where the version before kept values that waited, by the address that took them. */
const beforeKey = (path: string) => `fond-quarter/keyed/${path.replace(/\/notes$/, '/keyed')}`;

/** A note that the server may not have yet. */
const waitingSchema = z.object({ id: z.string(), note: noteSchema });
type WaitingNote = z.infer<typeof waitingSchema>;

/** What waits in this browser to be sent, of every window. */
function kept(path: string): readonly WaitingNote[] {
	const read = z.array(waitingSchema).safeParse(keptJson(storageKey(path)));
	return read.success ? read.data : [];
}

/** What the server was known to have latest, and when, kept for pages that were read before. */
const ackedSchema = z.object({ notes: notesSchema.nullable(), atMs: z.number() });
function acked(path: string): z.infer<typeof ackedSchema> | null {
	const read = ackedSchema.safeParse(browser ? keptJson(`${storageKey(path)}/acked`) : null);
	return read.success ? read.data : null;
}

const SENDER = 'fond-quarter/sender';
const senderSchema = z.object({ from: z.string(), number: z.number() });
/** The next request of this browser: counted by its clock, and on where that was put back. */
function nextSent(): z.infer<typeof senderSchema> {
	const read = senderSchema.safeParse(keptJson(SENDER));
	const last = read.success ? read.data : { from: newUuid(), number: 0 };
	const sent = { ...last, number: Math.max(last.number + 1, Date.now()) };
	keepJson(SENDER, sent);
	return sent;
}

/** How many notes made at a control wait in this browser to be sent. Call in the browser. */
export const keptNotes = (path: string): number => kept(path).length;

/**
 * What is noted at a control, kept here and on the server. A note is made at once, sent in the background, kept in the browser
 * until the server has it, and laid over what another device notes meanwhile.
 */
export class ControlNotes {
	#notes = $state.raw<Notes | null>(null);
	#base: Notes | null = null;
	#pending: readonly WaitingNote[] = [];
	/** Why what waits was not taken: then it waits for a person. */
	#why = $state.raw<WhyUnsent | null>(null);
	/** Whether this browser keeps what waits over a reload. */
	#keeps = $state(true);
	#timer: ReturnType<typeof setTimeout> | undefined;
	#sending: Promise<void> | null = null;
	readonly #ask: typeof call;
	readonly #path: string;
	/** The control; null where its zone is gone: then what waits is only sent. */
	readonly #profile: ControlProfile | null;

	/** `readAtMs` is when `notes` were read by the server; `ask` sends a request, another than {@link call} in tests. */
	constructor(
		path: string,
		profile: ControlProfile | null,
		notes: Notes | null,
		readAtMs = 0,
		ask: typeof call = call
	) {
		this.#ask = ask;
		this.#path = path;
		this.#profile = profile;
		this.refresh(notes, readAtMs);
		saving.now = { kind: 'quiet' };
	}

	/** All that is noted, what is still to be sent included. */
	get notes(): Notes | null {
		return this.#notes;
	}

	/** How many notes are still to be sent. */
	get waiting(): number {
		return this.#pending.length;
	}

	/** Takes up what an earlier visit of this page could not send. Call once, in the browser. */
	resume(): void {
		const own = new Set(this.#pending.map(({ id }) => id));
		this.#pending = [...kept(this.#path).filter(({ id }) => !own.has(id)), ...this.#pending];
		void this.#resumeBefore();
		if (this.waiting === 0) return;
		this.#show();
		saving.say(this.#path, { kind: 'saving' });
		void this.send();
	}

	/** Sends what the version before left waiting, where it would have been sent. */
	async #resumeBefore(): Promise<void> {
		const name = beforeKey(this.#path);
		const changes = z.record(z.string(), z.string().nullable()).safeParse(keptJson(name));
		if (!changes.success || Object.keys(changes.data).length === 0) return;
		const path = this.#path.replace(/\/notes$/, '/keyed');
		const answer = await this.#ask('POST', path, { changes: changes.data, sent: nextSent() });
		if (answer.ok) keepJson(name, null);
	}

	/** Notes something, as done at the control by now. */
	note(...notes: readonly Note[]): void {
		if (notes.length === 0) return;
		this.#pending = [...this.#pending, ...notes.map((note) => ({ id: newUuid(), note }))];
		// noted anew, it may be taken now
		if (this.#why?.kind === 'refused') this.#why = null;
		this.#show();
		saving.say(this.#path, { kind: 'saving' });
		void this.send();
	}

	/** Why what waits was not taken; null while it is on its way. */
	get why(): WhyUnsent | null {
		return this.#why;
	}

	/** What waits, in its order. */
	get pending(): readonly Note[] {
		return this.#pending.map(({ note }) => note);
	}

	/** Whether what waits here would be gone with a reload: this browser is full, or keeps nothing. */
	get unkept(): boolean {
		return !this.#keeps && this.waiting > 0;
	}

	/** Takes what the server held when a page's data was read; where that was before it took the last notes from here, those, and what is still to be sent laid over it. */
	refresh(notes: Notes | null, readAtMs: number): void {
		const last = acked(this.#path);
		// the page that is kept may be older than this one: what is known latest stays known
		if (last && last.atMs <= readAtMs) keepJson(`${storageKey(this.#path)}/acked`, { notes, atMs: readAtMs });
		this.#base = last && last.atMs > readAtMs ? last.notes : notes;
		this.#show();
	}

	/** Tries once more to send what was not taken. */
	tryAgain(): void {
		this.#why = null;
		saving.say(this.#path, { kind: 'saving' });
		void this.send();
	}

	/** Lets go of what waits: only ever for a person who said so. */
	leaveOut(): void {
		const left = this.#pending;
		this.#pending = [];
		this.#why = null;
		this.#show(left);
		saving.say(this.#path, { kind: 'quiet' });
	}

	/** Sends what waits; tries again by itself while it cannot. Resolves when all is sent or cannot be now. */
	send(): Promise<void> {
		clearTimeout(this.#timer);
		this.#sending ??= this.#sendAll().then((all) => {
			this.#sending = null;
			// what was noted just as the last was sent
			return all && this.waiting > 0 ? this.send() : undefined;
		});
		return this.#sending;
	}

	/** Returns whether all was sent, as far as it was noted by then. */
	async #sendAll(): Promise<boolean> {
		while (this.waiting > 0 && !this.#why) {
			const some = this.#pending.slice(0, MOST_AT_ONCE);
			const answer = await this.#ask<{ notes: Notes | null; nowMs: number }>('POST', this.#path, {
				notes: some.map(({ note }) => note),
				sent: nextSent()
			});
			if (answer.ok) {
				const sent = new Set(some.map(({ id }) => id));
				this.#pending = this.#pending.filter(({ id }) => !sent.has(id));
				const { notes, nowMs: atMs } = answer.data;
				keepJson(`${storageKey(this.#path)}/acked`, { notes, atMs });
				this.#base = notes;
				this.#show(some);
				saving.say(this.#path, this.waiting > 0 ? { kind: 'saving' } : { kind: 'saved', at: Date.now() });
			} else if (mayLater(answer) || mustSignIn(answer)) {
				const values = `${this.waiting} ${this.waiting === 1 ? 'value is' : 'values are'}`;
				saving.say(this.#path, {
					kind: 'waiting',
					sentence: mustSignIn(answer)
						? signInSentence(answer.status, values)
						: answer.status === UNREACHABLE
							? 'Kept here: no connection'
							: answer.sentence
				});
				this.#timer = setTimeout(() => void this.send(), RETRY_AFTER_MS);
				return false;
			} else {
				this.#why = whyUnsent(answer);
				saving.say(this.#path, { kind: 'refused', sentence: answer.sentence });
				return false;
			}
		}
		return true;
	}

	/** Shows what the server has with what waits laid over it, and keeps what waits; of what other windows keep, `sent` waits no more. */
	#show(sent: readonly WaitingNote[] = []): void {
		const profile = this.#profile;
		this.#notes =
			profile && this.#pending.length > 0
				? this.pending.reduce((all, note) => withNote(profile, all, note), notesAt(profile, this.#base))
				: this.#base;
		const gone = new Set([...sent, ...this.#pending].map(({ id }) => id));
		const waiting = [...kept(this.#path).filter(({ id }) => !gone.has(id)), ...this.#pending];
		if (browser) this.#keeps = keepJson(storageKey(this.#path), waiting.length > 0 ? waiting : null);
	}
}

const open: Record<string, ControlNotes> = {};

/** Where what is done at the control of a zone is noted. */
export const notesPath = (siteId: string, zoneId: string) => `/api/v1/jobs/${siteId}/zones/${zoneId}/notes`;

/** The zones of a site at whose controls notes made in this browser wait to be sent, those that are gone included. Call in the browser. */
export function zonesWaiting(siteId: string): string[] {
	const begin = notesPath(siteId, '').replace(/\/notes$/, '');
	return keptNames().flatMap((name) => {
		const path = name.startsWith(storageKey(begin))
			? name.slice(storageKey('').length)
			: name.startsWith(beforeKey(begin).replace(/keyed$/, ''))
				? name.slice(beforeKey('').length)
				: '';
		const id = /\/zones\/([^/]+)\/(?:notes|keyed)$/.exec(path)?.[1];
		return id ? [id] : [];
	});
}

/** The notes of a control where something was noted in this window, or waits in this browser; null where nothing does. */
export function notesHere(
	path: string,
	profile: ControlProfile,
	notes: Notes | null,
	readAtMs: number
): ControlNotes | null {
	const waits = keptNotes(path) > 0 || keptJson(beforeKey(path)) !== null;
	return open[path] !== undefined || waits || acked(path) ? notesOf(path, profile, notes, readAtMs) : null;
}

/** The notes of one control: one in a window, whatever pages come and go. On the server each page has its own. */
export function notesOf(
	path: string,
	profile: ControlProfile | null,
	notes: Notes | null,
	readAtMs: number
): ControlNotes {
	if (!browser) return new ControlNotes(path, profile, notes, readAtMs);
	const known = open[path];
	if (known) {
		saving.now = { kind: 'quiet' };
		known.refresh(notes, readAtMs);
		return known;
	}
	const made = new ControlNotes(path, profile, notes, readAtMs);
	open[path] = made;
	return made;
}
