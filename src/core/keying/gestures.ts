import {
	again,
	formInUse,
	strokesOf,
	type ControlOptions,
	type ControlProfile,
	type Grouping,
	type PanelGesture
} from '../control';
import {
	dayRound,
	degreeScale,
	fieldShown,
	follow,
	isCleared,
	menuAt,
	menuFields,
	menuScale,
	menuShown,
	needsMode,
	opensAt,
	programFields,
	runsOn,
	scaleOf,
	start,
	stepsBetween,
	type DayContent,
	type DayField,
	type MachineOptions,
	type MachineState,
	type Memory,
	type Operable,
	type Place,
	type Scale,
	type Stroke
} from '../machine';
import type { Keyed } from './keyed';
import type { CardItem } from './cardItems';
import { keysOfRun, type Goal } from './goal';
import { overtaken } from './keyedIds';
import { asNoted, withGoal, type Found, type ToKey } from './held';

/** The keys for one value: the way to its field, what changes it, what takes it. */
export interface ItemKeys {
	/** From where the value before it left the control. */
	readonly way: readonly Stroke[];
	/** From rest: for the first value of a turn, and once the menu has left by itself. */
	readonly fromRest: readonly Stroke[];
	/** Whether the way is certain: over a day of which nothing is known a step may be missing. */
	readonly isSure: boolean;
	/** What changes the value; null where what is shown first is not known: `until` says with which keys. */
	readonly change: readonly Stroke[] | null;
	readonly until: { readonly up: string; readonly down: string } | null;
	readonly take: readonly Stroke[];
	/** What the display shows when the field is come to; null where that is not known. */
	readonly shows: string | null;
	/** Presses in all; a key held counts as many as the grammar says. */
	readonly presses: number;
}

/** The keys for the values that are still to key, in the order of the card, and for leaving at its end. */
export interface CardKeys {
	/** Of each item; null where it is in already. */
	readonly items: readonly (ItemKeys | null)[];
	readonly leave: readonly Stroke[];
	/** Presses of all of it. */
	readonly presses: number;
	/** What the control holds after it. */
	readonly memory: Memory;
}

/** The options that a card sets, as a control's menus count them. */
export function machineOptions(
	profile: ControlProfile,
	options: ControlOptions,
	grouping: Pick<Grouping, 'id'>
): MachineOptions {
	const { channel: _, ...set } = options;
	const plain = formInUse(profile, options).form === 'plain' && profile.canBePlain;
	return { ...set, plain, grouping: plain ? profile.groupings[0]!.id : grouping.id };
}

/** A guess at the presses of a change from what is not known (common practice: a few steps). */
const UNKNOWN_PRESSES = 3;

/** How many presses strokes are. A key held until the value is there counts as the most presses that a change takes. */
export function strokePresses(profile: Operable, strokes: readonly Stroke[]): number {
	return strokes.reduce((sum, stroke) => {
		if (stroke.do === 'wait') return sum;
		if (stroke.do === 'run') return sum + (profile.keying.presses.runsOnAfter ?? stroke.steps);
		return sum + strokesOf(stroke).length;
	}, 0);
}

/**
 * The strokes that move a value along a scale: single presses, or the key held where it runs on and that is less; the longer way
 * round where only its key runs on.
 */
function changing(
	profile: Operable,
	place: Parameters<typeof runsOn>[1],
	{ up, down }: { readonly up: string; readonly down: string },
	scale: Scale,
	from: number | null,
	to: number
): Stroke[] {
	const steps = stepsBetween(scale, from, to);
	if (steps === 0) return [];
	const along = (by: number): Stroke[] => {
		const [key, times] = [by > 0 ? up : down, Math.abs(by)];
		const { runsOnAfter } = profile.keying.presses;
		return runsOnAfter !== null && times > runsOnAfter && runsOn(profile, place, key)
			? [{ do: 'run', key, steps: times }]
			: [{ do: 'press', key, times }];
	};
	const straight = along(steps);
	if (!scale.round || from === null) return straight;
	const back = along(steps - Math.sign(steps) * (scale.high - scale.low + 1));
	return strokePresses(profile, back) < strokePresses(profile, straight) ? back : straight;
}

