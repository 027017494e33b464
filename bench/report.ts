/** What the benches share: a median, a time, and a figure beside what is allowed. */
export function median(times: number[]): number {
	return [...times].sort((a, b) => a - b)[times.length >> 1]!;
}

/** Milliseconds that some work takes. */
export function time(work: () => void): number {
	const start = performance.now();
	work();
	return performance.now() - start;
}

/** Prints what something took and which share that is of what is allowed, both in ms. */
export function report(name: string, took: number, allowed: number) {
	console.log(
		`${name}: median ${took.toFixed(2)} ms, ${(took / allowed).toFixed(2)} of the ${allowed} ms allowed`
	);
}
