import { wrap, type Remote } from 'comlink';
import type { ControlProfile } from '$core/control';
import type { Zone } from '$core/plan';
import type { FitWorkerApi } from './fit.worker';
import type { PricedFit } from './pricedFit';

/**
 * Keeps a zone's fit following its edits: at most one fit runs in the worker, and of the requests
 * made meanwhile only the last is kept. The newest answer reaches `onfit`.
 */
export class FitFollower {
	readonly #worker: Worker;
	readonly #remote: Remote<FitWorkerApi>;
	readonly #onfit: (fit: PricedFit, zone: Zone) => void;
	#running = false;
	#waiting: { zone: Zone; profile: ControlProfile } | null = null;

	constructor(onfit: (fit: PricedFit, zone: Zone) => void) {
		this.#onfit = onfit;
		this.#worker = new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' });
		this.#remote = wrap<FitWorkerApi>(this.#worker);
	}

	/** Asks for the fit of this zone; replaces a request that has not begun. */
	request(zone: Zone, profile: ControlProfile): void {
		this.#waiting = { zone, profile };
		if (!this.#running) void this.#next();
	}

	async #next(): Promise<void> {
		const job = this.#waiting;
		if (!job) return;
		this.#waiting = null;
		this.#running = true;
		try {
			this.#onfit(await this.#remote.fit(job.zone, job.profile), job.zone);
		} finally {
			this.#running = false;
		}
		if (this.#waiting) await this.#next();
	}

	stop(): void {
		this.#worker.terminate();
	}
}
