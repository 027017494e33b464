import { acted } from './acts';
import { runsOn, statesOf, touched } from './states';
import type { Rule, StateId } from '../control';
import { FORGETS_AFTER_SECONDS, restId, trailOf } from './rest';
import { atCode } from './lockCode';
import { factoryClock, factoryDays, factoryMemory } from './memory';
import type { Hand, Operable, Stroke } from './operable';
import { firstOf, holds } from './place';
import type { MachineState } from './state';

/** The state in which a control is. */
export const stateId = ({ place, locked, trail }: MachineState): StateId =>
	place?.at ?? restId(locked, trail);

/** A control gone to a state: the cursor stays where it was, or begins; at rest there is none. What was changed elsewhere and not taken is forgotten. */
function gone(state: MachineState, to: StateId): MachineState {
	const trail = trailOf(to);
	const { place } = state;
	if (trail) return { ...state, place: null, trail };
	const there = !place ? firstOf(to) : place.at === to ? place : { ...place, at: to, edit: undefined };
	return { ...state, place: there, trail: NONE };
}
const NONE: readonly string[] = [];

/** What a rule does, `times` over, and the state after it. */
export function ruled(
	profile: Operable,
	state: MachineState,
	rule: Pick<Rule, 'do'> & Partial<Pick<Rule, 'to'>>,
	times = 1
): MachineState {
	// the cursor has to be there before it goes anywhere
	const entered = rule.to !== undefined && !state.place ? gone(state, rule.to) : state;
	const after = rule.do.reduce((now, act) => acted(profile, now, act, times), entered);
	return rule.to === undefined ? after : gone(after, rule.to);
}

/** The first rule of the state that fits what a hand does; of holds of the same keys the longest that was reached. */
export function ruleFor(profile: Operable, state: MachineState, hand: Hand): Rule | undefined {
	const rules = statesOf(profile).rules.get(stateId(state))?.get(touched(hand)) ?? [];
	let best: Rule | undefined;
	for (const rule of rules) {
		const { by } = rule;
		const isShort = by.do === 'hold' && hand.do === 'hold' && by.seconds > hand.seconds;
		const isLess = best && (by.do !== 'hold' || by.seconds <= (best.by as typeof by).seconds);
		if (!isShort && !isLess && holds(profile, state, rule.when)) best = rule;
	}
	return best;
}

/** What a control does by itself where it is: what stands in the field is kept or dropped, and it is at rest. */
function left(profile: Operable, state: MachineState): MachineState {
	const { idle } = statesOf(profile).of.get(stateId(state))!;
	return idle ? ruled(profile, state, idle) : state;
}

/** A gesture done `times` over, or a key held while a value runs on by so many steps. */
function once(profile: Operable, before: MachineState, gesture: Hand, times: number): MachineState {
	let state = before;
	const hand: Hand = gesture.do === 'press' ? { ...gesture, times: 1 } : gesture;
	for (let n = 0; n < times; n++) {
		if (state.asks) {
			state = atCode(profile, state, state.asks, hand);
			if (!state.asks) return state;
		} else {
			const rule = ruleFor(profile, state, hand);
			// where only the value changes, all of it at once
			const isChange =
				rule?.do.every((act) => act.do === 'change' || act.do === 'turn') && rule.do.length > 0;
			if (rule && isChange && rule.to === undefined)
				return ruled(profile, { ...state, trail: [] }, rule, times - n);
			if (rule) state = ruled(profile, state, rule);
			// a slide that is put elsewhere takes the control out of where it was
			else if (state.place && hand.do === 'set') state = once(profile, left(profile, state), hand, 1);
			else if (!state.place && state.trail.length > 0) state = { ...state, trail: [] };
		}
	}
	return state;
}

/** What a control does by itself until a moment: a menu that nobody touches is left. */
export function settled(profile: Operable, state: MachineState, atSeconds: number): MachineState {
	const { idle } = statesOf(profile).of.get(stateId(state))!;
	const seconds = state.asks ? FORGETS_AFTER_SECONDS : (idle?.seconds ?? null);
	if (seconds === null || atSeconds - state.atSeconds < seconds) return state;
	if (state.asks) return { ...state, asks: null };
	// what it does by itself is no touch of a key
	return { ...left(profile, { ...state, atSeconds }), atSeconds: state.atSeconds };
}

/**
 * What a control does at a stroke of its keys. Pure: the state after it. `atSeconds` is a clock of the caller's that never
 * goes back; a stroke that comes after the menu has left by itself meets the control at rest.
 */
export function press(
	profile: Operable,
	before: MachineState,
	stroke: Stroke,
	atSeconds: number
): MachineState {
	const now = settled(profile, before, atSeconds);
	if (stroke.do === 'wait') return now;
	const state: MachineState = { ...now, atSeconds };
	switch (stroke.do) {
		case 'until':
			return untilMode(profile, state, stroke);
		case 'run': {
			const hand: Hand = { do: 'press', key: stroke.key, times: 1 };
			if (state.asks) return once(profile, state, hand, stroke.steps);
			return runsOn(profile, stateId(state), stroke.key) ? once(profile, state, hand, stroke.steps) : state;
		}
		case 'press':
			return once(profile, state, stroke, stroke.times);
		default:
			return once(profile, state, stroke, 1);
	}
}

/** A gesture done until the mode that is meant shows: once round at the most. */
function untilMode(
	profile: Operable,
	state: MachineState,
	{ gesture, shows }: Extract<Stroke, { do: 'until' }>
): MachineState {
	const names = profile.panel.modes?.names ?? [];
	let now = state;
	for (let n = 0; n < names.length && names[now.mode] !== shows; n++)
		now = press(profile, now, gesture, now.atSeconds);
	return now;
}

/** Strokes done one after another at once, but for the time that is waited. */
export function follow(
	profile: Operable,
	state: MachineState,
	strokes: readonly Stroke[],
	atSeconds = state.atSeconds
): MachineState {
	let [now, at] = [state, atSeconds];
	for (const stroke of strokes) {
		if (stroke.do === 'wait') at += stroke.seconds;
		now = press(profile, now, stroke, at);
	}
	return now.atSeconds < at ? { ...now, atSeconds: at } : now;
}

/** A control after so many seconds without power: its clock, and what it does not keep, are as new. */
export function withoutPower(
	profile: Operable,
	state: MachineState,
	seconds: number,
	atSeconds: number
): MachineState {
	const { reserveMinutes, programKept } = profile.habits.clock;
	const lost = reserveMinutes !== null && seconds > reserveMinutes * 60;
	// what was not stored is lost with any power
	const memory = state.before ?? state.memory;
	const week = programKept
		? memory
		: {
				...factoryMemory(profile),
				options: memory.options,
				days: factoryDays(profile, memory.options)
			};
	return {
		...state,
		place: null,
		before: null,
		trail: [],
		atSeconds,
		memory: lost ? { ...week, clock: factoryClock(profile, atSeconds) } : memory
	};
}
