import isSame from 'fast-deep-equal';
import { call, mayLater, UNREACHABLE } from '../call';
import { saving } from '../saving.svelte';

/** Another window saved this document first: what stands there now. */
export interface Conflict<T> {
	readonly revision: number;
	readonly document: T;
}

const SAVE_AFTER_MS = 250;
const RETRY_AFTER_MS = 3000;

/** What a saver asks of the document that it saves. */
export interface Saved<T> {
	/** The document as it is on screen. */
	readonly now: () => T;
	/** Whether it is just being dragged: then nothing is sent. */
	readonly dragged: () => boolean;
	/** Hears of every save. */
	readonly onsaved: () => void;
}

/**
 * Saves a document as it changes: one request at a time, each on top of the revision before. When another window was
 * first, it stops, and `conflict` holds what stands there.
 */
export class Saver<T extends object> {
	#conflict = $state.raw<Conflict<T> | null>(null);
	#refusal = $state<string | null>(null);
	#saved = $state.raw<T>() as T;
	/** What was sent without an answer: it may stand there all the same. */
	#unanswered = $state.raw<readonly T[]>([]);

	#revision: number;
	readonly #path: string;
	readonly #field: string;
	readonly #of: Saved<T>;
	#timer: ReturnType<typeof setTimeout> | undefined;
	#sending: Promise<void> | null = null;

	constructor(path: string, field: string, document: T, revision: number, of: Saved<T>) {
		this.#path = path;
		this.#field = field;
		this.#saved = document;
		this.#revision = revision;
		this.#of = of;
	}

	get conflict(): Conflict<T> | null {
		return this.#conflict;
	}
	/** The sentence of a refused save; the document on screen is then not the one stored. */
	get refusal(): string | null {
		return this.#refusal;
	}
	/** The document as it is stored, as far as is known, and its revision. */
	get saved(): T {
		return this.#saved;
	}
	get revision(): number {
		return this.#revision;
	}
	/** Whether what is stored is, or may be, another than what is on screen. */
	get differs(): boolean {
		return this.#of.now() !== this.#saved || this.#unanswered.length > 0;
	}
	/** Whether something on screen is not stored yet but can be. */
	get unsaved(): boolean {
		return this.differs && !this.#conflict && !this.#refusal;
	}

	/** Saves in a moment; several quick changes are one request. */
	soon(): void {
		if (this.#conflict) return;
		this.#refusal = null;
		saving.now = { kind: 'saving' };
		clearTimeout(this.#timer);
		this.#timer = setTimeout(() => void this.flush(), SAVE_AFTER_MS);
	}

	/** What stands there is known to be this. */
	standsAt(document: T, revision: number): void {
		this.#saved = document;
		this.#revision = revision;
		this.#conflict = null;
	}

	/** Saves on top of what the other window saved. */
	saveOver(): void {
		if (!this.#conflict) return;
		this.#revision = this.#conflict.revision;
		this.#conflict = null;
		this.soon();
	}

	/** Sends what is not saved yet, at once; resolves when it is stored or cannot be. */
	async flush(): Promise<void> {
		clearTimeout(this.#timer);
		this.#timer = undefined;
		// when it ends, another that waited for it may have sent again
		while (this.#sending) await this.#sending;
		if (this.#conflict || this.#of.dragged()) return;
		if (!this.differs) {
			// undone before it was sent: what stands there is what is on screen
			if (saving.now.kind === 'saving') saving.now = { kind: 'saved', at: Date.now() };
			return;
		}
		this.#sending = this.#send();
		await this.#sending;
		this.#sending = null;
		if (this.unsaved && !this.#timer) await this.flush();
	}

	#came(document: T): void {
		this.#saved = document;
		this.#unanswered = [];
		const now = this.#of.now() === document;
		saving.now = now ? { kind: 'saved', at: Date.now() } : { kind: 'saving' };
		if (now) this.#of.onsaved();
	}

	async #send(): Promise<void> {
		const document = this.#of.now();
		const answer = await call<{ revision: number }>('PUT', this.#path, {
			revision: this.#revision,
			[this.#field]: document
		});
		if (answer.ok) {
			this.#revision = answer.data.revision;
			this.#came(document);
		} else if (mayLater(answer)) {
			this.#unanswered = [...this.#unanswered, document];
			saving.now = {
				kind: 'waiting',
				sentence: answer.status === UNREACHABLE ? 'Not saved yet: no connection' : answer.sentence
			};
			this.#timer = setTimeout(() => void this.flush(), RETRY_AFTER_MS);
		} else if (answer.status === 409) {
			const { current } = answer.data as { current: { revision: number } & Record<string, unknown> };
			const there = current[this.#field] as T;
			const own = this.#unanswered.find((one) => isSame(one, there));
			this.#unanswered = [];
			if (own) {
				// it came in, and only the answer was lost
				this.#revision = current.revision;
				this.#came(own);
				return;
			}
			this.#conflict = { revision: current.revision, document: there };
			saving.now = { kind: 'refused', sentence: 'Changed in another window' };
		} else {
			this.#refusal = answer.sentence;
			saving.now = { kind: 'refused', sentence: 'Not saved' };
		}
	}
}
