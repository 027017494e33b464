/** How many steps are kept over a reload of the page; in memory there is no bound. */
const MOST_KEPT = 30;

/** What a document was before its changes, and what it was before they were undone. */
export class History<T extends object> {
	#past = $state.raw<readonly T[]>([]);
	#future = $state.raw<readonly T[]>([]);

	get canUndo(): boolean {
		return this.#past.length > 0;
	}
	get canRedo(): boolean {
		return this.#future.length > 0;
	}

	/** Takes a change as one step: what was there before it can be brought back. */
	step(before: T): void {
		this.#past = [...this.#past, before];
		this.#future = [];
	}

	/** What stood before the last change; null where there is none. */
	undo(now: T): T | null {
		const before = this.#past.at(-1);
		if (!before) return null;
		this.#past = this.#past.slice(0, -1);
		this.#future = [now, ...this.#future];
		return before;
	}

	/** What was undone last; null where nothing was. */
	redo(now: T): T | null {
		const after = this.#future[0];
		if (!after) return null;
		this.#future = this.#future.slice(1);
		this.#past = [...this.#past, now];
		return after;
	}

	/** Lays over every step what somebody else changed meanwhile: undoing does not undo theirs. */
	layOver(change: (step: T) => T): void {
		this.#past = this.#past.map(change);
		this.#future = this.#future.map(change);
	}

	/** The last steps, to be kept over a reload. */
	kept(): { readonly past: readonly T[]; readonly future: readonly T[] } {
		return { past: this.#past.slice(-MOST_KEPT), future: this.#future.slice(0, MOST_KEPT) };
	}

	/** Takes up what was kept. */
	takeUp({ past, future }: { readonly past: readonly T[]; readonly future: readonly T[] }): void {
		this.#past = past;
		this.#future = future;
	}
}
