import { z } from 'zod';
import { browser } from '$app/environment';
import type { Keyed } from '$core/keying';
import { call, mayLater, UNREACHABLE } from '../call';
import { saving } from '../saving.svelte';

const RETRY_AFTER_MS = 3000;
/** How long a page's data that is on its way may be from before the last notes came in. */
const LATELY_MS = 6000;

const storageKey = (path: string) => `fond-quarter/keyed/${path}`;

const keptSchema = z.record(z.string(), z.string().nullable());

/** What waits in this browser to be sent, of every window. */
function kept(path: string): Record<string, string | null> {
	try {
		return keptSchema.parse(JSON.parse(localStorage.getItem(storageKey(path)) ?? '{}'));
	} catch {
		return {};
	}
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
	/** What came in lately, with when: data read before it may still arrive. */
	#lately: Record<string, { readonly shows: string | null; readonly at: number }> = {};
	#timer: ReturnType<typeof setTimeout> | undefined;
	#sending: Promise<void> | null = null;
	readonly #ask: typeof call;
	readonly #path: string;

	/** `ask` sends a request; another than {@link call} in tests. */
	constructor(path: string, keyed: Keyed, ask: typeof call = call) {
		this.#ask = ask;
		this.#path = path;
		this.#keyed = keyed;
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
		this.#pending = { ...this.#pending, [id]: shows };
		this.#show(this.#keyed);
		saving.say(this.#path, { kind: 'saving' });
		void this.send();
	}

	/** Takes what the server held when the page's data was read, with what came in since and what is still to be sent laid over it. */
	refresh(keyed: Keyed): void {
		const now = Date.now();
		this.#lately = Object.fromEntries(
			Object.entries(this.#lately).filter(([, { at }]) => now - at < LATELY_MS)
		);
		const since: Record<string, string> = { ...keyed };
		for (const [id, { shows }] of Object.entries(this.#lately)) {
			if (shows === null) delete since[id];
			else since[id] = shows;
		}
		this.#show(since);
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
		while (this.waiting > 0) {
			const changes = { ...this.#pending };
			const answer = await this.#ask<{ keyed: Keyed }>('POST', this.#path, { changes });
			if (answer.ok) {
				for (const [id, shows] of Object.entries(changes))
					if (this.#pending[id] === shows) {
						delete this.#pending[id];
						this.#lately[id] = { shows, at: Date.now() };
					}
				this.#show(answer.data.keyed, changes);
				saving.say(this.#path, this.waiting > 0 ? { kind: 'saving' } : { kind: 'saved', at: Date.now() });
			} else if (mayLater(answer)) {
				saving.say(this.#path, {
					kind: 'waiting',
					sentence: answer.status === UNREACHABLE ? 'Kept here: no connection' : answer.sentence
				});
				this.#timer = setTimeout(() => void this.send(), RETRY_AFTER_MS);
				return false;
			} else {
				saving.say(this.#path, { kind: 'refused', sentence: answer.sentence });
				return false;
			}
		}
		return true;
	}

	/** Shows what the server has with what waits laid over it, and keeps what waits; of what other windows keep, `sent` waits no more. */
	#show(base: Keyed, sent: Readonly<Record<string, string | null>> = {}): void {
		const merged: Record<string, string> = { ...base };
		for (const [id, shows] of Object.entries(this.#pending)) {
			if (shows === null) delete merged[id];
			else merged[id] = shows;
		}
		this.#keyed = merged;
		const others = Object.entries(kept(this.#path)).filter(([id, shows]) => sent[id] !== shows);
		const waiting = { ...Object.fromEntries(others), ...this.#pending };
		if (Object.keys(waiting).length > 0)
			localStorage.setItem(storageKey(this.#path), JSON.stringify(waiting));
		else localStorage.removeItem(storageKey(this.#path));
	}
}

const open: Record<string, KeyedNotes> = {};

/** The notes of a control where something was keyed in this window, or waits in this browser; null where nothing does. */
export function keyedHere(path: string, keyed: Keyed): KeyedNotes | null {
	return open[path] !== undefined || keptKeyed(path) > 0 ? keyedNotesOf(path, keyed) : null;
}

/** The notes of one control: one in a window, whatever pages come and go. On the server each page has its own. */
export function keyedNotesOf(path: string, keyed: Keyed): KeyedNotes {
	if (!browser) return new KeyedNotes(path, keyed);
	const known = open[path];
	if (known) {
		saving.now = { kind: 'quiet' };
		known.refresh(keyed);
		return known;
	}
	const made = new KeyedNotes(path, keyed);
	open[path] = made;
	return made;
}
