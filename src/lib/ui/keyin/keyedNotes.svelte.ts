import type { Keyed } from '$core/keying';
import { call, UNREACHABLE } from '../call';
import { saving } from '../saving.svelte';

const RETRY_AFTER_MS = 3000;

/**
 * What has been keyed at the control, kept here and on the server. A note is made at once, sent in
 * the background, kept in the browser until the server has it, and merged with what another device
 * notes meanwhile.
 */
export class KeyedNotes {
	#keyed = $state.raw<Keyed>({});
	#pending: Record<string, string | null> = {};
	#timer: ReturnType<typeof setTimeout> | undefined;
	#sending = false;
	readonly #path: string;
	readonly #storageKey: string;

	constructor(path: string, keyed: Keyed) {
		this.#path = path;
		this.#storageKey = `fond-quarter/keyed/${path}`;
		this.#keyed = keyed;
		saving.now = { kind: 'quiet' };
	}

	get keyed(): Keyed {
		return this.#keyed;
	}

	/** Takes up what an earlier visit of this page could not send. Call once, in the browser. */
	resume(): void {
		try {
			const kept: unknown = JSON.parse(localStorage.getItem(this.#storageKey) ?? '{}');
			if (kept && typeof kept === 'object')
				for (const [id, shows] of Object.entries(kept))
					if (shows === null || typeof shows === 'string') this.#pending[id] = shows;
		} catch {
			localStorage.removeItem(this.#storageKey);
		}
		if (Object.keys(this.#pending).length > 0) {
			this.#show(this.#keyed);
			void this.send();
		}
	}

	/** Notes a value as keyed, or with null as not keyed after all. */
	note(id: string, shows: string | null): void {
		this.#pending = { ...this.#pending, [id]: shows };
		this.#show(this.#keyed);
		saving.now = { kind: 'saving' };
		void this.send();
	}

	/** Takes what the server holds now, with what is still to be sent laid over it. */
	refresh(keyed: Keyed): void {
		this.#show(keyed);
	}

	async send(): Promise<void> {
		if (this.#sending || Object.keys(this.#pending).length === 0) return;
		clearTimeout(this.#timer);
		this.#sending = true;
		const changes = { ...this.#pending };
		const answer = await call<{ keyed: Keyed }>('POST', this.#path, { changes });
		this.#sending = false;
		if (answer.ok) {
			for (const [id, shows] of Object.entries(changes))
				if (this.#pending[id] === shows) delete this.#pending[id];
			this.#show(answer.data.keyed);
			saving.now = { kind: 'saved', at: Date.now() };
			void this.send();
		} else if (answer.status === UNREACHABLE) {
			saving.now = { kind: 'waiting', sentence: 'Kept here: no connection' };
			this.#timer = setTimeout(() => void this.send(), RETRY_AFTER_MS);
		} else {
			saving.now = { kind: 'refused', sentence: answer.sentence };
		}
	}

	#show(base: Keyed): void {
		const merged: Record<string, string> = { ...base };
		for (const [id, shows] of Object.entries(this.#pending)) {
			if (shows === null) delete merged[id];
			else merged[id] = shows;
		}
		this.#keyed = merged;
		if (Object.keys(this.#pending).length > 0)
			localStorage.setItem(this.#storageKey, JSON.stringify(this.#pending));
		else localStorage.removeItem(this.#storageKey);
	}
}
