/** Whole numbers from 0 up to but not including a bound, the same with the same seed (mulberry32). */
export function seededChance(seed: number): (below: number) => number {
	let state = seed | 0;
	return (below) => {
		state = (state + 0x6d2b79f5) | 0;
		let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
		mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
		return Math.floor((((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296) * below);
	};
}
