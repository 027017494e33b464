import {
	clearable,
	follow,
	mayBeCleared,
	ruled,
	ruleFor,
	start,
	stateId,
	statesOf,
	trailOf,
	underCursor,
	type AtField,
	type MachineState,
	type Operable,
	type Place,
	type Stroke
} from '../machine';
import type { Act, Rule, StateId } from '../control';
import { memoBy } from '../schema';

/** A way through a control's states: what to press, and whether it is certain: over a step of which nothing is known one press may be another. */
export interface Way {
	readonly way: readonly Stroke[];
	readonly isSure: boolean;
}

/** What waiting until a control leaves by itself is worth in presses: more than going through any menu (common practice). */
const WAIT_PRESSES = 40;
/** What going over a step of which nothing is known is worth beside its press: a look (common practice). */
const UNSURE_PRESSES = 3;

type Moving = Partial<Pick<Rule, 'to' | 'by'>> & Pick<Rule, 'do'>;

/** What a rule may do that does no more than move the cursor. Passing a field takes what it opens at, or writes what stands there. */
const MOVING: ReadonlySet<string> = new Set('take drop go write choose add begin store abandon'.split(' '));
/** Whether a rule does no more than move the cursor: a slide that is put elsewhere leaves, whatever mode it stands for. */
const moves = ({ by, to, do: acts }: Moving) =>
	acts.every((act) => MOVING.has(act.do) || (act.do === 'mode' && by?.do === 'set' && to === 'rest'));

/** Whether what was keyed is lost by a rule. */
const loses = ({ before, memory }: MachineState, { do: acts }: Moving) =>
	before !== null && before !== memory && acts.some((act) => act.do === 'abandon');

/** A rule that moves the cursor, without what it takes. */
interface Step {
	readonly rule: Rule;
	readonly only: Moving;
	/** Whether it takes what stands in the field as it passes. */
	readonly takes: boolean;
	/** What it writes as it passes; undefined where it writes nothing. */
	readonly writes: number | undefined;
	/** Whether it chooses a day to copy onto. */
	readonly chooses: boolean;
	/** Whether other rules of its state might be meant by the same hand. */
	readonly isOneOfMany: boolean;
}
/** The rules by which a hand moves on from a state. */
const stepsFrom = memoBy(
	(id: StateId) => id,
	(profile: Operable, id: StateId): readonly Step[] =>
		[...statesOf(profile).rules.get(id)!.values()].flatMap((list) =>
			list.filter(moves).map((rule): Step => ({
				rule,
				only: withoutTaking(rule),
				takes: rule.do.some((act) => act.do === 'take' && !act.only),
				writes: rule.do.flatMap((act) => (act.do === 'write' ? [act.position] : []))[0],
				chooses: rule.do.some((act) => act.do === 'choose'),
				isOneOfMany: list.length > 1 || rule.when !== undefined
			}))
		)
);

const withoutTaking = (rule: Moving): Moving => ({
	...rule,
	do: rule.do.filter((act) => ['go', 'choose', 'begin', 'store', 'abandon'].includes(act.do))
});

/** Where a way is to lead: to a place of the cursor, or to a rule that copies what is wanted, which is its last stroke; days to copy onto are chosen where `from` says that what is copied stands. */
export type Aim = ((place: Place) => boolean) | Copying;
export interface Copying {
	readonly from: (place: AtField) => boolean;
	readonly by: (state: MachineState, copy: Extract<Act, { do: 'copy' }>) => boolean;
	/** It stands on its day, and copies from there: the cursor goes nowhere else first. */
	readonly at?: 'its-day';
}

/** The rules by which a day is copied in a state. */
const copiesIn = memoBy(
	(id: StateId) => id,
	(profile: Operable, id: StateId) =>
		[...statesOf(profile).rules.get(id)!.values()].flat().flatMap((rule) => {
			const copy = rule.do.find((act) => act.do === 'copy');
			return copy ? [{ rule, copy }] : [];
		})
);

/** Whether a copy of the day under the cursor begins in a state. */
export const copiesFrom = (profile: Operable, id: StateId): boolean =>
	stepsFrom(profile, id).some(({ chooses }) => chooses) ||
	copiesIn(profile, id).some(({ copy }) => copy.from === undefined);

