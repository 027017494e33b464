import { wrap } from 'comlink';
import type { ControlProfile } from '$core/control';
import type { Zone } from '$core/plan';
import type { Proof } from '$core/thermal';
import { LatestOnly } from './latestOnly';
import type { ProofWorkerApi } from './proof.worker';

/** Keeps a zone's proof following its edits and the outdoor temperature, in a worker of its own. */
export class ProofFollower {
	readonly #worker: Worker;
	readonly #latest: LatestOnly<[Zone, ControlProfile, number], Proof | null>;

	constructor(onproof: (proof: Proof | null) => void) {
		this.#worker = new Worker(new URL('./proof.worker.ts', import.meta.url), { type: 'module' });
		const remote = wrap<ProofWorkerApi>(this.#worker);
		this.#latest = new LatestOnly<[Zone, ControlProfile, number], Proof | null>(
			(zone, profile, outdoorC) => remote.proof(zone, profile, outdoorC),
			onproof
		);
	}

	request(zone: Zone, profile: ControlProfile, outdoorC: number): void {
		this.#latest.ask(zone, profile, outdoorC);
	}

	stop(): void {
		this.#worker.terminate();
	}
}
