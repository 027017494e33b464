import type { RehearsalScore } from '$core/words';
import { keepJson, keptJson } from '../browserStore';

const STORED_AT = 'fond-quarter/rehearsals';
/** So many are kept, of all controls together. */
const KEPT = 60;

/** A rehearsal that was gone through to its end on this device. */
export interface PastRehearsal extends RehearsalScore {
	/** The id of the control. */
	readonly control: string;
	readonly atMs: number;
}

const isPast = (one: unknown): one is PastRehearsal =>
	typeof one === 'object' &&
	one !== null &&
	typeof (one as PastRehearsal).control === 'string' &&
	(['atMs', 'pressed', 'needed', 'seconds', 'slips', 'thrownOut'] as const).every(
		(key) => typeof (one as PastRehearsal)[key] === 'number'
	);

function all(): PastRehearsal[] {
	const kept = keptJson(STORED_AT);
	return Array.isArray(kept) ? kept.filter(isPast) : [];
}

/** A person's own figures on this device, for a control: the last of them first. */
export const pastRehearsals = (control: string): PastRehearsal[] =>
	all()
		.filter((one) => one.control === control)
		.reverse();

export function keepRehearsal(control: string, score: RehearsalScore, atMs: number): void {
	keepJson(STORED_AT, [...all(), { control, atMs, ...score }].slice(-KEPT));
}
