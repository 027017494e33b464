import { startingPace, type Pace } from './route';

/** How long one value took a person: the presses it should take, and the seconds between two confirmations. */
export interface PaceSample {
	readonly presses: number;
	readonly seconds: number;
}

/** Samples fewer than this say nothing yet. */
export const FEWEST_SAMPLES = 8;

/**
 * A person's pace from what was timed: the starting pace stretched by the median of taken against
 * expected seconds, so that a pause for the telephone does not count; kept within a third and four
 * times. Samples under 0.3 s (ticked off afterwards) or over two minutes are passed over.
 */
export function learnPace(samples: readonly PaceSample[]): Pace {
	const ratios = samples
		.filter(({ seconds }) => seconds >= 0.3 && seconds <= 120)
		.map(({ presses, seconds }) => seconds / (presses * startingPace.pressSeconds + startingPace.lookSeconds))
		.sort((a, b) => a - b);
	if (ratios.length < FEWEST_SAMPLES) return startingPace;
	const middle = ratios.length >> 1;
	const median = ratios.length % 2 === 1 ? ratios[middle]! : (ratios[middle - 1]! + ratios[middle]!) / 2;
	const stretch = Math.min(4, Math.max(1 / 3, median));
	return {
		pressSeconds: startingPace.pressSeconds * stretch,
		lookSeconds: startingPace.lookSeconds * stretch
	};
}
