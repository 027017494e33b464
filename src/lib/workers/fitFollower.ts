import { wrap } from 'comlink';
import type { ControlProfile } from '$core/control';
import type { Zone } from '$core/plan';
import type { FitWorkerApi } from './fit.worker';
import { LatestOnly } from './latestOnly';
import type { PricedFit } from '$core/keying';

/** Keeps a zone's fit following its edits, in a worker of its own. */
export class FitFollower {
	readonly #worker: Worker;
	readonly #latest: LatestOnly<[Zone, ControlProfile], PricedFit>;

	constructor(onfit: (fit: PricedFit) => void) {
		this.#worker = new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' });
		const remote = wrap<FitWorkerApi>(this.#worker);
		this.#latest = new LatestOnly<[Zone, ControlProfile], PricedFit>(
			(zone, profile) => remote.fit(zone, profile),
			onfit
		);
	}

	request(zone: Zone, profile: ControlProfile): void {
		this.#latest.ask(zone, profile);
	}

	stop(): void {
		this.#worker.terminate();
	}
}
