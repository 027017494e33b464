/** Who waits for something to be computed: a person (or their device), and the site that it is for. */
export interface Asker {
	readonly person: string;
	readonly place: string;
}

/** Thrown where more is waiting to be computed than is sensible, or where a newer question took the place: the same may be asked again in a moment. */
export class Busy extends Error {}

interface Waiting {
	readonly asker: Asker;
	readonly begin: () => Promise<void>;
	readonly giveUp: (error: Error) => void;
}

/** What was computed for somebody, in ms: nobody who comes later is behind by what they did not ask for. */
class Shares {
	readonly #usedMs = new Map<string, number>();
	#leastMs = 0;

	usedMs = (key: string): number => Math.max(this.#usedMs.get(key) ?? 0, this.#leastMs);

	/** Counts what was used, and forgets those who have less than whoever was served last. */
	use(key: string, ms: number, leastMs: number): void {
		this.#usedMs.set(key, this.usedMs(key) + ms);
		this.#leastMs = Math.max(this.#leastMs, leastMs);
		for (const [one, used] of this.#usedMs) if (used <= this.#leastMs) this.#usedMs.delete(one);
	}
}

/**
 * A queue that is fair: who had the least computed for them is next, the person first, then their site, then the order in which it was asked for. So what is
 * short never waits for all of what is long, however much of that was asked for before it.
 */
export class Lane {
	readonly #most: { readonly running: number; readonly waiting: number; readonly ofOne: number };
	readonly #waiting = new Set<Waiting>();
	readonly #people = new Shares();
	readonly #places = new Shares();
	#running = 0;

	/** At most `running` at once and `waiting` in the queue; of more than `ofOne` from one person the oldest is given up. */
	constructor(most: { readonly running: number; readonly waiting: number; readonly ofOne: number }) {
		this.#most = most;
	}

	/** Runs something when its turn comes; gives its answer. Throws {@link Busy} where it is given up, and what `signal` ends it for. */
	run<T>(asker: Asker, signal: AbortSignal, work: () => Promise<T>): Promise<T> {
		return new Promise<T>((resolve, reject) => {
			const leave = () => {
				if (this.#waiting.delete(job)) reject(signal.reason as Error);
			};
			const job: Waiting = {
				asker,
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
		if (this.#running >= this.#most.running || this.#waiting.size === 0) return;
		const due = ({ asker: { person, place } }: Waiting) =>
			[this.#people.usedMs(person), this.#places.usedMs(`${person} ${place}`)] as const;
		let next: Waiting | null = null;
		let least: readonly [number, number] = [Infinity, Infinity];
		for (const job of this.#waiting) {
			const used = due(job);
			if (used[0] < least[0] || (used[0] === least[0] && used[1] < least[1])) [next, least] = [job, used];
		}
		this.#waiting.delete(next!);
		this.#running++;
		const beganMs = performance.now();
		void next!.begin().finally(() => {
			const ms = performance.now() - beganMs;
			const { person, place } = next!.asker;
			this.#people.use(person, ms, least[0]);
			this.#places.use(`${person} ${place}`, ms, least[1]);
			this.#running--;
			this.#next();
		});
	}
}
