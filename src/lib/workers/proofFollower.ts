import { wrap, type Remote } from 'comlink';
import type { ControlProfile } from '$core/control';
import type { Zone } from '$core/plan';
import type { Proof } from '$core/thermal';
import type { ProofWorkerApi } from './proof.worker';

/** Keeps a zone's proof following its edits and the outdoor temperature: at most one runs, of those waiting only the last is kept. */
export class ProofFollower {
	readonly #worker: Worker;
	readonly #remote: Remote<ProofWorkerApi>;
	readonly #onproof: (proof: Proof | null) => void;
	#running = false;
	#waiting: [Zone, ControlProfile, number] | null = null;

	constructor(onproof: (proof: Proof | null) => void) {
		this.#onproof = onproof;
		this.#worker = new Worker(new URL('./proof.worker.ts', import.meta.url), { type: 'module' });
		this.#remote = wrap<ProofWorkerApi>(this.#worker);
	}

	request(zone: Zone, profile: ControlProfile, outdoorC: number): void {
		this.#waiting = [zone, profile, outdoorC];
		if (!this.#running) void this.#next();
	}

	async #next(): Promise<void> {
		const job = this.#waiting;
		if (!job) return;
		this.#waiting = null;
		this.#running = true;
		try {
			this.#onproof(await this.#remote.proof(...job));
		} finally {
			this.#running = false;
		}
		if (this.#waiting) await this.#next();
	}

	stop(): void {
		this.#worker.terminate();
	}
}
