import { duration } from '../week';

/** How a rehearsal went. */
export interface RehearsalScore {
	/** Presses done, a held key counting as the control's grammar says, and those that the card needs. */
	readonly pressed: number;
	readonly needed: number;
	readonly seconds: number;
	/** Strokes that the card did not ask for. */
	readonly slips: number;
	/** How often the menu left by itself before it was left. */
	readonly thrownOut: number;
}

const times = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`;

/** What was pressed against what was needed: "64 presses where 58 do, in 3 min, 2 slips". */
export function scoreWords({ pressed, needed, seconds, slips }: RehearsalScore): string {
	const took = seconds < 90 ? `${Math.round(seconds)} s` : duration(Math.round(seconds / 60));
	const presses =
		pressed > needed
			? `${pressed} presses where ${needed} do`
			: `${times(pressed, 'press', 'presses')}, no more than it takes`;
	return `${presses}, in ${took}, ${slips === 0 ? 'no slip' : times(slips, 'slip', 'slips')}.`;
}

/** The one thing to do better next time. */
export function scoreAdvice({ pressed, needed, slips, thrownOut, seconds }: RehearsalScore): string {
	if (thrownOut > 0)
		return `The menu left by itself ${times(thrownOut, 'time', 'times')}: look at the next value before you go in, then key without stopping.`;
	if (slips > 3)
		return 'Most slips are a press too many: stop two steps before the value and go on one by one.';
	if (pressed > needed * 1.3) return 'Hold the key where a value is far away, and let go just before it.';
	if (seconds > pressed * 3)
		return 'The keys are right: read the next value while you press this one, and it goes twice as fast.';
	return 'That is how it goes on site.';
}
