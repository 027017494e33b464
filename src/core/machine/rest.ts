import type { StateId } from '../control';

/** What was pressed at rest, or of a code, is forgotten after so long without another key, in seconds. */
export const FORGETS_AFTER_SECONDS = 10;

/** The states at rest, along what was pressed so far. */
export const restId = (locked: boolean, trail: readonly string[]): StateId =>
	[locked ? 'locked' : 'rest', ...trail].join('>');

const trails = new Map<StateId, readonly string[] | null>();

/** What was pressed at rest so far in a state; null in one with a cursor. */
export function trailOf(id: StateId): readonly string[] | null {
	let trail = trails.get(id);
	if (trail === undefined) {
		const [root, ...pressed] = id.split('>');
		trails.set(id, (trail = root === 'rest' || root === 'locked' ? pressed : null));
	}
	return trail;
}
