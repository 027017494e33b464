import { setPriority } from 'node:os';
import { workerData } from 'node:worker_threads';
import { tasks } from './tasks';

// on Linux a thread has a priority of its own; elsewhere this may be refused, and nothing is lost
try {
	const { nice } = (workerData as [unknown, { nice?: number }] | { nice?: number }[]).at(-1) as {
		nice: number;
	};
	setPriority(nice);
} catch {
	// as it is
}

/** What a thread of the pool runs: a task by its name. */
export default function run({ name, input }: { name: keyof typeof tasks; input: never }): unknown {
	return (tasks[name] as (given: never) => unknown)(input);
}
