import isSame from 'fast-deep-equal';
import type { ControlOptions, PanelGesture } from '../control';
import {
	degreesAt,
	degreesShown,
	display,
	follow,
	keptSetpoints,
	menuShown,
	optionAt,
	press,
	statesOf,
	type Display,
	type MachineState,
	type MenuField,
	type Operable,
	type Stroke
} from '../machine';
import { awayGoals, type AbsenceToKey } from './awayKeys';
import { standingAt } from './card';
import { clockGoals } from './clockKeys';
import type { Goal } from './goal';
import { inDoubt, type Known } from './known';
import type { Notes } from './notes';
import { KeyPlanner } from './planner';
import { outOf } from './session';
import { atRest, stateOf, type Stand } from './stand';
import { machineOptions, strokesOut } from './strokes';

/** Something short that a household does at its own control while it is told how. */
export type ShortTask =
	| { readonly kind: 'clock' }
	/** Back to its week, from off or from by hand. */
	| { readonly kind: 'program' }
	/** Another temperature for now, in °C: at its keys, on its normal display. */
	| { readonly kind: 'warmer'; readonly setpointC: number }
	/** A temperature of its week for good, in °C, by its place among those that it keeps. */
	| { readonly kind: 'level'; readonly index: number; readonly setpointC: number }
	/** Away from now on, as the control takes it. */
	| { readonly kind: 'away'; readonly absence: AbsenceToKey }
	/** What is begun, and ended, by one gesture. */
	| { readonly kind: 'boost' | 'hold' | 'stay-away' };

/** One thing that is asked for on the way: a value that the display must show, or a gesture. */
export interface TalkAsk {
	/** What is set, as a field of the control's menus is named; null of a gesture. */
	readonly field: string | null;
	/** What the display must show in the end, with its unit; empty of a gesture. */
	readonly shows: string;
	readonly does:
		| { readonly kind: 'goal'; readonly goal: Goal }
		| { readonly kind: 'turn'; readonly up: string; readonly down: string }
		| { readonly kind: 'gesture'; readonly way: readonly PanelGesture[] };
}

/** A stroke, or one of two keys until the value shows. */
export type TalkStroke = Stroke | { readonly do: 'turn'; readonly up: string; readonly down: string };

/** One thing to do, and what the display must show after it. */
export interface TalkMove {
	/** The ask that it belongs to; the number of asks for the way out. */
	readonly ask: number;
	readonly strokes: readonly TalkStroke[];
	/** What stands on the display after it, but for figures that nobody can know; null for the normal display. */
	readonly sees: Display | null;
	/** What must stand there after it: the value that is asked for, or a mode by its word; null where nothing of the kind is looked for. */
	readonly reads: { readonly of: 'value' } | { readonly of: 'mode'; readonly name: string } | null;
	readonly before: Stand;
	readonly after: Stand;
}

/** Somebody being told a short task: what is left to do, the move on show first. */
export interface Talk {
	readonly profile: Operable;
	readonly asks: readonly TalkAsk[];
	readonly moves: readonly TalkMove[];
}

const withUnit = ({ shows, unit }: { shows: string; unit: string }) =>
	unit === '' ? shows : `${shows}\u00a0${unit}`;

/** How the states of the menu begin in which a field of the clock stands. */
function menuOf(profile: Operable, clockField: string | undefined): string {
	const state = [...statesOf(profile).of.values()].find(
		({ field }) => field?.of === 'value' && field.id === clockField
	);
	return state ? state.id.slice(0, state.id.lastIndexOf('/') + 1) : 'none';
}

