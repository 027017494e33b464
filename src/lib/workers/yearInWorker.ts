import { proxy, wrap } from 'comlink';
import type { ControlProfile } from '$core/control';
import type { Zone } from '$core/plan';
import type { Permission, YearProof } from '$core/thermal';
import type { ProofWorkerApi } from './proof.worker';

/** A year under way: what comes of it, or null once stopped. */
export interface YearRun {
	readonly answer: Promise<YearProof | null>;
	stop(): void;
}

/** Runs a described room through a year of hours in a worker of its own. Stopping ends the worker at once. */
export function yearInWorker(
	zone: Zone,
	profile: ControlProfile,
	hoursC: readonly number[],
	onshare: (share: number) => void,
	may: Permission
): YearRun {
	const worker = new Worker(new URL('./proof.worker.ts', import.meta.url), { type: 'module' });
	let stop = () => {};
	const stopped = new Promise<null>((resolve) => (stop = () => resolve(null)));
	const run = wrap<ProofWorkerApi>(worker).year(zone, profile, hoursC, proxy(onshare), may);
	return { answer: Promise.race([run, stopped]).finally(() => worker.terminate()), stop };
}
