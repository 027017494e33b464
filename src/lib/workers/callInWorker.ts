import { proxy, wrap } from 'comlink';
import type { CalledZone, Said, Weighed } from '$core/callback';
import type { CallWorkerApi, LogRead } from './call.worker';
import { LatestOnly } from './latestOnly';

export type { LogRead };

const newWorker = () => new Worker(new URL('./call.worker.ts', import.meta.url), { type: 'module' });

/** Keeps what is likely following what is said, in a worker of its own. */
export class CallFollower {
	readonly #worker = newWorker();
	readonly #latest: LatestOnly<[CalledZone, Said], Weighed>;

	constructor(onweighed: (weighed: Weighed) => void) {
		const remote = wrap<CallWorkerApi>(this.#worker);
		this.#latest = new LatestOnly<[CalledZone, Said], Weighed>(
			(called, said) => remote.weigh(called, said),
			onweighed
		);
	}

	request(called: CalledZone, said: Said): void {
		this.#latest.ask(called, said);
	}

	stop(): void {
		this.#worker.terminate();
	}
}

/** A logger's file being read: what comes of it, or null once stopped. */
export interface LogRun {
	readonly answer: Promise<LogRead | null>;
	stop(): void;
}

/** Reads a logger's file in a worker of its own. Stopping ends the worker at once. */
export function logInWorker(
	bytes: Uint8Array,
	planned: Float64Array,
	outdoorC: number,
	onshare: (share: number) => void
): LogRun {
	const worker = newWorker();
	let stop = () => {};
	const stopped = new Promise<null>((resolve) => (stop = () => resolve(null)));
	const run = wrap<CallWorkerApi>(worker).log(bytes, planned, outdoorC, proxy(onshare));
	return { answer: Promise.race([run, stopped]).finally(() => worker.terminate()), stop };
}