/** A step away and back: what shows already is set. */
function anew(
	{ up, down }: { readonly up: string; readonly down: string },
	scale: Scale,
	at: number
): Stroke[] {
	const keys = scale.round || at < scale.high ? [up, down] : [down, up];
	return keys.map((key) => ({ do: 'press', key, times: 1 }));
}

/** How many takes lead from one field of a day to a later one. */
function takesTo(
	profile: Operable,
	fields: readonly DayField[],
	content: DayContent,
	from: number,
	to: number
): number {
	let takes = 0;
	for (let at = from; at < to; takes++) {
		const { step } = fields[at]!;
		if (!isCleared(profile, fields, content, step)) at++;
		else {
			const next = fields.findIndex((field) => field.step > step);
			at = next < 0 ? fields.length : next;
		}
	}
	return takes;
}

/** A person with the card at the control: what they know of it, and what they press. */
class Hand {
	state: MachineState;
	/** The options of which it is not known where they stand. */
	readonly #unsure: Set<string>;
	/** The mode to go back to once the control was put to off for a menu. */
	#backTo: number | null = null;

	constructor(
		readonly profile: Operable,
		memory: Memory,
		unsure: Iterable<string>
	) {
		this.state = start(profile, memory);
		this.#unsure = new Set(unsure);
	}

