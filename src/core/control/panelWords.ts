import { capital } from '../schema';
import { awayPlaceAt } from './awayPlace';
import { OPTION_IDS, type Operation, type OptionId, type Wipes } from './operation';
import { strokesOf, type Panel } from './panel';
import { isAwayField, type AwayField, type HandAct, type PanelGesture, type PlaceField } from './panelParts';
import { isOffered, type ControlProfile } from './profile';
import type { State } from './rules';

/** How often something is done: "once", "twice", "7 times". */
export const timesWords = (times: number): string =>
	times === 1 ? 'once' : times === 2 ? 'twice' : `${times} times`;

/** What is printed on a key. */
export const keyPrint = (panel: Panel, id: string): string =>
	panel.keys.find((key) => key.id === id)?.print ?? id;

/** A gesture as it is said to somebody at the control: "hold Menu 5 s", "press + twice", "put Switch to Off". */
export function gesturePhrase(panel: Panel, gesture: PanelGesture): string {
	switch (gesture.do) {
		case 'press': {
			const key = panel.keys.find(({ id }) => id === gesture.key);
			const verb = key?.kind === 'field' ? 'touch' : 'press';
			const again = gesture.times > 1 ? ` ${timesWords(gesture.times)}` : '';
			return `${verb} ${keyPrint(panel, gesture.key)}${again}`;
		}
		case 'hold': {
			const prints = gesture.keys.map((key) => keyPrint(panel, key));
			const recessed = panel.keys.some(({ id, kind }) => id === gesture.keys[0] && kind === 'recessed');
			return `hold ${prints.join(' and ')}${prints.length > 1 ? ' together' : ''}${recessed ? ' with a pin' : ''} ${gesture.seconds}\u00a0s`;
		}
		case 'tap':
			return `hold ${gesture.held.map((key) => keyPrint(panel, key)).join(' and ')} and press ${keyPrint(panel, gesture.key)}`;
		case 'set':
			return `put ${keyPrint(panel, gesture.key)} to ${gesture.to}`;
	}
}

/** Gestures one after another as a sentence: "Hold Menu 5 s, then press OK twice." */
export const waySentence = (panel: Panel, way: readonly PanelGesture[]): string =>
	way.length === 0 ? '' : `${capital(way.map((gesture) => gesturePhrase(panel, gesture)).join(', then '))}.`;

/** A way of the lock, with how its code is keyed where it asks for one. */
function withCode(panel: Panel, way: readonly PanelGesture[]): string {
	const code = panel.lock?.code;
	if (!code) return waySentence(panel, way);
	const print = (id: string) => panel.keys.find((key) => key.id === id)?.print ?? id;
	const take = code.take.do === 'press' ? print(code.take.key) : gesturePhrase(panel, code.take);
	return `${waySentence(panel, way).replace(/\.$/, '')}, then the code: ${print(code.up)}, ${print(code.down)}, ${take}.`;
}

const untouched = (seconds: number | null) => `Touch no key for ${seconds ?? 30}\u00a0s: the menu closes.`;

const strokes = (way: readonly PanelGesture[]) =>
	way.reduce((sum, gesture) => sum + strokesOf(gesture).length, 0);

/** The gestures that lead from rest to the nearest state that is meant, and in which modes alone the first of them does; null where none leads there. */
function wayAmong(
	states: readonly State[],
	isThere: (state: State) => boolean
): { readonly way: PanelGesture[]; readonly modes: readonly number[] | null } | null {
	const found = [{ id: 'rest', way: [] as PanelGesture[], modes: null as readonly number[] | null }];
	for (const { id, way, modes } of found) {
		const state = states.find((one) => one.id === id)!;
		if (isThere(state)) return { way, modes };
		for (const { by, to, when } of state.rules)
			if (to !== undefined && found.every((one) => one.id !== to))
				found.push({ id: to, way: joined([...way, by]), modes: modes ?? when?.mode ?? null });
	}
	return null;
}

