/** Numbers from 0 up to but not including 1, the same with the same seed (mulberry32, public domain). */
export function seededRandom(seed: number): () => number {
	let state = seed | 0;
	return () => {
		state = (state + 0x6d2b79f5) | 0;
		let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
		mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
		return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
	};
}

/** Whole numbers from 0 up to but not including a bound, the same with the same seed. */
export function seededChance(seed: number): (below: number) => number {
	const random = seededRandom(seed);
	return (below) => Math.floor(random() * below);
}
