import { z } from 'zod';
import { browser } from '$app/environment';
import { withKeyed, type Keyed } from '$core/keying';
import { keepJson, keptJson, keptNames } from '../browserStore';
import { call, mayLater, UNREACHABLE } from '../call';
import { newUuid } from '../newUuid';
import { saving } from '../saving.svelte';
import { mustSignIn, signInSentence, whyUnsent, type WhyUnsent } from '../visit/unsent';

const RETRY_AFTER_MS = 3000;
const storageKey = (path: string) => `fond-quarter/keyed/${path}`;

const keptSchema = z.record(z.string(), z.string().nullable());

/** What waits in this browser to be sent, of every window. */
function kept(path: string): Record<string, string | null> {
	const read = keptSchema.safeParse(keptJson(storageKey(path)));
	return read.success ? read.data : {};
}

/** What the server was known to have latest, and when, kept for pages that were read before. */
const ackedSchema = z.object({ keyed: z.record(z.string(), z.string()), atMs: z.number() });
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

/** How many values noted at a control wait in this browser to be sent. Call in the browser. */
export const keptKeyed = (path: string): number => Object.keys(kept(path)).length;

/**
 * What has been keyed at the control, kept here and on the server. A note is made at once, sent in
 * the background, kept in the browser until the server has it, and merged with what another device
 * notes meanwhile.
 */
export class KeyedNotes {
	#keyed = $state.raw<Keyed>({});
	#pending: Record<string, string | null> = {};
	/** Why what waits was not taken: then it waits for a person. */
	#why = $state.raw<WhyUnsent | null>(null);
	/** Whether this browser keeps what waits over a reload. */
	#keeps = $state(true);
	#timer: ReturnType<typeof setTimeout> | undefined;
	#sending: Promise<void> | null = null;
	readonly #ask: typeof call;
	readonly #path: string;

	/** `readAtMs` is when `keyed` was read by the server; `ask` sends a request, another than {@link call} in tests. */
	constructor(path: string, keyed: Keyed, readAtMs = 0, ask: typeof call = call) {
		this.#ask = ask;
		this.#path = path;
		this.refresh(keyed, readAtMs);
		saving.now = { kind: 'quiet' };
	}

	get keyed(): Keyed {
		return this.#keyed;
	}

	/** How many values are still to be sent. */
	get waiting(): number {
		return Object.keys(this.#pending).length;
	}

	/** Takes up what an earlier visit of this page could not send. Call once, in the browser. */
	resume(): void {
		this.#pending = { ...kept(this.#path), ...this.#pending };
		if (this.waiting > 0) {
			this.#show(this.#keyed);
			saving.say(this.#path, { kind: 'saving' });
			void this.send();
		}
	}

	/** Notes a value as keyed, or with null as not keyed after all. */
	note(id: string, shows: string | null): void {
		// what is noted last stands last
		const { [id]: _, ...earlier } = this.#pending;
		this.#pending = { ...earlier, [id]: shows };
		// noted anew, it may be taken now
		if (this.#why?.kind === 'refused') this.#why = null;
		this.#show(this.#keyed);
		saving.say(this.#path, { kind: 'saving' });
		void this.send();
	}

	/** Why what waits was not taken; null while it is on its way. */
	get why(): WhyUnsent | null {
		return this.#why;
	}

	/** What waits, by value. */
	get pending(): Readonly<Record<string, string | null>> {
		return this.#pending;
	}

	/** Whether what waits here would be gone with a reload: this browser is full, or keeps nothing. */
	get unkept(): boolean {
		return !this.#keeps && this.waiting > 0;
	}

	/** Takes what the server held when a page's data was read; where that was before it took the last notes from here, those, and what is still to be sent laid over it. */
	refresh(keyed: Keyed, readAtMs: number): void {
		const last = acked(this.#path);
		// the page that is kept may be older than this one: what is known latest stays known
		if (last && last.atMs <= readAtMs) keepJson(`${storageKey(this.#path)}/acked`, { keyed, atMs: readAtMs });
		this.#show(last && last.atMs > readAtMs ? last.keyed : keyed);
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
		this.#pending = {};
		this.#why = null;
		this.#show(this.#keyed, left);
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
			const changes = { ...this.#pending };
			const answer = await this.#ask<{ keyed: Keyed; nowMs: number }>('POST', this.#path, {
				changes,
				sent: nextSent()
			});
			if (answer.ok) {
				for (const [id, shows] of Object.entries(changes))
					if (this.#pending[id] === shows) delete this.#pending[id];
				const { keyed, nowMs: atMs } = answer.data;
				keepJson(`${storageKey(this.#path)}/acked`, { keyed, atMs });
				this.#show(answer.data.keyed, changes);
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
	#show(base: Keyed, sent: Readonly<Record<string, string | null>> = {}): void {
		this.#keyed = withKeyed(base, this.#pending);
		const others = Object.entries(kept(this.#path)).filter(([id, shows]) => sent[id] !== shows);
		const waiting = { ...Object.fromEntries(others), ...this.#pending };
		if (browser)
			this.#keeps = keepJson(storageKey(this.#path), Object.keys(waiting).length > 0 ? waiting : null);
	}
}

const open: Record<string, KeyedNotes> = {};

/** The controls of a site at which values noted in this browser wait to be sent, those of zones that are gone included. Call in the browser. */
export function keyedWaiting(siteId: string): string[] {
	const begin = storageKey(`/api/v1/jobs/${siteId}/zones/`);
	return keptNames()
		.filter((name) => name.startsWith(begin) && name.endsWith('/keyed'))
		.map((name) => name.slice(storageKey('').length));
}

/** The notes of a control where something was keyed in this window, or waits in this browser; null where nothing does. */
export function keyedHere(path: string, keyed: Keyed, readAtMs: number): KeyedNotes | null {
	return open[path] !== undefined || keptKeyed(path) > 0 || acked(path)
		? keyedNotesOf(path, keyed, readAtMs)
		: null;
}

/** The notes of one control: one in a window, whatever pages come and go. On the server each page has its own. */
export function keyedNotesOf(path: string, keyed: Keyed, readAtMs: number): KeyedNotes {
	if (!browser) return new KeyedNotes(path, keyed, readAtMs);
	const known = open[path];
	if (known) {
		saving.now = { kind: 'quiet' };
		known.refresh(keyed, readAtMs);
		return known;
	}
	const made = new KeyedNotes(path, keyed, readAtMs);
	open[path] = made;
	return made;
}
