import { AsyncLocalStorage } from 'node:async_hooks';
import { existsSync } from 'node:fs';
import path from 'node:path';
import { Piscina } from 'piscina';
import { Busy, Lane as Queue, type Asker } from './lane';
import type { Tasks } from './tasks';

export type TaskName = keyof Tasks;
export type TaskInput<Name extends TaskName> = Parameters<Tasks[Name]>[0];
type TaskOutput<Name extends TaskName> = Awaited<ReturnType<Tasks[Name]>>;

/** Thrown where something takes longer to compute than its deadline. */
export class Late extends Error {}

/**
 * Lanes, so that neither what anybody may ask the API to compute nor a paper that takes seconds stands before what the pages of the stored
 * sites need. Each lane has threads of its own that give way to the one that answers; that of the papers ends when nobody prints. Within a lane it is
 * shared out by who asked.
 */
const lanes = {
	/** For the sites that are stored: a whole import may wait here. */
	stored: {
		nice: 10,
		deadlineMs: 60_000,
		stays: true,
		most: { running: 2, waiting: 4000, ofOne: 4000 }
	},
	/** For what is sent along with a question. */
	asked: { nice: 15, deadlineMs: 15_000, stays: true, most: { running: 2, waiting: 64, ofOne: 8 } },
	/** For what is printed, and for pictures. */
	papers: { nice: 15, deadlineMs: 60_000, stays: false, most: { running: 1, waiting: 200, ofOne: 40 } }
} as const;
type Lane = keyof typeof lanes;

const laneOf: Record<TaskName, Lane> = {
	standing: 'stored',
	zoneFit: 'stored',
	boxCard: 'stored',
	customerPage: 'stored',
	weekLines: 'stored',
	pricedFit: 'stored',
	customerPdf: 'papers',
	recordPdf: 'papers',
	picture: 'papers',
	readJob: 'stored',
	seenJob: 'stored',
	posted: 'asked'
};

const pools = new Map<Lane, Piscina>();
const queues: Record<Lane, Queue> = {
	stored: new Queue(lanes.stored.most),
	asked: new Queue(lanes.asked.most),
	papers: new Queue(lanes.papers.most)
};

/** Who asks, known to all that their request brings about. */
const asking = new AsyncLocalStorage<Asker>();
/** Does something for somebody: what it has computed counts as theirs. */
export const askedBy = <T>(asker: Asker, work: () => T): T => asking.run(asker, work);
const program: Asker = { person: '', place: '' };

/** Where the built program keeps what its threads run; it is not there while it is being developed or tested. */
const workerFile = () =>
	path.join(path.dirname(path.resolve(process.argv[1] ?? '.')), 'compute', 'worker.js');

function poolOf(lane: Lane): Piscina | null {
	const had = pools.get(lane);
	if (had) return had;
	const filename = workerFile();
	if (!existsSync(filename)) return null;
	const { nice, stays, most } = lanes[lane];
	const pool = new Piscina({
		filename,
		minThreads: stays ? 1 : 0,
		maxThreads: most.running,
		idleTimeout: 30_000,
		workerData: { nice },
		// a week too large for its thread ends that thread, not the program
		resourceLimits: { maxOldGenerationSizeMb: 512 }
	});
	pools.set(lane, pool);
	return pool;
}

/** How long something may take, roughly: a week of many steps takes longest to fit. */
function weightOf(input: unknown): number {
	const { zone, text } = (input ?? {}) as { zone?: { wanted?: readonly unknown[] }; text?: string };
	return zone?.wanted?.length ?? text?.length ?? 0;
}

/** Begins the threads, so that the first who asks does not wait for them. */
export function beginComputing(): void {
	for (const lane of Object.keys(lanes) as Lane[]) if (lanes[lane].stays) poolOf(lane);
}

/** Ends the threads: what was being computed is refused. */
export async function stopComputing(): Promise<void> {
	const all = [...pools.values()];
	pools.clear();
	await Promise.all(all.map((pool) => pool.destroy()));
}

/**
 * Computes something off the main thread, by its deadline; given up when `signal` ends. Throws {@link Busy} or {@link Late}. Where no
 * thread was built (in development, in tests of single modules) it is computed here.
 */
export async function compute<Name extends TaskName>(
	name: Name,
	input: TaskInput<Name>,
	{ signal }: { readonly signal?: AbortSignal } = {}
): Promise<TaskOutput<Name>> {
	const lane = laneOf[name];
	const pool = poolOf(lane);
	if (!pool) {
		const { tasks } = await import('./tasks');
		return (tasks[name] as (given: unknown) => TaskOutput<Name>)(input);
	}
	const late = AbortSignal.timeout(lanes[lane].deadlineMs);
	const ended = signal ? AbortSignal.any([signal, late]) : late;
	try {
		return (await queues[lane].run(
			asking.getStore() ?? program,
			ended,
			() => pool.run({ name, input }, { signal: ended }),
			weightOf(input)
		)) as TaskOutput<Name>;
	} catch (error) {
		if (late.aborted) throw new Late(name);
		if (signal?.aborted) throw new Late('nobody waits for it');
		const text = error instanceof Error ? error.message : '';
		if (/terminating/i.test(text)) throw new Busy(name);
		throw error;
	}
}
