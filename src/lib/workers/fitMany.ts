import { proxy, wrap } from 'comlink';
import type { ControlProfile } from '$core/control';
import type { Zone } from '$core/plan';
import type { FitWorkerApi, Outcome } from './fit.worker';

export type { Outcome };

/** Many fits under way: their outcomes in order, or null once stopped. */
export interface ManyFits {
	readonly outcomes: Promise<Outcome[] | null>;
	stop(): void;
}

/** Fits many zones in a worker of their own, each perhaps with how it `was` planned, telling how many are done. Stopping ends the worker at once. */
export function fitMany(
	pairs: readonly { readonly zone: Zone; readonly profile: ControlProfile; readonly was?: Zone }[],
	onprogress: (done: number) => void
): ManyFits {
	const worker = new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' });
	let stop = () => {};
	const stopped = new Promise<null>((resolve) => (stop = () => resolve(null)));
	const run = wrap<FitWorkerApi>(worker).fitMany(pairs, proxy(onprogress));
	const outcomes = Promise.race([run, stopped]).finally(() => worker.terminate());
	return { outcomes, stop };
}
