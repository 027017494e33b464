import type { MachineState, Operable, Stroke } from '../machine';
import type { Goal } from './goal';
import type { Known } from './known';
import { KeyPlanner, type ItemKeys } from './planner';
import { atRest, seenStand } from './stand';

/** The keys for one value from wherever a control stands just now; null where its panel does not say how. */
export function keysFrom(profile: Operable, state: MachineState, goal: Goal): ItemKeys | null {
	return new KeyPlanner(profile, seenStand(state)).reach(goal);
}

/**
 * The keys for goals one after another, from rest with so much known of the control, and back to rest; null where its
 * panel does not say how for one of them.
 */
export function keysInTurn(
	profile: Operable,
	known: Known,
	goals: readonly Goal[]
): { readonly keys: readonly ItemKeys[]; readonly leave: readonly Stroke[] } | null {
	const planner = new KeyPlanner(profile, atRest(known));
	const keys = goals.flatMap((goal) => planner.reach(goal) ?? []);
	return keys.length < goals.length ? null : { keys, leave: planner.leave() };
}

/** The strokes to rest from wherever a control stands, and out of off where its card leaves it running. */
export function strokesToRest(profile: Operable, state: MachineState): readonly Stroke[] {
	const { modes } = profile.panel;
	const isOff = modes?.off != null && modes.names[state.mode] === modes.off;
	return new KeyPlanner(profile, { ...seenStand(state), backTo: isOff ? 0 : null }).leave();
}
