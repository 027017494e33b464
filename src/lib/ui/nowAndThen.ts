/** Shows the latest of what comes every `pauseMs` milliseconds for as long as more comes; the first waits as long too. */
export class NowAndThen<T> {
	readonly #show: (latest: T) => void;
	readonly #pauseMs: number;
	#waiting: { readonly value: T } | null = null;
	#timer: ReturnType<typeof setTimeout> | null = null;

	constructor(pauseMs: number, show: (latest: T) => void) {
		this.#pauseMs = pauseMs;
		this.#show = show;
	}

	next(value: T): void {
		this.#waiting = { value };
		this.#timer ??= setTimeout(() => this.#look(), this.#pauseMs);
	}

	/** Forgets what waits. */
	stop(): void {
		if (this.#timer !== null) clearTimeout(this.#timer);
		this.#timer = this.#waiting = null;
	}

	#look(): void {
		this.#timer = null;
		if (this.#waiting === null) return;
		const { value } = this.#waiting;
		this.#waiting = null;
		this.#timer = setTimeout(() => this.#look(), this.#pauseMs);
		this.#show(value);
	}
}