/** A control whose cursor a rule has moved, whatever that takes. */
const moved = (profile: Operable, state: MachineState, rule: Moving): MachineState =>
	ruled(
		profile,
		state.place?.edit === undefined ? state : { ...state, place: { ...state.place, edit: undefined } },
		rule
	);

const keyOf = ({ place, trail, before, memory }: MachineState) =>
	place
		? `${place.at}|${place.channel}|${place.group}|${place.step}|${place.copyTo}|${before !== memory}`
		: trail.join('>');

/** The step under the cursor, of all days. */
const stepOf = ({ channel, group, step }: AtField) => `${channel}/${group}/${step}`;

/** Whether nobody knows if the step under the cursor is passed over. */
function isUnsure(profile: Operable, { memory, place }: MachineState): boolean {
	if (!place || !clearable(profile)) return false;
	const under = underCursor(profile, memory, place);
	return under?.of === 'day' && mayBeCleared(profile, under.fields, under.content, under.field.step);
}

/** Whether what is written where the cursor stands is there already. */
function isHeld(profile: Operable, { memory, place }: MachineState, position: number): boolean {
	const under = place && underCursor(profile, memory, place);
	return under?.of === 'day' && under.content[under.field.key] === position;
}

interface Node {
	readonly state: MachineState;
	readonly from: Node | null;
	readonly stroke: Stroke | null;
	/** The steps that it passed of which nobody knows whether they are passed over. */
	readonly unsure: readonly string[];
	/** Whether what was aimed at is done with its stroke. */
	readonly done?: true;
}

/**
 * The way of the fewest presses from where a control stands to what is aimed at, without anything changed on it but what passing
 * a field takes; null where no key leads there. Dijkstra's algorithm over the states of the control. With `within` rest is not passed.
 */
export function wayTo(profile: Operable, from: MachineState, aim: Aim, within = false): Way | null {
	const { of } = statesOf(profile);
	const isThere = typeof aim === 'function' ? aim : () => false;
	const copying = typeof aim === 'function' ? null : aim;
	if (isThere(from.place)) return { way: [], isSure: true };
	const queue: Node[][] = [[{ state: from, from: null, stroke: null, unsure: [] }]];
	const done = new Set<string>();
	const push = (at: number, node: Node) => {
		if (done.has(keyOf(node.state))) return;
		const there = queue[at];
		if (there) there.push(node);
		else queue[at] = [node];
	};
	for (let presses = 0; presses < queue.length; presses++)
		for (const node of queue[presses] ?? []) {
			const { state } = node;
			const key = keyOf(state);
			if (node.done) return gone(node);
			if (done.has(key)) continue;
			done.add(key);
			if (node.from && isThere(state.place)) return gone(node);
			const id = stateId(state);
			const found = copying && copiesIn(profile, id).find(({ copy }) => copying.by(state, copy));
			if (found && ruleFor(profile, state, found.rule.by) === found.rule)
				(queue[presses + 1] ??= []).push({ ...node, from: node, stroke: found.rule.by, done: true });
			const unsure = isUnsure(profile, state);
			for (const { rule, only, takes, writes, chooses, isOneOfMany } of stepsFrom(profile, id)) {
				if (chooses && !(state.place && copying?.from(state.place))) continue;
				if (copying?.at && !chooses && state.place?.copyTo == null) continue;
				if (writes !== undefined && !isHeld(profile, state, writes)) continue;
				if (loses(state, rule) || (isOneOfMany && ruleFor(profile, state, rule.by) !== rule)) continue;
				const next = moved(profile, state, only);
				if (within && !next.place) continue;
				// whoever can goes round what nobody knows
				const isGuess = unsure && takes;
				const passed = isGuess ? [...node.unsure, stepOf(state.place!)] : node.unsure;
				const one: Node = { state: next, from: node, stroke: rule.by, unsure: passed };
				// nothing that is still to be looked at is nearer
				if (!isGuess && isThere(next.place)) return gone(one);
				push(presses + 1 + (isGuess ? UNSURE_PRESSES : 0), one);
			}
			const idle = of.get(id)!.idle;
			if (idle?.seconds == null || within || !state.place || loses(state, idle)) continue;
			push(presses + WAIT_PRESSES, {
				state: moved(profile, state, withoutTaking(idle)),
				from: node,
				stroke: { do: 'wait', seconds: idle.seconds },
				unsure: node.unsure
			});
		}
	return null;
}

