import type { z } from 'zod';
import { standardGroupings } from '../groupings';
import type { panelSchema } from '../panel';
import type { gestureSchema } from '../panelParts';
import type { profileSchema } from '../profile';
import { timeMinute } from '../../week';

/**
 * How the shipped controls are written. A way is its gestures with commas between: `menu` is pressed, `push 2x` twice, `menu 5s` and
 * `plus+minus 3s` held, `switch=Run` put there. Keys have spaces between: `menu`, `up|Warmer` with its print, `switch[Auto/Off]` a slide, `reset!` behind a
 * hole; `_` stands for a space in a print.
 */
type Gesture = z.input<typeof gestureSchema>;
type PanelInput = z.input<typeof panelSchema>;
export type ProfileInput = Omit<z.input<typeof profileSchema>, 'family'>;

const words = (text: string) => text.split(' ').filter((word) => word !== '');
const spaced = (text: string) => text.replaceAll('_', ' ');

function gesture(text: string): Gesture {
	const [, names, often, seconds] = /^(\S+?)(?: (\d+)x| (\d+)s)?$/.exec(text) ?? [];
	const [key, to] = (names ?? text).split('=');
	if (to !== undefined) return { do: 'set', key: key!, to: spaced(to) };
	if (seconds) return { do: 'hold', keys: key!.split('+'), seconds: Number(seconds) };
	return { do: 'press', key: key!, times: Number(often ?? 1) };
}
const way = (text: string): Gesture[] => text.split(', ').map(gesture);
const ways = <Name extends string>(texts: Readonly<Partial<Record<Name, string>>>) =>
	Object.fromEntries(Object.entries<string | undefined>(texts).map(([name, text]) => [name, way(text!)]));

