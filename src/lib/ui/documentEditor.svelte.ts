import isSame from 'fast-deep-equal';
import { call, mayLater, UNREACHABLE } from './call';
import { saving } from './saving.svelte';

/** Another window saved this document first: what stands there now. */
export interface Conflict<T> {
	readonly revision: number;
	readonly document: T;
}

const SAVE_AFTER_MS = 250;
const RETRY_AFTER_MS = 3000;

/**
 * The document a page works on, its undo and redo, and its saving. Every change is saved
 * as it is made, one request at a time, each on top of the revision before; when another window
 * was first, saving stops and `conflict` holds both versions for the person to choose from.
 */
export class DocumentEditor<T extends object> {
	#document = $state.raw<T>() as T;
	#past = $state.raw<readonly T[]>([]);
	#future = $state.raw<readonly T[]>([]);
	#conflict = $state.raw<Conflict<T> | null>(null);
	#refusal = $state<string | null>(null);

	readonly #path: string;
	readonly #field: string;
	#revision: number;
	#saved: T;
	/** What was sent without an answer: it may stand there all the same. */
	#unanswered: readonly T[] = [];
	#timer: ReturnType<typeof setTimeout> | undefined;
	#sending: Promise<void> | null = null;
	#dragStart: T | null = null;

	readonly #onsaved: () => void;

	/** `field` is what the document goes by in the requests: `zone`, `profile`. `onsaved` hears of every save. */
	constructor(path: string, field: string, document: T, revision: number, onsaved: () => void = () => {}) {
		this.#onsaved = onsaved;
		this.#path = path;
		this.#field = field;
		this.#document = document;
		this.#saved = document;
		this.#revision = revision;
		saving.now = { kind: 'quiet' };
	}

	get document(): T {
		return this.#document;
	}
	get canUndo(): boolean {
		return this.#past.length > 0;
	}
	get canRedo(): boolean {
		return this.#future.length > 0;
	}
	get conflict(): Conflict<T> | null {
		return this.#conflict;
	}
	/** Whether something on screen is not stored yet but can be. */
	get unsaved(): boolean {
		return this.#differs && !this.#conflict && !this.#refusal;
	}
	/** Whether what is stored is, or may be, another than what is on screen. */
	get #differs(): boolean {
		return this.#document !== this.#saved || this.#unanswered.length > 0;
	}
	/** The sentence of a refused save; the document on screen is then not the one stored. */
	get refusal(): string | null {
		return this.#refusal;
	}

	/** Takes a change as one step of undo, and saves it. */
	change(next: T): void {
		if (next === this.#document) return;
		this.#past = [...this.#past, this.#dragStart ?? this.#document];
		this.#dragStart = null;
		this.#future = [];
		this.#document = next;
		this.#save();
	}

	/** Shows a change while it is being dragged: no step of undo, nothing saved yet. */
	preview(next: T): void {
		this.#dragStart ??= this.#document;
		this.#document = next;
	}

	/** Ends a drag: what is shown becomes one step of undo and is saved. */
	commit(): void {
		const start = this.#dragStart;
		this.#dragStart = null;
		if (!start || start === this.#document) return;
		this.#past = [...this.#past, start];
		this.#future = [];
		this.#save();
	}

	/** Drops a drag: back to what was there. */
	cancel(): void {
		if (this.#dragStart) this.#document = this.#dragStart;
		this.#dragStart = null;
	}

	undo(): void {
		const before = this.#past.at(-1);
		if (!before) return;
		this.#past = this.#past.slice(0, -1);
		this.#future = [this.#document, ...this.#future];
		this.#document = before;
		this.#save();
	}

	redo(): void {
		const after = this.#future[0];
		if (!after) return;
		this.#future = this.#future.slice(1);
		this.#past = [...this.#past, this.#document];
		this.#document = after;
		this.#save();
	}

	/** Keeps this window's version over the other one. */
	keepMine(): void {
		if (!this.#conflict) return;
		this.#revision = this.#conflict.revision;
		this.#conflict = null;
		this.#save();
	}

	/** Takes the other window's version; this window's stays one undo away. */
	takeTheirs(): void {
		if (!this.#conflict) return;
		const { revision, document } = this.#conflict;
		this.#past = [...this.#past, this.#document];
		this.#future = [];
		this.#document = document;
		this.#saved = document;
		this.#revision = revision;
		this.#conflict = null;
		saving.now = { kind: 'saved', at: Date.now() };
	}

	/** Sends what is not saved yet, at once; resolves when it is stored or cannot be. */
	async flush(): Promise<void> {
		clearTimeout(this.#timer);
		this.#timer = undefined;
		if (this.#sending) await this.#sending;
		if (this.#conflict || this.#dragStart) return;
		if (!this.#differs) {
			// undone before it was sent: what stands there is what is on screen
			if (saving.now.kind === 'saving') saving.now = { kind: 'saved', at: Date.now() };
			return;
		}
		this.#sending = this.#send();
		await this.#sending;
		this.#sending = null;
		if (this.unsaved && !this.#timer) await this.flush();
	}

	#save(): void {
		if (this.#conflict) return;
		this.#refusal = null;
		saving.now = { kind: 'saving' };
		clearTimeout(this.#timer);
		this.#timer = setTimeout(() => void this.flush(), SAVE_AFTER_MS);
	}

	async #send(): Promise<void> {
		const document = this.#document;
		const answer = await call<{ revision: number }>('PUT', this.#path, {
			revision: this.#revision,
			[this.#field]: document
		});
		if (answer.ok) {
			this.#revision = answer.data.revision;
			this.#saved = document;
			this.#unanswered = [];
			saving.now = this.#document === document ? { kind: 'saved', at: Date.now() } : { kind: 'saving' };
			if (this.#document === document) this.#onsaved();
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
				this.#saved = own;
				saving.now = this.#document === own ? { kind: 'saved', at: Date.now() } : { kind: 'saving' };
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