	/** The strokes to rest from where the cursor stands. */
	#toRest(place: Place): Stroke[] {
		if (!place) return [];
		const { panel, keying } = this.profile;
		if (place.in === 'program') {
			const { leave } = panel.program!;
			return leave.length > 0 ? leave : [{ do: 'wait', seconds: keying.timeoutSeconds ?? 30 }];
		}
		const menu = panel.places[place.menu]!;
		return menu.leave.length > 0
			? menu.leave
			: again(menu.take, menuFields(this.profile, menu).length - place.field);
	}

	#toMode(mode: number): PanelGesture[] {
		const modes = this.profile.panel.modes!;
		const count = modes.names.length;
		if (mode === this.state.mode) return [];
		return modes.next
			? again(modes.next, (((mode - this.state.mode) % count) + count) % count)
			: modes.each[mode]!;
	}

	/** Off for a menu that asks for it, and back again for everything else. */
	#modeFor(onlyWhenOff: boolean): PanelGesture[] {
		const { modes } = this.profile.panel;
		const off = modes?.off != null ? modes.names.indexOf(modes.off) : -1;
		if (onlyWhenOff && off >= 0 && this.state.mode !== off) return this.#toMode(off);
		if (!onlyWhenOff && this.#backTo !== null) return this.#toMode(this.#backTo);
		return [];
	}

	/** The way to a field of a menu from a place; null where no menu has it. */
	#toMenu(place: Place, goal: Goal): { way: Stroke[]; menu: number; field: number } | null {
		const { places } = this.profile.panel;
		for (const [menu, one] of places.entries()) {
			const fields = menuFields(this.profile, one);
			const field = fields.findIndex(({ id, setpoint }) =>
				goal.of === 'option'
					? id === goal.id
					: goal.of === 'menu'
						? id === `menu/${goal.id}`
						: goal.of === 'away'
							? id === goal.field
							: goal.of === 'setpoint'
								? id === 'setpoints' && setpoint === goal.index
								: goal.of === 'kept' && id === (goal.side === 'heat' ? 'setpoint' : 'cool-setpoint')
			);
			if (field < 0) continue;
			if (place?.in === 'menu' && place.menu === menu && (field >= place.field || one.leave.length > 0)) {
				const takes = (field - place.field + fields.length) % fields.length;
				return { way: again(one.take, takes), menu, field };
			}
			const way = [
				...this.#toRest(place),
				...this.#modeFor(one.onlyWhenOff),
				...one.way,
				...again(one.take, field)
			];
			return { way, menu, field };
		}
		return null;
	}

	/** The way to a field of the program from a place, and whether it is certain. */
	#toField(
		place: Place,
		channel: number,
		group: number,
		key: string | null
	): { way: Stroke[]; isSure: boolean } | null {
		const { profile } = this;
		const { program } = profile.panel;
		if (!program) return null;
		const { memory } = this.state;
		const round = dayRound(profile, memory.options).length;
		const { fields, content } = programFields(profile, memory, { channel, group });
		const field = key === null ? 0 : fields.findIndex((one) => one.key === key);
		if (field < 0) return null;
		const takes = (from: number, to: number) => takesTo(profile, fields, content, from, to);
		// over unknown steps that may have been cleared nobody can count
		const sureFrom = (from: number) =>
			!fields
				.slice(from, field)
				.some((one) => content[one.key] === undefined && one.step !== fields[field]!.step) ||
			!couldBeCleared(profile);
		// while a copy is being put anything else begins from rest
		const there =
			place?.in === 'program' && place.channel === channel && place.copyTo === null ? place : null;
		if (!there) {
			const needed = needsMode(profile);
			const way = [
				...this.#toRest(place),
				...(needed !== null ? this.#toMode(needed) : this.#modeFor(false)),
				...program.way,
				...(program.channels[channel] ?? []),
				...again(program.day, group),
				...again(program.take, takes(0, field))
			];
			return { way, isSure: sureFrom(0) };
		}
		if (key === null && there.group === group) return { way: [], isSure: true };
		const onwards = again(program.day, (group - there.group + round) % round);
		const afresh = [...onwards, ...again(program.take, takes(0, field))];
		if (there.group !== group) return { way: afresh, isSure: sureFrom(0) };
		if (field >= there.field)
			return { way: again(program.take, takes(there.field, field)), isSure: sureFrom(there.field) };
		const roundDays = [...again(program.day, round), ...again(program.take, takes(0, field))];
		const roundFields = again(program.take, takes(there.field, fields.length) + takes(0, field));
		const way =
			program.afterLast === 'first-again' &&
			strokePresses(profile, roundFields) <= strokePresses(profile, roundDays)
				? roundFields
				: roundDays;
		return { way, isSure: sureFrom(0) };
	}

	/** The keys for a goal, from where the control stands; it stands after them in `state`. null where the panel does not say how. */
	reach(goal: Goal): ItemKeys | null {
		const { place } = this.state;
		switch (goal.of) {
			case 'mode': {
				const mode = this.profile.panel.modes?.names.indexOf(goal.name) ?? -1;
				if (mode < 0) return null;
				const way = this.#toMode(mode);
				const keys = this.#made([...this.#toRest(place), ...way], way, true, [], null, [], null);
				this.#backTo = null;
				return keys;
			}
			case 'option':
			case 'menu':
			case 'setpoint':
			case 'kept':
			case 'away':
				return this.#reachMenu(goal);
			case 'copy':
				return this.#reachCopy(goal);
			case 'field':
				return this.#reachField(goal);
		}
	}

	#reachMenu(goal: Extract<Goal, { of: 'option' | 'menu' | 'setpoint' | 'kept' | 'away' }>): ItemKeys | null {
		const { profile } = this;
		const { memory, place } = this.state;
		const found = this.#toMenu(place, goal);
		if (!found) return this.#turned(goal);
		const rest = this.#toMenu(null, goal)!;
		const { onlyWhenOff, up, down, take } = profile.panel.places[found.menu]!;
		const was = this.state.mode;
		const field = menuFields(profile, profile.panel.places[found.menu]!)[found.field]!;
		const scale = menuScale(profile, memory, field);
		const isUnsure = goal.of === 'option' && this.#unsure.has(goal.id);
		const edited = place?.in === 'menu' && found.way.length === 0 ? place.edit : undefined;
		const from = isUnsure ? undefined : (edited ?? menuAt(profile, memory, field, this.state.atSeconds));
		const change =
			from === undefined
				? null
				: changing(profile, { in: 'menu', menu: found.menu }, { up, down }, scale, from, goal.position);
		const shows = from === undefined ? null : menuShown(profile, memory.options, field, from).shows;
		const keys = this.#made(found.way, rest.way, true, change, { up, down }, [take], shows);
		if (onlyWhenOff && was !== this.state.mode) this.#backTo ??= was;
		else if (this.#backTo === this.state.mode) this.#backTo = null;
		if (change === null) this.#know(goal);
		return keys;
	}

	/** A setpoint that is changed at rest. */
	#turned(goal: Goal): ItemKeys | null {
		const { profile } = this;
		const { rest } = profile.panel;
		if (!rest || goal.of !== 'kept' || goal.side !== 'heat') return null;
		const { memory } = this.state;
		const { heat } = memory.kept;
		const scale = degreeScale(profile, memory.options.unit);
		const change = heat === undefined ? null : changing(profile, null, rest, scale, heat, goal.position);
		const way = this.#modeFor(false);
		const keys = this.#made(
			[...this.#toRest(this.state.place), ...way],
			way,
			true,
			change,
			rest,
			[],
			heat === undefined ? null : fieldShown(profile, memory.options, { kind: 'heat' }, heat)
		);
		if (change === null) this.#know(goal);
		return keys;
	}

	/** Where a group of days stands in the round; −1 where the control, as it is set, has none that begins so. */
	#groupOf(day: number, all: boolean): number {
		return dayRound(this.profile, this.state.memory.options).findIndex(
			(one) => one.all === all && (all || one.days[0] === day)
		);
	}

	#reachField(goal: Extract<Goal, { of: 'field' }>): ItemKeys | null {
		const { profile } = this;
		const { memory, place } = this.state;
		const { program } = profile.panel;
		const group = this.#groupOf(goal.day, goal.all);
		if (!program || group < 0 || memory.options.plain) return null;
		const at = { channel: goal.channel, group };
		const { fields, content } = programFields(profile, memory, at);
		// a step is cleared at its first field
		const run = this.#leftOfRun(goal, content);
		const key =
			goal.position === null
				? fields.find((field) => field.step === Number(goal.key.split('/')[0]) - 1)?.key
				: run.key;
		const way = key === undefined ? null : this.#toField(place, goal.channel, group, key);
		if (!way || key === undefined) return null;
		const fromRest = this.#toField(null, goal.channel, group, key)!.way;
		const index = fields.findIndex((field) => field.key === key);
		// what was changed under the cursor and not taken yet is what it stands at
		const edited = place?.in === 'program' && way.way.length === 0 ? place.edit : undefined;
		const opens = edited ?? opensAt(profile, memory.options, fields, content, index);
		const shows = opens === undefined ? null : fieldShown(profile, memory.options, fields[index]!, opens);
		if (goal.position === null) {
			if (!program.clear) return null;
			// cleared already: it is passed over
			const isClear = opens === null && !(goal.all && this.#differs(goal.channel, fields, index));
			return this.#made(
				way.way,
				fromRest,
				way.isSure,
				isClear ? [] : [program.clear],
				null,
				isClear ? [program.take] : [],
				shows
			);
		}
		const written = program.writes[goal.position];
		if (written) return this.#made(way.way, fromRest, way.isSure, again(written, run.slots), null, [], shows);
		const scale = scaleOf(profile, memory.options, fields[index]!);
		const steps =
			opens === undefined ? null : changing(profile, { in: 'program' }, program, scale, opens, goal.position);
		// of all days at once what shows already is set anew where some day has another
		const change =
			steps?.length === 0 && goal.all && this.#differs(goal.channel, fields, index)
				? anew(program, scale, goal.position)
				: steps;
		// of all days at once what happens to show right is set all the same: a step first, then until it shows
		const nudge: Stroke[] = change === null && goal.all ? [{ do: 'press', key: program.up, times: 1 }] : [];
		const keys = this.#made(
			[...way.way, ...nudge],
			[...fromRest, ...nudge],
			way.isSure,
			change,
			program,
			[program.take],
			shows
		);
		if (change === null) this.#know(goal);
		return keys;
	}

	/** What is still to write of a run of slots: without those at its ends that hold the value already. */
	#leftOfRun(
		goal: Extract<Goal, { of: 'field' }>,
		content: DayContent
	): { readonly key: string; readonly slots: number } {
		const keys = keysOfRun(goal);
		const open = keys.map((key) => content[key] !== goal.position);
		const [first, last] = [open.indexOf(true), open.lastIndexOf(true)];
		return first < 0
			? { key: goal.key, slots: goal.slots ?? 1 }
			: { key: keys[first]!, slots: last - first + 1 };
	}

	/** Whether the days hold different values in a field. */
	#differs(channel: number, fields: readonly DayField[], index: number): boolean {
		const { key } = fields[index]!;
		const week = this.state.memory.days[channel]!;
		return week.some((content) => content[key] !== week[0]![key]);
	}

	#reachCopy(goal: Extract<Goal, { of: 'copy' }>): ItemKeys | null {
		const { profile } = this;
		const copy = profile.panel.program?.copy;
		const [from, onto] = [this.#groupOf(goal.from, false), this.#groupOf(goal.onto, false)];
		if (!copy || from < 0 || onto < 0) return null;
		const { place, memory } = this.state;
		const round = dayRound(profile, memory.options);
		// days onto which it can be copied, beginning with the next one
		const targets = round.filter(({ all }) => !all).length;
		const shift = round.length - targets;
		const onwards = (at: number) => (((onto - at) % targets) + targets) % targets;
		const fromRest = this.#toField(null, goal.channel, from, null)!.way;
		const { day } = profile.panel.program!;
		if (place?.in === 'program' && place.copyTo !== null && place.group === from && copy.put)
			return this.#made([], fromRest, true, [...again(day, onwards(place.copyTo)), copy.put], null, [], null);
		const way = this.#toField(place, goal.channel, from, null);
		if (!way) return null;
		const next = ((from - shift + 1) % targets) + shift;
		if (!copy.put && onwards(next) > 0) return null;
		const strokes = copy.put ? [copy.start, ...again(day, onwards(next)), copy.put] : [copy.start];
		return this.#made(way.way, fromRest, true, strokes, null, [], null);
	}

	/** Keys as they are pressed: the control stands after them, but for a value that nobody knows. */
	#made(
		way: readonly Stroke[],
		fromRest: readonly Stroke[],
		isSure: boolean,
		change: readonly Stroke[] | null,
		until: { readonly up: string; readonly down: string } | null,
		take: readonly Stroke[],
		shows: string | null
	): ItemKeys {
		const pressed = [...way, ...(change ?? []), ...take];
		this.state = follow(this.profile, this.state, pressed);
		return {
			way,
			fromRest,
			isSure,
			change,
			until: change === null && until ? { up: until.up, down: until.down } : null,
			take,
			shows,
			presses: strokePresses(this.profile, pressed) + (change === null ? UNKNOWN_PRESSES : 0)
		};
	}

	/** What was set until it showed what it must is known from then on. */
	#know(goal: Goal): void {
		this.state = { ...this.state, memory: withGoal(this.profile, this.state.memory, goal) };
		if (goal.of === 'option') this.#unsure.delete(goal.id);
	}

	/** To rest, and back in the mode that it was in. */
	leave(): Stroke[] {
		const strokes = [...this.#toRest(this.state.place), ...this.#modeFor(false)];
		this.state = follow(this.profile, this.state, strokes);
		return strokes;
	}
}

