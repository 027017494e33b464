import { proxy, wrap, type Remote } from 'comlink';
import type { Interlock, Limit, SiteLoad, Source } from '$core/thermal';
import { LatestOnly } from './latestOnly';
import type { SentZone, SiteWorkerApi, Staggered } from './site.worker';

export type { SentZone, Staggered };

const newWorker = () => new Worker(new URL('./site.worker.ts', import.meta.url), { type: 'module' });

/** What a page asks of a site's heat. */
export interface LoadAnswer {
	readonly source: Source;
	readonly load: SiteLoad;
	/** Boiler starts a day by differential; null where no water heats. */
	readonly starts: { readonly differentialK: number; readonly startsPerDay: number }[] | null;
}

type Question = [readonly SentZone[], Source, Limit, number];

/** Keeps a site's load following its limit and the outdoor temperature, in a worker of its own. */
export class LoadFollower {
	readonly #worker = newWorker();
	readonly #latest: LatestOnly<Question, LoadAnswer>;

	constructor(onload: (answer: LoadAnswer) => void, onshare: (share: number) => void) {
		const remote: Remote<SiteWorkerApi> = wrap<SiteWorkerApi>(this.#worker);
		this.#latest = new LatestOnly<Question, LoadAnswer>(async (zones, source, limit, outdoorC) => {
			// progress comes by a way of its own and may overtake its answer, or come after it
			let under = true;
			const heard = proxy((share: number) => under && onshare(share));
			const load = await remote.load(zones, source, limit, outdoorC, heard);
			under = false;
			return { source, load, starts: source === 'water' ? await remote.starts(zones, outdoorC) : null };
		}, onload);
	}

	request(zones: readonly SentZone[], source: Source, limit: Limit, outdoorC: number): void {
		this.#latest.ask(zones, source, limit, outdoorC);
	}

	stop(): void {
		this.#worker.terminate();
	}
}

/** What an interlock costs, worked out in a worker of its own. */
export function interlockInWorker(
	zones: readonly SentZone[],
	source: Source,
	limit: Limit,
	outdoorC: number
): Promise<Interlock | null> {
	const worker = newWorker();
	return wrap<SiteWorkerApi>(worker)
		.interlock(zones, source, limit, outdoorC)
		.finally(() => worker.terminate());
}

/** A stagger under way: what comes of it, or null once stopped. */
export interface StaggerRun {
	readonly answer: Promise<Staggered | null>;
	stop(): void;
}

/** Staggers the starts of a site's zones in a worker of its own. Stopping ends the worker at once. */
export function staggerInWorker(
	zones: readonly SentZone[],
	source: Source,
	limit: Limit,
	outdoorC: number,
	onshare: (share: number) => void
): StaggerRun {
	const worker = newWorker();
	let stop = () => {};
	const stopped = new Promise<null>((resolve) => (stop = () => resolve(null)));
	const run = wrap<SiteWorkerApi>(worker).stagger(zones, source, limit, outdoorC, proxy(onshare));
	return { answer: Promise.race([run, stopped]).finally(() => worker.terminate()), stop };
}
