import { strokesOf, type PanelGesture, type Rule, type State, type StateId } from '../control';
import { memo } from '../schema';
import { fieldNames, panelStates } from './fromPanel';
import type { Operable } from './operable';

/** A control's states, each with its rules by the hand that does them, its own before those of the state that it is like. */
export interface States {
	/** The fields of one step of a day; see {@link fieldNames}. */
	readonly names: readonly string[];
	readonly of: ReadonlyMap<StateId, State>;
	/** The rules of a state by what is touched, in their order: see {@link touched}. */
	readonly rules: ReadonlyMap<StateId, ReadonlyMap<string, readonly Rule[]>>;
}

/** What a hand touches, and how: holds of the same keys are one, however long. */
export const touched = (gesture: PanelGesture): string =>
	gesture.do === 'hold'
		? `hold ${[...gesture.keys].sort().join('+')}`
		: strokesOf({ ...gesture, ...(gesture.do === 'press' ? { times: 1 } : {}) })[0]!;

/** The states of a control: its own, or made of its panel. */
export const statesOf = memo((profile: Operable): States => {
	const of = new Map((profile.panel.states ?? panelStates(profile)).map((state) => [state.id, state]));
	const rulesOf = (state: State): readonly Rule[] =>
		state.like === undefined ? state.rules : [...state.rules, ...rulesOf(of.get(state.like)!)];
	const rules = new Map(
		[...of.values()].map((state) => {
			const byTouch = new Map<string, Rule[]>();
			for (const rule of rulesOf(state)) {
				const key = touched(rule.by);
				byTouch.set(key, [...(byTouch.get(key) ?? []), rule]);
			}
			return [state.id, byTouch] as const;
		})
	);
	return { names: fieldNames(profile), of, rules };
});

/** Whether a value runs on while a key is held in a state: where it changes the value, and holding that key there is nothing of its own. */
export function runsOn(profile: Operable, at: StateId, key: string): boolean {
	if (profile.keying.presses.runsOnAfter === null) return false;
	const rules = statesOf(profile).rules.get(at);
	const [first] = rules?.get(`press ${key}`) ?? [];
	const moves = first?.do.some((act) => act.do === 'change' || act.do === 'turn' || act.do === 'write');
	return moves === true && !rules!.has(`hold ${key}`);
}

/** Whether its clock knows the date. */
export const isDated = memo((profile: Operable): boolean =>
	[...statesOf(profile).of.values()].some(({ field }) => field?.of === 'value' && field.id === 'clock-date')
);