/** The strokes that led to a node, presses of one key together. */
function gone(end: Node): Way {
	const strokes: Stroke[] = [];
	let isInside = false;
	for (let node: Node | null = end; node?.stroke; node = node.from) {
		const { stroke, from } = node;
		const next = strokes[0];
		// what leads in from rest is told apart from what goes on inside
		const isAlike = isInside === (from!.state.place !== null);
		isInside = from!.state.place !== null;
		if (isAlike && stroke.do === 'press' && next?.do === 'press' && next.key === stroke.key)
			strokes[0] = { ...next, times: next.times + 1 };
		else strokes.unshift(stroke.do === 'press' ? { ...stroke, times: 1 } : stroke);
	}
	const there = !end.done && end.state.place && stepOf(end.state.place);
	return { way: strokes, isSure: end.unsure.every((one) => one === there) };
}

/** The modes that a control can be put to from one, at rest: each with the strokes to it, the fewest first. */
const modesFrom = memoBy(
	(from: number) => from,
	(profile: Operable, mode: number) => {
		const found = new Map<number, readonly Stroke[]>();
		const seen = new Set<string>();
		let ring: { state: MachineState; strokes: readonly Stroke[] }[] = [
			{ state: { ...start(profile), mode }, strokes: [] }
		];
		while (ring.length > 0) {
			const next: typeof ring = [];
			for (const { state, strokes } of ring) {
				const key = `${state.mode}|${state.trail.join('>')}`;
				if (seen.has(key)) continue;
				seen.add(key);
				if (state.trail.length === 0 && !found.has(state.mode)) found.set(state.mode, strokes);
				for (const list of statesOf(profile).rules.get(stateId(state))!.values())
					for (const rule of list) {
						const isMode = rule.do.every((act) => act.do === 'mode') && trailOf(rule.to ?? 'rest') !== null;
						if (!isMode || ruleFor(profile, state, rule.by) !== rule) continue;
						next.push({ state: ruled(profile, state, rule), strokes: joined([...strokes, rule.by]) });
					}
			}
			ring = next;
		}
		return found;
	}
);

/** Presses of one key after another as one stroke. */
function joined(strokes: readonly Stroke[]): Stroke[] {
	const [last, before] = [strokes.at(-1)!, strokes.at(-2)];
	const once = last.do === 'press' ? { ...last, times: 1 } : last;
	if (once.do !== 'press' || before?.do !== 'press' || before.key !== once.key)
		return [...strokes.slice(0, -1), once];
	return [...strokes.slice(0, -2), { ...before, times: before.times + 1 }];
}

/** The strokes to a mode at rest; where nobody knows the mode it is in, those that lead there from any: the same, or one done until its display shows it. null where no key leads there. */
export function wayToMode(
	profile: Operable,
	state: MachineState,
	isKnown: boolean,
	mode: number
): readonly Stroke[] | null {
	const names = profile.panel.modes?.names ?? [];
	if (isKnown) return modesFrom(profile, state.mode).get(mode) ?? null;
	const leads = (strokes: readonly Stroke[]) =>
		names.every(
			(_, from) => follow(profile, { ...state, mode: from, place: null, trail: [] }, strokes).mode === mode
		);
	const direct = modesFrom(profile, mode === 0 ? 1 : 0).get(mode);
	if (direct && leads(direct)) return direct;
	// what is done at rest until one mode shows, and on from there
	const gestures = [...statesOf(profile).rules.get('rest')!.values()]
		.flat()
		.flatMap(({ by, do: acts }) => (acts.some((act) => act.do === 'mode') ? [by] : []));
	const ways = names.flatMap((shows, at) =>
		gestures.map((gesture): readonly Stroke[] => [
			{ do: 'until', gesture: gesture.do === 'press' ? { ...gesture, times: 1 } : gesture, shows },
			...(modesFrom(profile, at).get(mode) ?? [])
		])
	);
	const [best] = ways.filter(leads).sort((one, other) => one.length - other.length);
	return best ?? null;
}
