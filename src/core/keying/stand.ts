import { start, type MachineState, type Memory, type Operable, type Place } from '../machine';
import type { Known } from './known';

/** Where a hand stands at a control: what is known of it, and where its cursor is. */
export interface Stand {
	readonly known: Known;
	readonly place: Place;
	/** What was pressed at rest and may still lead somewhere. */
	readonly trail?: readonly string[];
	/** The mode to go back to once the control was put to off for a menu. */
	readonly backTo: number | null;
	/** What it goes back to where what was keyed is not stored; without it all that was taken is. */
	readonly before?: Memory | null;
}

/** A hand before a control at rest. */
export const atRest = (known: Known, backTo: number | null = null): Stand => ({ known, place: null, backTo });

/** A control as it stands before a hand, so far as is known. */
export const stateOf = (
	profile: Operable,
	{ known, place, trail = [], before = null }: Stand
): MachineState => ({
	...start(profile, known.memory),
	mode: known.mode ?? 0,
	place,
	trail,
	before
});

/** Where a hand stands at a control of which everything is seen. */
export const seenStand = ({ memory, mode, place, trail, before }: MachineState): Stand => ({
	known: { memory, unsure: [], mode },
	place,
	trail,
	before,
	backTo: null
});
