/** Wrong passphrases allowed from one address, and over how long, in ms. */
const MOST_TRIES = 5;
const WINDOW_MS = 60_000;
/** And from all addresses together. */
const MOST_TOGETHER = 60;

/** Counts wrong passphrases, so that nobody can try many: by address, and all together. */
export class Tries {
	#wrong: { readonly address: string; readonly at: number }[] = [];

	/** Seconds to wait before another try from an address; 0 where one may be made now. */
	waitSeconds(address: string, nowMs = Date.now()): number {
		this.#wrong = this.#wrong.filter((one) => nowMs - one.at < WINDOW_MS);
		const own = this.#wrong.filter((one) => one.address === address);
		const counted = own.length >= MOST_TRIES ? own : this.#wrong.length >= MOST_TOGETHER ? this.#wrong : [];
		return counted.length === 0 ? 0 : Math.ceil((counted[0]!.at + WINDOW_MS - nowMs) / 1000);
	}

	wrong(address: string, nowMs = Date.now()): void {
		this.#wrong.push({ address, at: nowMs });
	}
}
