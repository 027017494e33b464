import { wrap } from 'comlink';
import type { Room } from '$core/plan';
import type { EvenLog, LogRefusal, Measured } from '$core/thermal';
import type { ProofWorkerApi } from './proof.worker';

/** Measures a room from a log in a worker of its own. */
export async function measureInWorker(room: Room, log: EvenLog): Promise<Measured | LogRefusal> {
	const worker = new Worker(new URL('./proof.worker.ts', import.meta.url), { type: 'module' });
	try {
		return await wrap<ProofWorkerApi>(worker).measure(room, log);
	} finally {
		worker.terminate();
	}
}
