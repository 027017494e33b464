import { browser } from '$app/environment';
import { learnPace, startingPace, type Pace, type PaceSample } from '$core/keying';
import { keepJson, keptJson } from '../browserStore';

const STORED_AT = 'fond-quarter/pace';
const KEPT = 80;

let pace = $state.raw<Pace>(startingPace);
let samples: PaceSample[] = [];
let loaded = false;

function load(): void {
	if (loaded || !browser) return;
	loaded = true;
	const kept = keptJson(STORED_AT);
	if (Array.isArray(kept))
		samples = kept.filter(
			(one): one is PaceSample => typeof one?.presses === 'number' && typeof one?.seconds === 'number'
		);
	pace = learnPace(samples);
}

/** This person's pace at the keys, learnt on this device from the last values keyed. */
export const ownPace = {
	get now(): Pace {
		return pace;
	},
	/** Whether it is learnt rather than the starting one. */
	get learnt(): boolean {
		return pace !== startingPace;
	},
	load,
	/** Notes how long one value took. */
	note(sample: PaceSample): void {
		load();
		samples = [...samples, sample].slice(-KEPT);
		pace = learnPace(samples);
		keepJson(STORED_AT, samples);
	}
};