const PRINTS: Readonly<Record<string, string>> = { plus: '+', minus: '\u2212', ok: 'OK' };
function keysOf(text: string, kind: 'key' | 'field'): PanelInput['keys'] {
	return words(text).map((word) => {
		const [, id, print, positions, pin] = /^([^|[!]+)(?:\|([^[!]+))?(?:\[(.+)\])?(!)?$/.exec(word)!;
		const printed = spaced(print ?? PRINTS[id!] ?? id![0]!.toUpperCase() + id!.slice(1));
		if (positions) return { id: id!, print: printed, kind: 'slide', positions: spaced(positions).split('/') };
		return { id: id!, print: printed, kind: pin ? 'recessed' : kind };
	});
}

const FIELDS: Readonly<Record<string, string>> = {
	CLOCK: 'clock-day clock-hour clock-minute',
	'CLOCK-DAY-LAST': 'clock-hour clock-minute clock-day',
	BACK: 'back-month back-day back-hour back-minute',
	PERIOD: 'first-month first-day last-month last-day'
};
type PlaceInput = NonNullable<PanelInput['places']>[number];
type PlaceMore = Partial<Pick<PlaceInput, 'timeoutSeconds' | 'onlyWhenOff'>> & {
	readonly take?: string;
	readonly leave?: string;
};

/** A panel as it is written here. What changes a value is said once for all of it: the key that raises, the key that lowers, the gesture that takes. */
export interface PanelText {
	readonly keys: string;
	readonly touch?: true;
	/** `plus minus ok` where it is not said. */
	readonly turns?: readonly [up: string, down: string, take: string];
	/** Whether the setpoint is changed at rest. */
	readonly rest?: true;
	readonly timeoutSeconds?: number | null;
	readonly week?: {
		readonly way: string;
		readonly take?: string;
		readonly clear?: string;
		/** The gesture that begins a copy, and the one that puts it. */
		readonly copy?: string;
		readonly block?: true;
		/** The gestures that write a setting into the slot, warmest first. */
		readonly writes?: string;
		readonly leave?: string;
		readonly channels?: readonly string[];
		readonly day?: string;
	};
	readonly places?: readonly (readonly [name: string, way: string, fields: string, more?: PlaceMore])[];
	/** The words of the modes, off last; the gesture to the next, the slide that has a position for each, or the way to each. */
	readonly modes?: {
		readonly names: string;
		readonly next?: string;
		readonly slide?: string;
		readonly each?: readonly string[];
		readonly figures?: Readonly<Record<string, string>>;
	};
	readonly hand?: Readonly<Partial<Record<'boost' | 'hold' | 'advance' | 'away' | 'toggle', string>>>;
	readonly boosts?: readonly string[];
	readonly resets?: Readonly<Partial<Record<'program' | 'all', string>>>;
	readonly lock?: {
		readonly way: string;
		readonly covers?: 'all-but-setpoint';
		/** How many figures its code has. */
		readonly code?: number;
	};
	readonly factory?: PanelInput['factory'];
}

export function panel(text: PanelText): PanelInput {
	const [up, down, take] = text.turns ?? ['plus', 'minus', 'ok'];
	const { week, modes, lock, timeoutSeconds } = text;
	const names = modes ? words(modes.names).map(spaced) : [];
	const [copies, puts] = week?.copy ? way(week.copy) : [];
	return {
		keys: keysOf(text.keys, text.touch ? 'field' : 'key'),
		rest: text.rest ? { up, down } : null,
		program: week
			? {
					way: way(week.way),
					up,
					down,
					take: gesture(week.take ?? take),
					day: gesture(week.day ?? 'day'),
					clear: week.clear ? gesture(week.clear) : null,
					copy: copies ? { start: copies, put: puts ?? null, block: week.block ?? false } : null,
					writes: week.writes ? way(week.writes) : [],
					leave: week.leave ? way(week.leave) : [],
					channels: (week.channels ?? []).map(way)
				}
			: null,
		places: (text.places ?? []).map(([name, to, fields, more = {}]) => ({
			name,
			way: way(to),
			fields: words(fields).flatMap((field) => words(FIELDS[field] ?? field)) as PlaceInput['fields'],
			up,
			down,
			...(timeoutSeconds === undefined ? {} : { timeoutSeconds }),
			...more,
			take: gesture(more.take ?? take),
			leave: more.leave ? way(more.leave) : []
		})),
		modes: modes
			? {
					names,
					off: names.at(-1)!,
					next: modes.next ? gesture(modes.next) : null,
					each: modes.slide
						? names.map((name) => [gesture(`${modes.slide}=${name.replaceAll(' ', '_')}`)])
						: (modes.each ?? []).map(way),
					figures: modes.figures ?? {}
				}
			: null,
		hand: ways(text.hand ?? {}),
		boosts: (text.boosts ?? []).map(way),
		resets: ways(text.resets ?? {}),
		lock: lock
			? {
					covers: lock.covers ?? 'all',
					way: way(lock.way),
					ends: way(lock.way),
					code: lock.code
						? { up, down, take: gesture(take), digits: lock.code, factory: '0'.repeat(lock.code) }
						: null
				}
			: null,
		factory: text.factory ?? {}
	};
}

const step = (time: string, setpointC: number) => ({ at: timeMinute(time), setpointC });
export const steps = (...all: readonly (readonly [time: string, setpointC: number, coolC?: number])[]) => ({
	form: 'events' as const,
	events: all.map(([time, setpointC, coolC]) => ({
		...step(time, setpointC),
		...(coolC === undefined ? {} : { coolC })
	}))
});
/** Events that choose among modes: a time and the place of the mode. */
export const modesAt = (...all: readonly (readonly [time: string, mode: number])[]) => ({
	form: 'events' as const,
	events: all.map(([time, mode]) => ({ at: timeMinute(time), mode }))
});
export const onOff = (...all: readonly string[]) => ({
	form: 'pairs' as const,
	pairs: all.map((pair) => {
		const [on, off] = pair.split('\u2013').map(timeMinute);
		return { on: on!, off: off! };
	})
});
export const strip = (slots: string) => ({ form: 'slots' as const, slots });
export const nightAndDay = (from: number, to: number) =>
	strip('1'.repeat(from) + '0'.repeat(to - from) + '1'.repeat(24 - to));
export const sixSteps = steps(
	['6:00', 20],
	['8:00', 17],
	['12:00', 19],
	['14:00', 17],
	['17:00', 20.5],
	['22:00', 16]
);
export const fourSteps = (warmC: number, backC: number) =>
	steps(['6:00', warmC], ['8:30', backC], ['17:00', warmC], ['22:30', backC]);

/** A stat's range in °C, in steps of half a degree, and the units it shows. */
export const range = (minC: number, maxC: number, units: 'C' | 'C F' = 'C') => ({
	minC,
	maxC,
	stepC: 0.5,
	units: words(units) as ('C' | 'F')[]
});
/** Of the day groupings that are common those with these ids. */
export const groupings = (text: string) =>
	words(text).map((id) => standardGroupings.find((one) => one.id === id)!);

/** Options by what a change of them wipes; `while-off`: it is changed only while the control is off. */
export const options = (
	all: Readonly<Record<string, 'program' | 'nothing' | 'program while-off' | 'nothing while-off'>>
) => ({
	options: Object.fromEntries(
		Object.entries(all).map(([id, text]) => [
			id,
			{ wipes: text.split(' ')[0] as 'program' | 'nothing', onlyWhenOff: text.endsWith('while-off') }
		])
	)
});
/** How a control knows the time: of its clock and summer time, and for how many minutes without power. */
export const clock = (
	summerTime: 'by-itself' | 'by-rule' | 'by-hand' | 'no-clock',
	reserveMinutes: number | null,
	programKept = true
) => ({ summerTime, reserveMinutes, programKept });

export const programKey = {
	enter: 'Hold the program key until the day blinks.',
	leave: 'Press the program key once more; the running setpoint comes back.',
	eventOrder: 'time-first',
	timeEntry: 'whole',
	timeoutSeconds: 30,
	confirm: 'Confirm'
} as const;
