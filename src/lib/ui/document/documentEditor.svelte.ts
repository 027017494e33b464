import isSame from 'fast-deep-equal';
import { saving } from '../saving.svelte';
import { History } from './history.svelte';
import { Saver, type Conflict } from './saver.svelte';

export type { Conflict } from './saver.svelte';

/** Where steps of undo are kept over a reload: as much of the browser's session storage as is needed. */
type Keeper = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;

/**
 * The document that pages work on: what is on screen, its undo and redo, and its saving. Every change is saved as it is
 * made; when another window was first, `conflict` holds both versions for the person to choose from.
 */
export class DocumentEditor<T extends object> {
	#document = $state.raw<T>() as T;
	#dragStart = $state.raw<T | null>(null);
	readonly #history = new History<T>();
	readonly #saver: Saver<T>;
	readonly #path: string;
	#keeper: Keeper | null = null;

	/** `field` is what the document goes by in the requests: `zone`, `profile`. `onsaved` hears of every save. */
	constructor(path: string, field: string, document: T, revision: number, onsaved: () => void = () => {}) {
		this.#path = path;
		this.#document = document;
		this.#saver = new Saver(path, field, document, revision, {
			now: () => this.#document,
			dragged: () => this.#dragStart !== null,
			onsaved: () => {
				this.#keep();
				onsaved();
			}
		});
	}

	get document(): T {
		return this.#document;
	}
	get canUndo(): boolean {
		return this.#history.canUndo;
	}
	get canRedo(): boolean {
		return this.#history.canRedo;
	}
	get conflict(): Conflict<T> | null {
		return this.#saver.conflict;
	}
	/** Whether something on screen is not stored yet but can be. */
	get unsaved(): boolean {
		return this.#saver.unsaved;
	}
	/** The sentence of a refused save; the document on screen is then not the one stored. */
	get refusal(): string | null {
		return this.#saver.refusal;
	}
	/** Whether the document is just being dragged. */
	get dragged(): boolean {
		return this.#dragStart !== null;
	}

	/** Takes a change as one step of undo, and saves it. */
	change(next: T): void {
		if (next === this.#document) return;
		this.#history.step(this.#dragStart ?? this.#document);
		this.#dragStart = null;
		this.#show(next);
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
		this.#history.step(start);
		this.#saver.soon();
	}

	/** Drops a drag: back to what was there. */
	cancel(): void {
		if (this.#dragStart) this.#document = this.#dragStart;
		this.#dragStart = null;
	}

	undo(): void {
		const before = this.#history.undo(this.#document);
		if (before) this.#show(before);
	}

	redo(): void {
		const after = this.#history.redo(this.#document);
		if (after) this.#show(after);
	}

	/** Keeps this window's version over the other one. */
	keepMine(): void {
		this.#saver.saveOver();
	}

	/** Takes the other window's version; this window's stays one undo away. */
	takeTheirs(): void {
		const conflict = this.#saver.conflict;
		if (!conflict) return;
		this.#history.step(this.#document);
		this.#document = conflict.document;
		this.#saver.standsAt(conflict.document, conflict.revision);
		saving.now = { kind: 'saved', at: Date.now() };
	}

	/** Sends what is not saved yet, at once; resolves when it is stored or cannot be. */
	flush(): Promise<void> {
		return this.#saver.flush();
	}

	/**
	 * Meets what a page read from the server: what another hand saved since is taken over, and laid over the steps of undo,
	 * so that undoing here does not undo theirs. While something here is unsaved, the next save settles it.
	 */
	meet(document: T, revision: number): void {
		if (revision <= this.#saver.revision || this.#saver.differs || this.#dragStart) return;
		const before = this.#saver.saved as Record<string, unknown>;
		const theirs = Object.fromEntries(
			Object.entries(document).filter(([key, value]) => !isSame(value, before[key]))
		);
		this.#history.layOver((step) => ({ ...step, ...theirs }));
		this.#document = document;
		this.#saver.standsAt(document, revision);
		this.#keep();
	}

	/** Keeps the steps of undo over a reload of the page, and takes up those that were kept at this very revision. */
	keepSteps(keeper: Keeper): void {
		this.#keeper = keeper;
		try {
			const kept = JSON.parse(keeper.getItem(this.#path) ?? 'null') as {
				readonly revision: number;
				readonly past: readonly T[];
				readonly future: readonly T[];
			} | null;
			if (kept?.revision === this.#saver.revision && !this.canUndo && !this.canRedo)
				this.#history.takeUp(kept);
		} catch {
			// what cannot be read is not missed: the document itself is stored
		}
	}

	#show(next: T): void {
		this.#document = next;
		this.#saver.soon();
	}

	#keep(): void {
		if (!this.#keeper) return;
		try {
			const kept = JSON.stringify({ revision: this.#saver.revision, ...this.#history.kept() });
			this.#keeper.setItem(this.#path, kept);
		} catch {
			// full: the steps live as long as the page
		}
	}
}
