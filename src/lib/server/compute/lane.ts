/** Who waits for something to be computed: a person (or their device), and the site that it is for. */
export interface Asker {
	readonly person: string;
	readonly place: string;
}

/** Thrown where more is waiting to be computed than is sensible, or where a newer question took the place: the same may be asked again in a moment. */
export class Busy extends Error {}

const keyOf = ({ person, place }: Asker) => `${person} ${place}`;

interface Waiting {
	readonly asker: Asker;
	readonly weight: number;
	readonly begin: () => Promise<void>;
	readonly giveUp: (error: Error) => void;
}

/** What was computed for somebody, in ms: nobody who comes later is behind by what they did not ask for. */
class Shares {
	readonly #usedMs = new Map<string, number>();
	#leastMs = 0;

	usedMs = (key: string): number => Math.max(this.#usedMs.get(key) ?? 0, this.#leastMs);

	forget(): void {
		this.#usedMs.clear();
		this.#leastMs = 0;
	}

	/** Counts what was used, and forgets those who have less than whoever was served last. */
	use(key: string, ms: number, leastMs: number): void {
		this.#usedMs.set(key, this.usedMs(key) + ms);
		this.#leastMs = Math.max(this.#leastMs, leastMs);
		for (const [one, used] of this.#usedMs) if (used <= this.#leastMs) this.#usedMs.delete(one);
	}
}

/**
 * A queue that is fair: who had the least computed for them is next, the person first, then their site, then what weighs least, then the order in which it
 * was asked for. Nobody has more than one thing computed at a time for one site: what is short never waits for all of what is long, however much of that was
 * asked for before it, and where more than one may run it does not wait for the one that is long.
 */
export class Lane {
	readonly #most: { readonly running: number; readonly waiting: number; readonly ofOne: number };
	readonly #waiting = new Set<Waiting>();
	readonly #people = new Shares();
	readonly #places = new Shares();
	/** For whom something is being computed. */
	readonly #running = new Set<string>();

	/** At most `running` at once and `waiting` in the queue; of more than `ofOne` from one person the oldest is given up. */
	constructor(most: { readonly running: number; readonly waiting: number; readonly ofOne: number }) {
		this.#most = most;
	}

	/** Runs something when its turn comes, what weighs little before what weighs much; gives its answer. Throws {@link Busy} where it is given up, and what `signal` ends it for. */
	run<T>(asker: Asker, signal: AbortSignal, work: () => Promise<T>, weight = 0): Promise<T> {
		return new Promise<T>((resolve, reject) => {
			const leave = () => {
				if (this.#waiting.delete(job)) reject(signal.reason as Error);
			};
			const job: Waiting = {
				asker,
				weight,
				begin: () => {
					signal.removeEventListener('abort', leave);
					return work().then(resolve, reject);
				},
				giveUp: (error) => {
					signal.removeEventListener('abort', leave);
					reject(error);
				}
			};
			if (signal.aborted) return reject(signal.reason as Error);
			signal.addEventListener('abort', leave, { once: true });
			this.#waiting.add(job);
			this.#makeRoom();
			this.#next();
		});
	}

	/** Gives up what is too much: the oldest of whoever asked for most. */
	#makeRoom(): void {
		const of = new Map<string, Waiting[]>();
		for (const job of this.#waiting) of.set(job.asker.person, [...(of.get(job.asker.person) ?? []), job]);
		const most = [...of.values()].reduce((a, b) => (b.length > a.length ? b : a));
		if (most.length <= this.#most.ofOne && this.#waiting.size <= this.#most.waiting) return;
		this.#waiting.delete(most[0]!);
		most[0]!.giveUp(new Busy('more was asked for than can wait'));
	}

	#next(): void {
		if (this.#waiting.size === 0 && this.#running.size === 0) {
			// nobody waited: whoever comes next begins as everybody
			this.#people.forget();
			this.#places.forget();
		}
		if (this.#running.size >= this.#most.running) return;
		let next: Waiting | null = null;
		let least: readonly number[] = [];
		for (const job of this.#waiting) {
			if (this.#running.has(keyOf(job.asker))) continue;
			const due = [this.#people.usedMs(job.asker.person), this.#places.usedMs(keyOf(job.asker)), job.weight];
			const at = due.findIndex((one, i) => one !== least[i]);
			if (next === null || (at >= 0 && due[at]! < least[at]!)) [next, least] = [job, due];
		}
		if (!next) return;
		const { asker } = next;
		this.#waiting.delete(next);
		this.#running.add(keyOf(asker));
		const beganMs = performance.now();
		void next.begin().finally(() => {
			const ms = performance.now() - beganMs;
			this.#people.use(asker.person, ms, least[0]!);
			this.#places.use(keyOf(asker), ms, least[1]!);
			this.#running.delete(keyOf(asker));
			this.#next();
		});
		this.#next();
	}
}
