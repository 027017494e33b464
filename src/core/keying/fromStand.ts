import { strokesOf } from '../control';
import type { MachineState, Operable, Stroke } from '../machine';
import type { Goal } from './goal';
import type { Known } from './known';
import { atRest, KeyPlanner, type ItemKeys, type Stand } from './planner';

/** Where a hand stands at a control of which everything is seen. */
export const seenStand = ({ memory, mode, place }: MachineState): Stand => ({
	known: { memory, unsure: [], mode },
	place,
	backTo: null
});

/** The keys for one value from wherever a control stands just now; null where its panel does not say how. */
export function keysFrom(profile: Operable, state: MachineState, goal: Goal): ItemKeys | null {
	const keys = new KeyPlanner(profile, seenStand(state)).reach(goal);
	return keys && { ...keys, way: untrailed(state, keys.way) };
}

/** A way without what of it was pressed at rest already. */
export function untrailed({ place, trail }: MachineState, way: readonly Stroke[]): readonly Stroke[] {
	let left = place === null ? trail.length : 0;
	if (left === 0) return way;
	const texts = way.flatMap((stroke) =>
		stroke.do === 'press' || stroke.do === 'hold' || stroke.do === 'set' ? strokesOf(stroke) : []
	);
	if (!trail.every((text, i) => texts[i] === text)) return way;
	return way.flatMap((stroke): Stroke[] => {
		if (left === 0) return [stroke];
		const times = stroke.do === 'press' ? stroke.times : 1;
		const done = Math.min(left, times);
		left -= done;
		return stroke.do === 'press' && done < times ? [{ ...stroke, times: times - done }] : [];
	});
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
	const planner = new KeyPlanner(profile, { ...seenStand(state), backTo: isOff ? 0 : null });
	return untrailed(state, planner.leave());
}
