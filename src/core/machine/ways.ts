import { strokesOf, type HandAct, type Panel, type PanelGesture, type Wipes } from '../control';
import type { Operable, Stroke } from './operable';

/** Where a way leads. */
export type Lead =
	| { readonly to: 'program'; readonly channel: number }
	| { readonly to: 'menu'; readonly menu: number }
	| { readonly to: 'mode'; readonly mode: number | null }
	| { readonly to: 'reset'; readonly wipes: Exclude<Wipes, 'nothing'> }
	| { readonly to: 'hand'; readonly what: HandAct }
	| { readonly to: 'lock' };

export interface Way {
	readonly strokes: readonly string[];
	readonly lead: Lead;
}
const known = new WeakMap<Panel, readonly Way[]>();

/** What was pressed at rest, or of a code, is forgotten after so long without another key, in seconds. */
export const FORGETS_AFTER_SECONDS = 10;

/** Every way that begins at rest. */
export function waysOf({ panel }: Pick<Operable, 'panel'>): readonly Way[] {
	const made = known.get(panel);
	if (made) return made;
	const ways: Way[] = [];
	const add = (way: readonly PanelGesture[], lead: Lead) =>
		ways.push({ strokes: way.flatMap(strokesOf), lead });
	const { program, modes, lock } = panel;
	if (program)
		if (program.channels.length === 0) add(program.way, { to: 'program', channel: 0 });
		else
			program.channels.forEach((more, channel) => add([...program.way, ...more], { to: 'program', channel }));
	panel.places.forEach((place, menu) => add(place.way, { to: 'menu', menu }));
	if (modes?.next) add([modes.next], { to: 'mode', mode: null });
	modes?.each.forEach((way, mode) => add(way, { to: 'mode', mode }));
	for (const wipes of ['program', 'clock', 'all'] as const)
		if (panel.resets[wipes]) add(panel.resets[wipes], { to: 'reset', wipes });
	for (const [what, way] of Object.entries(panel.hand) as [HandAct, PanelGesture[] | undefined][])
		if (way) add(way, { to: 'hand', what });
	if (lock) add(lock.way, { to: 'lock' });
	known.set(panel, ways);
	return ways;
}

/** The mode, by its place, in which alone the program can be keyed; null where any will do. */
export function needsMode({ keying, panel }: Operable): number | null {
	const at = panel.modes?.names.indexOf(keying.bracket?.before ?? '') ?? -1;
	return at < 0 ? null : at;
}

/** A change of one key, of one stroke or of a run, where it is the one that changes the value; else null. */
export function changeOf(
	stroke: Stroke,
	{ up, down }: { readonly up: string; readonly down: string }
): number | null {
	if (stroke.do !== 'press' && stroke.do !== 'run') return null;
	const steps = stroke.do === 'press' ? stroke.times : stroke.steps;
	return stroke.key === up ? steps : stroke.key === down ? -steps : null;
}

/**
 * Whether a value runs on while a key is held, at rest (null) or in a place. Not where holding that key there is a gesture of its
 * own: it clears the step, copies, leaves.
 */
export function runsOn(
	{ keying, panel }: Operable,
	place: { readonly in: 'program' } | { readonly in: 'menu'; readonly menu: number } | null,
	key: string
): boolean {
	if (keying.presses.runsOnAfter === null) return false;
	const holds = (gesture: PanelGesture | null | undefined) =>
		gesture?.do === 'hold' && gesture.keys.length === 1 && gesture.keys[0] === key;
	if (!place) {
		const text = strokesOf({ do: 'hold', keys: [key], seconds: 1 })[0]!.replace(/1$/, '');
		const { rest } = panel;
		return (
			(key === rest?.up || key === rest?.down) &&
			!waysOf({ panel }).some(({ strokes }) => strokes[0]!.startsWith(text))
		);
	}
	if (place.in === 'menu') {
		const { up, down, take, leave } = panel.places[place.menu]!;
		return (key === up || key === down) && !holds(take) && !holds(leave[0]);
	}
	const { up, down, take, day, clear, copy, leave } = panel.program!;
	const others = [take, day, clear, copy?.start, copy?.put, leave[0]];
	return (key === up || key === down) && !others.some(holds);
}

/** Whether a stroke is this gesture, done once. */
export function isGesture(stroke: Stroke, gesture: PanelGesture | null): boolean {
	if (!gesture || stroke.do !== gesture.do) return false;
	switch (gesture.do) {
		case 'press':
			return (stroke as typeof gesture).key === gesture.key;
		case 'hold': {
			const { keys, seconds } = stroke as typeof gesture;
			return (
				keys.length === gesture.keys.length &&
				keys.every((key) => gesture.keys.includes(key)) &&
				seconds >= gesture.seconds
			);
		}
		case 'set':
			return (stroke as typeof gesture).key === gesture.key && (stroke as typeof gesture).to === gesture.to;
	}
}

/** A hold as long as a hand held it, as the longest that some way goes on with from here; its own text where none does. */
export function strokeTexts(stroke: Extract<Stroke, PanelGesture>, nexts: readonly string[]): string[] {
	if (stroke.do !== 'hold') return strokesOf(stroke);
	const stem = strokesOf({ ...stroke, seconds: 1 })[0]!.replace(/1$/, '');
	const seconds = nexts
		.filter((text) => text.startsWith(stem))
		.map((text) => Number(text.slice(stem.length)))
		.filter((needed) => needed <= stroke.seconds);
	return [seconds.length > 0 ? `${stem}${Math.max(...seconds)}` : `${stem}${stroke.seconds}`];
}