const couldBeCleared = ({ program }: Operable) =>
	program.form === 'pairs' || (program.form === 'events' && program.clearable);

/**
 * The keys for a card: those of each value from where the one before it left the control, beginning at rest with the
 * control as it was found and with what was keyed since. With `count` only so many of its items are
 * keyed.
 */
export function keysOfCard(
	profile: Operable,
	{ items, options, planned }: ToKey,
	keyed: Keyed = {},
	found: Found = 'as-new',
	count = items.length
): CardKeys {
	const standing = new Map(Object.entries(keyed));
	const isIn = (item: CardItem) => standing.get(item.id) === item.shows;
	const optionIds = items.flatMap((item) => (item.goal.of === 'option' && !isIn(item) ? [item.goal.id] : []));
	const memory = asNoted(profile, { items, options, planned }, keyed, found);
	const hand = new Hand(profile, memory, found === 'unknown' ? optionIds : []);
	const made = items.slice(0, count).map((item) => {
		if (isIn(item)) return null;
		// what this value overtakes is to be keyed again further down
		const isOvertaken =
			item.goal.of === 'field' && !item.goal.all
				? null
				: overtaken(item.id, item.shows, standing.get(item.id));
		if (isOvertaken) for (const id of [...standing.keys()]) if (isOvertaken(id)) standing.delete(id);
		return hand.reach(item.goal);
	});
	const leave = hand.leave();
	return {
		items: made,
		leave,
		presses: made.reduce((sum, keys) => sum + (keys?.presses ?? 0), strokePresses(profile, leave)),
		memory: hand.state.memory
	};
}

