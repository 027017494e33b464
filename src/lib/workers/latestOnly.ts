/**
 * Keeps an answer following its question: at most one is worked on, and of those asked meanwhile only the last is kept.
 */
export class LatestOnly<Question extends unknown[], Answer> {
	readonly #work: (...question: Question) => Promise<Answer>;
	readonly #onanswer: (answer: Answer) => void;
	#running = false;
	#waiting: Question | null = null;

	constructor(work: (...question: Question) => Promise<Answer>, onanswer: (answer: Answer) => void) {
		this.#work = work;
		this.#onanswer = onanswer;
	}

	/** Asks; replaces a question that has not begun. */
	ask(...question: Question): void {
		this.#waiting = question;
		if (!this.#running) void this.#next();
	}

	async #next(): Promise<void> {
		for (let question = this.#waiting; question; question = this.#waiting) {
			this.#waiting = null;
			this.#running = true;
			try {
				this.#onanswer(await this.#work(...question));
			} catch (error) {
				// one that fails leaves its answer out; the next may do better
				console.error(error);
			} finally {
				this.#running = false;
			}
		}
	}
}
