/** Wrong passphrases allowed from one place, and over how long, in ms. */
const MOST_TRIES = 5;
const WINDOW_MS = 60_000;
/** And from all strangers together. */
const MOST_STRANGERS = 60;

/** Who tries: by the address, or as a device on which somebody has signed in before. */
export interface Trier {
	readonly known: boolean;
	/** The device's mark, or the address. */
	readonly by: string;
}

/** What of an address counts as one place: of IPv6 the first half, which one household or machine has to itself (RFC 4291 §2.5.4). */
export const placeOf = (address: string): string =>
	address.includes(':') && !address.startsWith('::ffff:')
		? address.split(':').slice(0, 4).join(':')
		: address;

/**
 * Lets few passphrases be tried: each is counted before anything is computed of it, by place and for all strangers together, and only one
 * of strangers and one of known devices is computed at a time. A device that somebody has signed in on before is counted by itself, so that
 * no stranger can lock it out.
 */
export class Tries {
	#counted: { readonly who: string; readonly known: boolean; readonly at: number }[] = [];
	#computing = { known: false, stranger: false };

	/** Seconds to wait before another try; 0 where one may be made now. */
	waitSeconds({ known, by }: Trier, nowMs = performance.now()): number {
		this.#counted = this.#counted.filter((one) => nowMs - one.at < WINDOW_MS);
		const own = this.#counted.filter((one) => one.known === known && one.who === by);
		const strangers = this.#counted.filter((one) => !one.known);
		const counted =
			own.length >= MOST_TRIES ? own : !known && strangers.length >= MOST_STRANGERS ? strangers : [];
		return counted.length === 0 ? 0 : Math.ceil((counted[0]!.at + WINDOW_MS - nowMs) / 1000);
	}

	/** Whether another of its kind is being computed. */
	isBusy({ known }: Trier): boolean {
		return this.#computing[known ? 'known' : 'stranger'];
	}

	/**
	 * Makes a try: counts it and computes. `busy` where another is being computed (it is then not counted), `wait` where too many were
	 * wrong. One that was right is no longer counted.
	 */
	async make<T>(
		trier: Trier,
		compute: () => Promise<T | null>,
		nowMs = performance.now()
	): Promise<
		| { readonly kind: 'right'; readonly found: T }
		| { readonly kind: 'wrong' | 'busy' }
		| { readonly kind: 'wait'; readonly seconds: number }
	> {
		const seconds = this.waitSeconds(trier, nowMs);
		if (seconds > 0) return { kind: 'wait', seconds };
		const lane = trier.known ? 'known' : 'stranger';
		if (this.isBusy(trier)) return { kind: 'busy' };
		this.#computing[lane] = true;
		const count = { who: trier.by, known: trier.known, at: nowMs };
		this.#counted.push(count);
		try {
			const found = await compute();
			if (found === null) return { kind: 'wrong' };
			this.#counted = this.#counted.filter((one) => one !== count);
			return { kind: 'right', found };
		} finally {
			this.#computing[lane] = false;
		}
	}
}

/** The tries of this program. */
export const signInTries = new Tries();

/** Why a passphrase was not tried: too many were wrong, or another is being tried this moment. */
export const waitSentence = (seconds: number): string =>
	seconds > 0
		? `Too many wrong tries: wait ${seconds} seconds.`
		: 'Somebody else is signing in this very moment. Try again.';
