import isSame from 'fast-deep-equal';
import { strokesOf, type PanelGesture } from '../control';
import type { Hand, Operable } from './operable';

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

/** Whether a hand does a gesture: of a hold at least so long. */
const does = (hand: Hand, gesture: PanelGesture): boolean =>
	hand.do === 'hold' && gesture.do === 'hold'
		? hand.seconds >= gesture.seconds && isSame([...hand.keys].sort(), [...gesture.keys].sort())
		: isSame(strokesOf(hand), strokesOf(gesture));

/** One thing done while a code is asked for: figures are changed and taken one after the other; any other key gives it up. */
export function atCode<State extends Locking>(
	{ panel }: Operable,
	state: State,
	asks: CodeAsked,
	hand: Hand
): State {
	const code = panel.lock!.code!;
	const by = hand.do !== 'press' ? 0 : hand.key === code.up ? 1 : hand.key === code.down ? -1 : 0;
	if (by !== 0) return { ...state, asks: { ...asks, figure: (asks.figure + by + 10) % 10 } };
	if (!does(hand, code.take)) return { ...state, asks: null };
	const entered = `${asks.entered}${asks.figure}`;
	if (entered.length < code.digits)
		return {
			...state,
			asks: { ...asks, entered, figure: asks.to === 'lock' ? Number(state.code[entered.length]) : 0 }
		};
	if (asks.to === 'lock') return { ...state, asks: null, locked: true, code: entered };
	return { ...state, asks: null, locked: entered !== state.code };
}
