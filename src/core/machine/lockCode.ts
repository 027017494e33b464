import type { Operable, Stroke } from './operable';
import { changeOf, isGesture } from './ways';

/** A code that is asked for: to lock, or to end the lock; the figures taken so far, and the one that shows. */
export interface CodeAsked {
	readonly to: 'lock' | 'unlock';
	readonly entered: string;
	readonly figure: number;
}

/** What of a control has to do with its lock. */
interface Locking {
	readonly locked: boolean;
	readonly code: string;
	readonly asks: CodeAsked | null;
	readonly trail: readonly string[];
}

/** The code that a control comes with; empty where it asks for none. */
export const factoryCode = ({ panel }: Operable): string => panel.lock?.code?.factory ?? '';

/** A control that asks for its code: to lock it shows the one that stands, to end the lock noughts. */
export const askedFor = <State extends Locking>(state: State, to: CodeAsked['to']): State => ({
	...state,
	trail: [],
	asks: { to, entered: '', figure: to === 'lock' ? Number(state.code[0]) : 0 }
});

/** A stroke while a code is asked for: figures are changed and taken one after the other; any other key gives it up. */
export function atCode<State extends Locking>(
	{ panel }: Operable,
	state: State,
	asks: CodeAsked,
	stroke: Stroke
): State {
	const code = panel.lock!.code!;
	const change = changeOf(stroke, code);
	if (change !== null)
		return { ...state, asks: { ...asks, figure: (((asks.figure + change) % 10) + 10) % 10 } };
	if (!isGesture(stroke, code.take)) return { ...state, asks: null };
	const entered = `${asks.entered}${asks.figure}`;
	if (entered.length < code.digits)
		return {
			...state,
			asks: { ...asks, entered, figure: asks.to === 'lock' ? Number(state.code[entered.length]) : 0 }
		};
	if (asks.to === 'lock') return { ...state, asks: null, locked: true, code: entered };
	return { ...state, asks: null, locked: entered !== state.code };
}