/** What a short task asks of a control; none where it has nothing of the kind, or its panel does not say how. `wallMinute` is its local time now. */
export function talkAsks(
	profile: Operable,
	options: ControlOptions,
	task: ShortTask,
	wallMinute: number
): TalkAsk[] {
	const { panel, habits } = profile;
	const set = machineOptions(profile, options, profile.groupings[0]!);
	const degrees = (c: number) =>
		withUnit({
			shows: degreesShown(profile, options.unit, degreesAt(profile, options.unit, c)),
			unit: `°${options.unit}`
		});
	const gesture = (way: readonly PanelGesture[] | undefined): TalkAsk[] =>
		way ? [{ field: null, shows: '', does: { kind: 'gesture', way } }] : [];
	const valueAsk = (goal: Goal & { readonly position: number }, field: MenuField['id']): TalkAsk => ({
		field,
		shows: withUnit(menuShown(profile, set, { id: field }, goal.position)),
		does: { kind: 'goal', goal }
	});
	switch (task.kind) {
		case 'clock': {
			const goals = clockGoals(profile, wallMinute);
			// how it counts the hours stands in the same menu: another count would show other figures
			const asksFormat = [...statesOf(profile).of.values()].some(
				({ field, id }) =>
					field?.of === 'value' && field.id === 'clock' && id.startsWith(menuOf(profile, goals[0]?.field))
			);
			const position = asksFormat ? optionAt(profile, set, 'clock') : null;
			const format = position === null ? [] : [{ of: 'option' as const, id: 'clock' as const, position }];
			return [
				...format.map((goal) => valueAsk(goal, goal.id)),
				...goals.map((goal) => valueAsk(goal, goal.field))
			];
		}
		case 'away':
			return awayGoals(profile, options.unit, task.absence).map((goal) => valueAsk(goal, goal.field));
		case 'program': {
			const name = panel.modes?.names[0];
			return name === undefined
				? []
				: [{ field: 'mode', shows: name, does: { kind: 'goal', goal: { of: 'mode', name, when: 'after' } } }];
		}
		case 'warmer':
			return panel.rest && profile.temperature && (habits.override || habits.manual)
				? [{ field: 'now', shows: degrees(task.setpointC), does: { kind: 'turn', ...panel.rest } }]
				: [];
		case 'level': {
			if (!profile.temperature || keptSetpoints(profile)[task.index] === undefined) return [];
			const position = degreesAt(profile, options.unit, task.setpointC);
			const goal = { of: 'setpoint' as const, index: task.index, position };
			return [
				{
					field: keptSetpoints(profile)[task.index]!,
					shows: degrees(task.setpointC),
					does: { kind: 'goal', goal }
				}
			];
		}
		case 'boost':
			return habits.boost ? gesture(panel.boosts[options.channel - 1] ?? panel.hand.boost) : [];
		case 'hold':
			return habits.hold ? gesture(panel.hand.hold) : [];
		case 'stay-away':
			return habits.holiday?.by === 'until-ended' ? gesture(panel.hand.away) : [];
	}
}

/** What is known of a household's control: its week as it was keyed, and nothing of what is asked for, nor of its mode. */
function knownThere(profile: Operable, options: ControlOptions, noted: Notes, asks: readonly TalkAsk[]) {
	const { known } = standingAt(profile, machineOptions(profile, options, profile.groupings[0]!), noted);
	return inDoubtOf(profile, known, asks);
}

/** What is known where nobody knows how far what is asked for is in, nor the mode. */
const inDoubtOf = (profile: Operable, known: Known, asks: readonly TalkAsk[]): Known =>
	asks.reduce((now, { does }) => (does.kind === 'goal' ? inDoubt(profile, now, now, does.goal) : now), {
		...known,
		mode: profile.panel.modes ? null : 0
	});

/** The moves for all that is asked for from one ask on, from where a hand stands; null where the panel does not say how. */
function movesFrom(
	profile: Operable,
	asks: readonly TalkAsk[],
	stand: Stand,
	first: number
): TalkMove[] | null {
	const moves: TalkMove[] = [];
	const planner = new KeyPlanner(profile, stand);
	let state = stateOf(profile, stand);
	/** A figure that somebody changed, or that nobody knows, is not told beforehand. */
	const seen = (at: MachineState): Display | null => {
		if (!at.place) return null;
		const shown = display(profile, at, at.atSeconds);
		return shown.blinks ? { ...shown, shows: '', unit: '' } : shown;
	};
	const names = profile.panel.modes?.names ?? [];
	const go = (ask: number, stroke: TalkStroke, next: MachineState, isValue = false) => {
		const { known, backTo } = planner.stand;
		const name =
			stroke.do === 'until' ? stroke.shows : next.mode !== state.mode ? names[next.mode] : undefined;
		const reads = isValue
			? { of: 'value' as const }
			: name === undefined
				? null
				: { of: 'mode' as const, name };
		const at = ({ memory, place, trail, before, mode }: MachineState): Stand => ({
			known: { ...known, memory, mode: known.mode === null ? null : mode },
			place,
			trail,
			before,
			backTo
		});
		const last = moves.at(-1);
		// keys pressed one after another of which the display shows nothing yet are one thing to do
		const isOn = last?.ask === ask && state.place === null && state.trail.length > 0;
		if (isOn) moves.pop();
		moves.push({
			ask,
			strokes: isOn ? [...last.strokes, stroke] : [stroke],
			sees: seen(next),
			reads,
			before: isOn ? last.before : at(state),
			after: at(next)
		});
		state = next;
	};
	const along = (ask: number, strokes: readonly Stroke[]) => {
		for (const stroke of strokes) go(ask, stroke, follow(profile, state, [stroke]));
	};
	/** The last move is looked at for the mode in which it leaves the control. */
	const intoMode = () => {
		const [move, name] = [moves.at(-1), names[state.mode]];
		if (move && name !== undefined) moves[moves.length - 1] = { ...move, reads: { of: 'mode', name } };
	};
	for (let ask = first; ask < asks.length; ask++) {
		const { does } = asks[ask]!;
		if (does.kind === 'gesture') {
			along(ask, does.way);
			continue;
		}
		if (does.kind === 'turn') {
			go(ask, { ...does, do: 'turn' }, state, true);
			continue;
		}
		const keys = planner.reach(does.goal);
		if (!keys) return null;
		const end = stateOf(profile, planner.stand);
		along(ask, keys.way);
		const { until } = keys;
		if (until) go(ask, { do: 'turn', ...until }, state, true);
		else if (keys.change && keys.change.length > 0)
			for (const [i, stroke] of keys.change.entries())
				go(ask, stroke, follow(profile, state, [stroke]), i === keys.change.length - 1);
		for (const [i, stroke] of keys.take.entries())
			go(ask, stroke, i === keys.take.length - 1 ? end : follow(profile, state, [stroke]));
		state = end;
		if (does.goal.of === 'mode') intoMode();
	}
	// a gesture at rest leaves it at rest: no mode is looked for, which would end what was begun
	const leave = asks.some(({ does }) => does.kind === 'goal') ? planner.leave() : [];
	along(asks.length, leave);
	if (leave.length > 0) intoMode();
	return moves;
}