/** Presses of one key after another as one gesture. */
function joined(way: readonly PanelGesture[]): PanelGesture[] {
	const [last, before] = [way.at(-1)!, way.at(-2)];
	return last.do === 'press' && before?.do === 'press' && last.key === before.key
		? [...way.slice(0, -2), { ...last, times: last.times + before.times }]
		: [...way];
}

/** Where an option or an entry is set: the way to it from rest, and whether that is gone only while the control is off; null where no menu has it. */
export function menuWay(
	{ panel, ...profile }: ControlProfile,
	id: PlaceField
): { readonly way: PanelGesture[]; readonly onlyWhenOff: boolean } | null {
	if (panel?.states) {
		const found = wayAmong(panel.states, ({ field }) => field?.of === 'value' && field.id === id);
		const off = panel.modes?.off == null ? -1 : panel.modes.names.indexOf(panel.modes.off);
		return found && { way: found.way, onlyWhenOff: found.modes?.every((mode) => mode === off) ?? false };
	}
	const place = panel?.places.find(({ fields }) => fields.includes(id));
	if (!place) return null;
	const before = place.fields
		.slice(0, place.fields.indexOf(id))
		.filter(
			(field) =>
				!(OPTION_IDS as readonly string[]).includes(field) ||
				isOffered({ panel, ...profile }, field as OptionId)
		);
	return { way: [...place.way, ...again(place.take, before.length)], onlyWhenOff: place.onlyWhenOff };
}

/** A gesture done so many times. */
export function again(gesture: PanelGesture, times: number): PanelGesture[] {
	if (times === 0) return [];
	return gesture.do === 'press' ? [{ ...gesture, times: gesture.times * times }] : Array(times).fill(gesture);
}

/** What stands in a menu of the clock, as it is said. */
export const CLOCK_WORDS = {
	'clock-day': 'weekday',
	'clock-hour': 'hour',
	'clock-minute': 'minute',
	'clock-time': 'time',
	'clock-year': 'year',
	'clock-month': 'month',
	'clock-date': 'day'
} as const;

/** How the clock is set by the panel: "Press Clock: hour, minute, weekday." Empty where no menu has it. */
function clockSentence(panel: Panel): string {
	const isClock = (id: string): id is keyof typeof CLOCK_WORDS => id in CLOCK_WORDS;
	const states = (panel.states ?? []).flatMap(({ field }) => (field?.of === 'value' ? field.id : []));
	const place = panel.places.find(({ fields }) => fields.includes('clock-hour'));
	const way = panel.states
		? wayAmong(panel.states, ({ field }) => field?.of === 'value' && isClock(field.id))?.way
		: place?.way;
	if (!way) return '';
	const fields = (place?.fields ?? states).flatMap((field) => (isClock(field) ? CLOCK_WORDS[field] : []));
	return `${waySentence(panel, way).replace(/\.$/, '')}: ${fields.join(', ')}.`;
}

/** What is set of an absence, as the household is told. */
const AWAY_SAID: Readonly<Partial<Record<AwayField, string>>> = {
	'away-setpoint': 'temperature',
	'away-days': 'days away',
	'first-day': 'first day',
	'last-day': 'last day',
	'back-day': 'day of return',
	'back-hour': 'its time'
};

/** How an absence is set by the panel: "Press Away: days away." Empty where no menu takes one. */
function awaySentence(panel: Panel): string {
	const place = panel.places[awayPlaceAt(panel)];
	if (!place) return '';
	// a date is said as one: the sheet of the household has a line for it
	const fields = place.fields.flatMap((field) => (isAwayField(field) ? (AWAY_SAID[field] ?? []) : []));
	return `${waySentence(panel, place.way).replace(/\.$/, '')}: ${fields.join(', ')}.`;
}

/** How a mode is come to: "Press Mode until it shows Off." Empty where the panel does not say. */
export function modeSentence(panel: Panel, name: string | null): string {
	const { modes } = panel;
	const at = modes && name !== null ? modes.names.indexOf(name) : -1;
	if (!modes || at < 0) return '';
	if (!modes.next) return waySentence(panel, modes.each[at] ?? []);
	return `${capital(gesturePhrase(panel, modes.next))} until it shows ${name}.`;
}

