import { wrap, type Remote } from 'comlink';
import type { ControlProfile } from '$core/control';
import type { Zone } from '$core/plan';
import type { Permission } from '$core/thermal';
import type { Felt } from '$core/words';
import { LatestOnly } from './latestOnly';
import type { HeldProof, ProofWorkerApi } from './proof.worker';

/** What is asked of a zone in its worker. */
type Question = [zone: Zone, profile: ControlProfile, outdoorC: number, may: Permission];

/** Keeps an answer of the proof worker following a zone's edits and the outdoor temperature, in a worker of its own. */
class Follower<Answer> {
	readonly #worker: Worker;
	readonly #latest: LatestOnly<Question, Answer>;

	constructor(
		ask: (remote: Remote<ProofWorkerApi>) => (...question: Question) => Promise<Answer>,
		onanswer: (answer: Answer) => void
	) {
		this.#worker = new Worker(new URL('./proof.worker.ts', import.meta.url), { type: 'module' });
		this.#latest = new LatestOnly<Question, Answer>(ask(wrap<ProofWorkerApi>(this.#worker)), onanswer);
	}

	request(...question: Question): void {
		this.#latest.ask(...question);
	}

	stop(): void {
		this.#worker.terminate();
	}
}

/** Keeps a zone's proof following; null where its room has not been described. */
export class ProofFollower extends Follower<HeldProof | null> {
	constructor(onproof: (proof: HeldProof | null) => void) {
		super(
			(remote) =>
				(...question) =>
					remote.proof(...question),
			onproof
		);
	}
}

/** Keeps the room's own line following; see {@link ProofFollower}. */
export class RoomFollower extends Follower<Float32Array | null> {
	constructor(online: (airC: Float32Array | null) => void) {
		super(
			(remote) =>
				(...question) =>
					remote.room(...question),
			online
		);
	}
}

/** Keeps what would be felt following; see {@link ProofFollower}. */
export class FeltFollower extends Follower<Felt | null> {
	constructor(onfelt: (felt: Felt | null) => void) {
		super(
			(remote) =>
				(...question) =>
					remote.felt(...question),
			onfelt
		);
	}
}