/** A short task begun at a control that shows its normal display; null where its panel does not say how. */
export function beginTalk(
	profile: Operable,
	options: ControlOptions,
	noted: Notes,
	asks: readonly TalkAsk[]
): Talk | null {
	if (asks.length === 0) return null;
	const moves = movesFrom(profile, asks, atRest(knownThere(profile, options, noted, asks)), 0);
	return moves && { profile, asks, moves };
}

/** It shows what it must: on to the next move. */
export const seenIt = (talk: Talk): Talk => ({ ...talk, moves: talk.moves.slice(1) });

/** Something that the display can show instead, one slip away, and where the hand then stands. */
export interface Otherwise {
	/** null for the normal display. */
	readonly sees: Display | null;
	readonly stand: Stand;
}

const sameDisplay = (a: Display | null, b: Display | null) =>
	isSame(a && [a.heading, a.aside, a.foot], b && [b.heading, b.aside, b.foot]);

/** What the display can show instead of what a move leads to: nothing was pressed, another key was, or one too many; each once. */
export function otherwise({ profile, moves: [move] }: Talk): Otherwise[] {
	if (!move) return [];
	const found: Otherwise[] = [];
	const put = (state: MachineState, like: Stand) => {
		const sees = state.place ? display(profile, state, state.atSeconds) : null;
		if (sameDisplay(sees, move.sees) || found.some((one) => sameDisplay(one.sees, sees))) return;
		const { memory, place, trail, before } = state;
		found.push({
			sees,
			stand: { known: { ...like.known, memory }, place, trail, before, backTo: like.backTo }
		});
	};
	put({ ...stateOf(profile, move.before), place: null, trail: [] }, move.before);
	for (const stand of [move.before, move.after]) {
		const state = stateOf(profile, stand);
		if (stand === move.before) put(state, stand);
		for (const { id: key, kind } of profile.panel.keys)
			if (kind === 'key' || kind === 'field')
				put(press(profile, state, { do: 'press', key, times: 1 }, state.atSeconds), stand);
	}
	return found;
}

/** It shows something else: on from there; from the normal display, and where it is none of those that are known, all of it from the first. */
export function seenOther(talk: Talk, other: Otherwise | null): Talk {
	const [move] = talk.moves;
	if (!move) return talk;
	const { profile, asks } = talk;
	// a gesture is done at rest only: what was opened is left first
	const isAtRest = asks[move.ask] !== undefined && asks[move.ask]!.does.kind !== 'goal';
	if (other?.sees && !isAtRest) {
		const moves = movesFrom(profile, asks, other.stand, Math.min(move.ask, asks.length));
		if (moves) return { ...talk, moves };
	}
	const rest = atRest(inDoubtOf(profile, (other?.stand ?? move.before).known, asks));
	const again = movesFrom(profile, asks, rest, 0) ?? [];
	const out = !other ? outOf(profile, null) : other.stand.place ? strokesOut(profile, other.stand.place) : [];
	const leaving = out.map((stroke): TalkMove => ({
		ask: move.ask,
		strokes: [stroke],
		sees: null,
		reads: null,
		before: move.before,
		after: rest
	}));
	return { ...talk, moves: [...leaving, ...again] };
}
