import type { z } from 'zod';
import type { gestureSchema, panelSchema } from '../panel';

export type PanelInput = z.input<typeof panelSchema>;
export type Gesture = z.input<typeof gestureSchema>;

export const press = (key: string, times = 1): Gesture => ({ do: 'press', key, times });
export const hold = (keys: string | string[], seconds: number): Gesture => ({
	do: 'hold',
	keys: typeof keys === 'string' ? [keys] : keys,
	seconds
});
export const put = (key: string, to: string): Gesture => ({ do: 'set', key, to });

export const plus = { id: 'plus', print: '+' };
export const minus = { id: 'minus', print: '\u2212' };
export const ok = { id: 'ok', print: 'OK' };
export const day = { id: 'day', print: 'Day' };
export const mode = { id: 'mode', print: 'Mode' };
export const pin = { id: 'pin', print: 'Reset', kind: 'recessed' as const };
export const byPlusMinus = { up: 'plus', down: 'minus' };
export const clockFields = ['clock-day', 'clock-hour', 'clock-minute'] as const;
export const autoManualOff = {
	names: ['Auto', 'Manual', 'Off'],
	off: 'Off',
	next: press('mode'),
	figures: { Manual: 'kept' }
};

export const step = (hour: number, minute: number, setpointC: number) => ({
	at: hour * 60 + minute,
	setpointC
});
export const sixSteps = {
	form: 'events' as const,
	events: [
		step(6, 0, 20),
		step(8, 0, 17),
		step(12, 0, 19),
		step(14, 0, 17),
		step(17, 0, 20.5),
		step(22, 0, 16)
	]
};
export const fourSteps = (warmC: number, backC: number) => ({
	form: 'events' as const,
	events: [step(6, 0, warmC), step(8, 30, backC), step(17, 0, warmC), step(22, 30, backC)]
});
export const nightAndDay = (warm: string, back: string, from: number, to: number) =>
	back.repeat(from) + warm.repeat(to - from) + back.repeat(24 - to);
