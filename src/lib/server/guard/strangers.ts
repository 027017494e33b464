import { placeOf } from './tries';

/** What strangers may send from one place, and from all of them together, within a while. */
const MOST_FROM_ONE = 20;
const MOST_FROM_ALL = 200;
const WINDOW_MS = 600_000;

/** Lets few things be sent by people who are not signed in: a link's household says what is wrong once, not twenty times. */
export class StrangersRate {
	#counted: { readonly place: string; readonly at: number }[] = [];

	/** Counts something sent from an address. Seconds until the next may be sent; 0 where this one may. */
	waitSeconds(address: string, nowMs = performance.now()): number {
		this.#counted = this.#counted.filter(({ at }) => nowMs - at < WINDOW_MS);
		const place = placeOf(address);
		const own = this.#counted.filter((one) => one.place === place);
		const counted =
			own.length >= MOST_FROM_ONE ? own : this.#counted.length >= MOST_FROM_ALL ? this.#counted : null;
		if (counted) return Math.ceil((counted[0]!.at + WINDOW_MS - nowMs) / 1000);
		this.#counted.push({ place, at: nowMs });
		return 0;
	}
}

/** What strangers send to this program. */
export const strangers = new StrangersRate();
