import type { HandAct } from '../control';
import { factoryCode, type CodeAsked } from './lockCode';
import { factoryMemory, type Memory } from './memory';
import type { Operable } from './operable';
import type { Place } from './place';

/** A control at one moment. */
export interface MachineState {
	readonly memory: Memory;
	/** The place of its mode among the panel's. */
	readonly mode: number;
	readonly locked: boolean;
	/** The code of its lock; empty where it has none. */
	readonly code: string;
	/** The code that it asks for just now; null for none. */
	readonly asks: CodeAsked | null;
	readonly place: Place;
	/** What it goes back to where what is keyed is not stored; null where each value is kept once it is taken. */
	readonly before: Memory | null;
	/** What of the household's was done at its keys last: another object each time; null before. */
	readonly act: { readonly what: HandAct; readonly channel: number; readonly atSeconds: number } | null;
	/** What was pressed since rest and may still lead somewhere. */
	readonly trail: readonly string[];
	/** When a key was last touched, in seconds. */
	readonly atSeconds: number;
}

/** A control as it comes out of its box. */
export function start(
	profile: Operable,
	memory: Memory = factoryMemory(profile),
	atSeconds = 0
): MachineState {
	return {
		memory,
		mode: 0,
		locked: false,
		code: factoryCode(profile),
		asks: null,
		place: null,
		before: null,
		act: null,
		trail: [],
		atSeconds
	};
}