/** How a control is put to manual: to the mode of that name, or on. */
const manualSentence = (panel: Panel): string => modeSentence(panel, 'Manual') || modeSentence(panel, 'On');

/** What the household is told of the clock, of off and of manual, where nobody has written words of their own. */
function withHabitWords({ habits }: ControlProfile, panel: Panel): ControlProfile['habits'] {
	const { clock, off, manual, boost, hold, advance, holiday } = habits;
	const rest = panel.states?.find(({ id }) => id === 'rest')?.rules ?? [];
	const again = (what: HandAct) => {
		const rule = rest.find((one) => one.do.some((act) => act.do === 'hand' && act.what === what));
		return waySentence(panel, panel.hand[what] ?? (rule ? [rule.by] : []));
	};
	return {
		...habits,
		boost: boost && {
			...boost,
			how: boost.how || again('boost')
		},
		hold: hold && { ...hold, how: hold.how || again('hold') },
		advance: advance && { ...advance, how: advance.how || again('advance') },
		holiday: holiday && {
			...holiday,
			how: holiday.how || (holiday.by === 'until-ended' ? again('away') : awaySentence(panel))
		},
		clock: { ...clock, how: clock.how || clockSentence(panel) },
		off: off && { ...off, how: off.how || modeSentence(panel, panel.modes?.off ?? null) },
		manual: manual && { ...manual, how: manual.how || manualSentence(panel) }
	};
}

/**
 * A profile whose words on how it is keyed, set, reset and locked are those of its panel: the panel is where they come
 * from, and they are kept for whoever reads the card on paper or through the API. Without a panel as it is.
 */
export function withPanelWords(profile: ControlProfile): ControlProfile {
	const { panel, keying, operation } = profile;
	if (!panel) return profile;
	const { program, states } = panel;
	const week = states && wayAmong(states, ({ field }) => field?.of === 'day');
	const day = states?.find(({ field }) => field?.of === 'day');
	const out = day?.rules.find(({ to, when }) => to === 'rest' && !when);
	const options: Operation['options'] = {};
	for (const id of OPTION_IDS) {
		const found = isOffered(profile, id) ? menuWay(profile, id) : null;
		if (found)
			options[id] = {
				wipes: operation.options[id]?.wipes ?? 'program',
				onlyWhenOff: found.onlyWhenOff,
				how: waySentence(panel, found.way)
			};
	}
	const wait = keying.timeoutSeconds;
	return {
		...profile,
		keying: program
			? {
					...keying,
					enter: waySentence(panel, [...program.way, ...(program.channels[0] ?? [])]),
					leave: program.leave.length > 0 ? waySentence(panel, program.leave) : untouched(wait),
					confirm: program.take.do === 'press' ? keyPrint(panel, program.take.key) : keying.confirm,
					copy: program.copy
						? program.copy.put
							? { onto: program.copy.block ? 'block' : 'any-day', presses: 3 }
							: { onto: 'next-day', presses: 1 }
						: null,
					presses: {
						...keying.presses,
						enter: strokes(program.way),
						leave: strokes(program.leave),
						day: 1,
						field: 1,
						step: 1
					}
				}
			: week && day
				? {
						...keying,
						enter: waySentence(panel, week.way),
						leave: out ? waySentence(panel, [out.by]) : untouched(day.idle?.seconds ?? null)
					}
				: keying,
		habits: withHabitWords(profile, panel),
		operation: {
			...operation,
			options: { ...operation.options, ...options },
			resets: (['program', 'clock', 'all'] as const satisfies readonly Wipes[]).flatMap((wipes) => {
				const way = panel.resets[wipes];
				return way ? [{ wipes, how: waySentence(panel, way) }] : [];
			}),
			lock: panel.lock && {
				covers: panel.lock.covers,
				how: withCode(panel, panel.lock.way),
				ends: withCode(panel, panel.lock.ends)
			}
		}
	};
}
