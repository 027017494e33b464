import isSame from 'fast-deep-equal';
import { seenStand, strokesToRest, turnFrom, type Asked, type ItemKeys, type ToKey } from '../keying';
import type { MachineState, Operable, Stroke } from '../machine';

/** Where somebody stands who keys a card into a stand-in: by what the control really holds, whatever was pressed. */
export type Rehearsed =
	/** The first value that it does not hold yet, and the keys from where it stands. */
	| {
			readonly at: 'value';
			/** Its place on the card; null where a slip has made something else come first. */
			readonly index: number | null;
			readonly item: Asked;
			readonly keys: ItemKeys | null;
			/** How many values are still to be keyed, this one included. */
			readonly left: number;
	  }
	/** All is in: what is left is to leave the menu and the mode. */
	| { readonly at: 'leaving'; readonly strokes: readonly Stroke[] }
	| { readonly at: 'done' };

/** Where a rehearsal stands: what the card asks for next, found from the control itself. */
export function rehearsed(profile: Operable, card: ToKey, state: MachineState): Rehearsed {
	const { steps } = turnFrom(profile, card, seenStand(state));
	const [step] = steps;
	if (step) {
		const { index, item, keys } = step;
		// a mode that closes the card is no value of it
		if (item.goal.of === 'mode' && item.goal.when === 'after')
			return { at: 'leaving', strokes: keys?.way ?? [] };
		return { at: 'value', index, item, keys, left: steps.length };
	}
	const strokes = strokesToRest(profile, state);
	return strokes.length > 0 ? { at: 'leaving', strokes } : { at: 'done' };
}

/** All the strokes of a value, in their order. */
export const strokesOf = (keys: Pick<ItemKeys, 'way' | 'change' | 'take'>): Stroke[] => [
	...keys.way,
	...(keys.change ?? []),
	...keys.take
];

/** Whether a stroke is one that the card asks for next: the first of what is left of it, or a part of that. */
export function isAsked(rehearsed: Rehearsed, stroke: Stroke): boolean {
	if (rehearsed.at === 'done') return false;
	const keys = rehearsed.at === 'leaving' ? null : rehearsed.keys;
	const asked: readonly Stroke[] =
		rehearsed.at === 'leaving' ? rehearsed.strokes : keys ? strokesOf(keys) : [];
	const [first] = asked;
	if (!first) return false;
	if (stroke.do === 'press' || stroke.do === 'run')
		return (first.do === 'press' || first.do === 'run') && first.key === stroke.key;
	if (stroke.do === 'hold')
		return first.do === 'hold' && first.keys.every((key) => stroke.keys.includes(key));
	return isSame(stroke, first);
}