/** The keys for one value from wherever a control stands just now; null where its panel does not say how. */
export function keysFrom(profile: Operable, state: MachineState, goal: Goal): ItemKeys | null {
	const hand = new Hand(profile, state.memory, []);
	hand.state = state;
	const keys = hand.reach(goal);
	return keys && { ...keys, way: afterTrail(state, keys.way) };
}

/** A way without what of it was pressed at rest already. */
function afterTrail({ place, trail }: MachineState, way: readonly Stroke[]): readonly Stroke[] {
	let left = place === null ? trail.length : 0;
	if (left === 0) return way;
	const texts = way.flatMap((stroke) =>
		stroke.do === 'run' || stroke.do === 'wait' ? [] : strokesOf(stroke)
	);
	if (!trail.every((text, i) => texts[i] === text)) return way;
	return way.flatMap((stroke): Stroke[] => {
		if (left === 0) return [stroke];
		const times = stroke.do === 'press' ? stroke.times : 1;
		const done = Math.min(left, times);
		left -= done;
		return stroke.do === 'press' && done < times ? [{ ...stroke, times: times - done }] : [];
	});
}

/**
 * The keys for goals one after another, from rest with the control holding a memory, and back to rest; null where its
 * panel does not say how for one of them.
 */
export function keysInTurn(
	profile: Operable,
	memory: Memory,
	goals: readonly Goal[]
): { readonly keys: readonly ItemKeys[]; readonly leave: readonly Stroke[] } | null {
	const hand = new Hand(profile, memory, []);
	const keys = goals.flatMap((goal) => hand.reach(goal) ?? []);
	return keys.length < goals.length ? null : { keys, leave: hand.leave() };
}

/** The strokes to rest from wherever a control stands, and out of off where its card leaves it running. */
export function strokesToRest(profile: Operable, state: MachineState): readonly Stroke[] {
	const hand = new Hand(profile, state.memory, []);
	hand.state = state;
	const rest = hand.leave();
	const { modes } = profile.panel;
	const isOff = modes?.off != null && modes.names[state.mode] === modes.off;
	if (!isOff) return rest;
	const back = hand.reach({ of: 'mode', name: modes.names[0]! })?.way ?? [];
	return afterTrail(state, [...rest, ...back]);
}
