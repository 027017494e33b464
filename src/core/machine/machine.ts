import { beginsAbsence, strokesOf, type HandAct, type ProgramPlace } from '../control';
import { clearable, dayRound, isCleared, moved, opensAt, programFields } from './days';
import { channelCount, scaleOf } from './fields';
import { factoryClock, factoryDays, factoryMemory, type DayContent, type Memory } from './memory';
import { figureInUse, menuAt, menuFields, menuScale, withMenu, type MenuField } from './menus';
import type { Operable, Stroke } from './operable';
import { without } from '../schema';
import { askedFor, atCode, factoryCode, type CodeAsked } from './lockCode';
import {
	FORGETS_AFTER_SECONDS,
	changeOf,
	isGesture,
	needsMode,
	runsOn,
	strokeTexts,
	waysOf,
	type Lead
} from './ways';

/** Where the cursor stands: nowhere (at rest), in the program, or in a menu. `edit` is what stands in the field and was not taken yet. */
export type Place =
	| null
	| {
			readonly in: 'program';
			readonly channel: number;
			/** The place in the round of day groups; see {@link dayRound}. */
			readonly group: number;
			readonly field: number;
			readonly edit: number | undefined;
			/** The place of the round that a copy is to go to, while that is being chosen. */
			readonly copyTo: number | null;
	  }
	| {
			readonly in: 'menu';
			readonly menu: number;
			readonly field: number;
			readonly edit: number | undefined;
	  };

/** A control at one moment. */
export interface MachineState {
	readonly memory: Memory;
	/** The place of its mode among the panel's. */
	readonly mode: number;
	readonly locked: boolean;
	/** The code of its lock; empty where it has none. */
	readonly code: string;
	/** The code that it asks for just now; null for none. */
	readonly asks: CodeAsked | null;
	readonly place: Place;
	/** What of the household's was done at its keys last: another object each time; null before. */
	readonly act: { readonly what: HandAct; readonly atSeconds: number } | null;
	/** What was pressed since rest and may still lead somewhere. */
	readonly trail: readonly string[];
	/** When a key was last touched, in seconds. */
	readonly atSeconds: number;
}

/** A control as it comes out of its box. */
export function start(
	profile: Operable,
	memory: Memory = factoryMemory(profile),
	atSeconds = 0
): MachineState {
	return {
		memory,
		mode: 0,
		locked: false,
		code: factoryCode(profile),
		asks: null,
		place: null,
		act: null,
		trail: [],
		atSeconds
	};
}

/** Writes into the program; of all days at once into each of them. */
function withContent(
	memory: Memory,
	channel: number,
	days: readonly number[],
	change: (content: DayContent, day: number) => DayContent
): Memory {
	return {
		...memory,
		days: memory.days.map((week, c) =>
			c === channel ? week.map((content, day) => (days.includes(day) ? change(content, day) : content)) : week
		)
	};
}

type InProgram = Extract<Place, { in: 'program' }>;
type InMenu = Extract<Place, { in: 'menu' }>;

/** Leaves a place: what stands in its field is kept or dropped, as the control does. */
function left(profile: Operable, state: MachineState, atSeconds: number): MachineState {
	const { place } = state;
	if (!place) return state;
	const keeps =
		place.in === 'program' ? profile.panel.program!.keeps : profile.panel.places[place.menu]!.keeps;
	const memory = keeps && place.edit !== undefined ? taken(profile, state, atSeconds) : state.memory;
	return { ...state, memory, place: null, trail: [] };
}

/** The memory with what stands in the field under the cursor taken. */
function taken(profile: Operable, { memory, place }: MachineState, atSeconds: number): Memory {
	if (!place) return memory;
	if (place.in === 'menu') {
		const field = menuFields(profile, profile.panel.places[place.menu]!)[place.field]!;
		return place.edit === undefined ? memory : withMenu(profile, memory, field, place.edit, atSeconds);
	}
	const { fields, content, days } = programFields(profile, memory, place);
	const at = place.edit ?? opensAt(profile, memory.options, fields, content, place.field);
	const { key } = fields[place.field]!;
	if (at === null) return memory;
	// what opens at nobody knows what is taken at that; what is held stays
	if (at === undefined)
		return content[key] === null
			? withContent(memory, place.channel, days, (held) => without(held, key))
			: memory;
	// passing a value of all days at once is no change of those that have another
	const { all } = dayRound(profile, memory.options)[place.group]!;
	if (all && place.edit === undefined && content[key] !== null) return memory;
	return withContent(memory, place.channel, days, (held) => ({ ...held, [key]: at }));
}

/** The field after the one under the cursor; one past the last where there is none. A step that was cleared is passed over. */
function fieldAfter(profile: Operable, memory: Memory, place: InProgram): number {
	const { fields, content } = programFields(profile, memory, place);
	const { step } = fields[place.field]!;
	if (!isCleared(profile, fields, content, step)) return place.field + 1;
	const next = fields.findIndex((field) => field.step > step);
	return next < 0 ? fields.length : next;
}

/** The cursor gone on from one field. */
function gone(profile: Operable, state: MachineState, place: InProgram): MachineState {
	const program = profile.panel.program!;
	const { memory } = state;
	const next = fieldAfter(profile, memory, place);
	const { fields } = programFields(profile, memory, place);
	const plain: InProgram = { ...place, edit: undefined, copyTo: null };
	if (next < fields.length) return { ...state, place: { ...plain, field: next } };
	if (program.afterLast === 'first-again') return { ...state, place: { ...plain, field: 0 } };
	const round = dayRound(profile, memory.options).length;
	return { ...state, place: { ...plain, group: (place.group + 1) % round, field: 0 } };
}

function inMenu(profile: Operable, state: MachineState, place: InMenu, stroke: Stroke): MachineState | null {
	const menu = profile.panel.places[place.menu]!;
	const fields = menuFields(profile, menu);
	const field = fields[place.field]!;
	const at = state.atSeconds;
	const change = changeOf(stroke, menu);
	if (change !== null) {
		const from = place.edit ?? menuAt(profile, state.memory, field, at);
		if (from === undefined) return state;
		return {
			...state,
			place: { ...place, edit: moved(menuScale(profile, state.memory, field), from, change) }
		};
	}
	if (isGesture(stroke, menu.take)) {
		const memory = taken(profile, state, at);
		const next = place.field + 1;
		const stays = next < fields.length || menu.leave.length > 0;
		const begins = next === fields.length && beginsAbsence(menu);
		return {
			...state,
			memory,
			...(begins ? { act: { what: 'away', atSeconds: at } } : {}),
			place: stays ? { ...place, field: next % fields.length, edit: undefined } : null
		};
	}
	return null;
}

function inProgram(
	profile: Operable,
	state: MachineState,
	place: InProgram,
	program: ProgramPlace,
	stroke: Stroke
): MachineState | null {
	const { memory } = state;
	const { options } = memory;
	const round = dayRound(profile, options);
	if (place.copyTo !== null) {
		if (isGesture(stroke, program.day))
			return { ...state, place: { ...place, copyTo: copyAfter(round, place.copyTo) } };
		const { put } = program.copy!;
		if (isGesture(stroke, put)) return copied(profile, state, place, place.copyTo);
	}
	const { fields, content, days } = programFields(profile, memory, place);
	const field = fields[place.field]!;
	const written = program.writes.findIndex((gesture) => isGesture(stroke, gesture));
	if (written >= 0) {
		const next = withContent(memory, place.channel, days, (held) => ({ ...held, [field.key]: written }));
		return gone(profile, { ...state, memory: next }, place);
	}
	const change = changeOf(stroke, program);
	if (change !== null) {
		const from = place.edit ?? opensAt(profile, options, fields, content, place.field);
		if (from === undefined) return state;
		return { ...state, place: { ...place, edit: moved(scaleOf(profile, options, field), from, change) } };
	}
	if (isGesture(stroke, program.take))
		return gone(profile, { ...state, memory: taken(profile, state, state.atSeconds) }, place);
	if (isGesture(stroke, program.day))
		return {
			...state,
			memory: place.edit === undefined ? memory : taken(profile, state, state.atSeconds),
			place: { ...place, group: (place.group + 1) % round.length, field: 0, edit: undefined, copyTo: null }
		};
	if (isGesture(stroke, program.clear) && clearable(profile)) {
		const cleared = Object.fromEntries(
			fields.filter(({ step }) => step === field.step).map(({ key }) => [key, null])
		);
		const next = withContent(memory, place.channel, days, (held) => ({ ...held, ...cleared }));
		return gone(profile, { ...state, memory: next }, place);
	}
	// a day is copied, never days that are put together
	const singles = round.every(({ days: of, all }) => all || of.length === 1);
	if (program.copy && singles && isGesture(stroke, program.copy.start)) {
		const onto = copyAfter(round, place.group);
		return program.copy.put
			? { ...state, place: { ...place, copyTo: onto } }
			: copied(profile, state, place, onto);
	}
	return null;
}

/** The next place of the round that a day can be copied onto: not all days at once. */
function copyAfter(round: ReturnType<typeof dayRound>, group: number): number {
	const next = (group + 1) % round.length;
	return round[next]!.all ? (next + 1) % round.length : next;
}

/** The day under the cursor copied onto another place of the round; the cursor goes there. */
function copied(profile: Operable, state: MachineState, place: InProgram, onto: number): MachineState {
	const memory = place.edit === undefined ? state.memory : taken(profile, state, state.atSeconds);
	const { content } = programFields(profile, memory, place);
	const round = dayRound(profile, memory.options);
	const days: number[] = [];
	for (let at = profile.panel.program!.copy!.block ? copyAfter(round, place.group) : onto; ;) {
		days.push(...round[at]!.days);
		if (at === onto) break;
		at = copyAfter(round, at);
	}
	return {
		...state,
		memory: withContent(memory, place.channel, days, () => content),
		place: { ...place, group: onto, field: 0, edit: undefined, copyTo: null }
	};
}

function led(profile: Operable, state: MachineState, lead: Lead): MachineState {
	const rest: MachineState = { ...state, trail: [] };
	const { modes } = profile.panel;
	switch (lead.to) {
		case 'program':
			if (state.memory.options.plain || lead.channel >= channelCount(profile)) return rest;
			if (needsMode(profile) !== null && needsMode(profile) !== state.mode) return rest;
			return {
				...rest,
				place: { in: 'program', channel: lead.channel, group: 0, field: 0, edit: undefined, copyTo: null }
			};
		case 'menu': {
			const menu = profile.panel.places[lead.menu]!;
			const isOff = modes?.off != null && modes.names[state.mode] === modes.off;
			if ((menu.onlyWhenOff && !isOff) || menuFields(profile, menu).length === 0) return rest;
			return { ...rest, place: { in: 'menu', menu: lead.menu, field: 0, edit: undefined } };
		}
		case 'mode':
			return { ...rest, mode: lead.mode ?? (state.mode + 1) % modes!.names.length };
		case 'hand':
			return { ...rest, act: { what: lead.what, atSeconds: rest.atSeconds } };
		case 'lock':
			return profile.panel.lock!.code ? askedFor(rest, 'lock') : { ...rest, locked: true };
		case 'reset': {
			const { memory, atSeconds } = rest;
			if (lead.wipes === 'all') return start(profile, factoryMemory(profile, atSeconds), atSeconds);
			return {
				...rest,
				memory:
					lead.wipes === 'clock'
						? { ...memory, clock: factoryClock(profile, atSeconds) }
						: { ...memory, days: factoryDays(profile, memory.options) }
			};
		}
	}
}

/** One stroke at rest: along every way that it may be part of, to where the first that is complete leads. */
function atRest(profile: Operable, state: MachineState, stroke: Stroke): MachineState {
	const { rest } = profile.panel;
	const change = rest && changeOf(stroke, rest);
	const ways = waysOf(profile);
	if (stroke.do === 'wait' || stroke.do === 'until') return state;
	if (stroke.do === 'run') {
		const figure = figureInUse(profile, state);
		return change && figure ? turned(profile, state, figure, change) : { ...state, trail: [] };
	}
	const nextOf = (trail: readonly string[]) =>
		ways
			.filter(({ strokes }) => trail.every((text, i) => strokes[i] === text))
			.map(({ strokes }) => strokes[trail.length]!);
	const once = stroke.do === 'press' ? { ...stroke, times: 1 } : stroke;
	let now = state;
	for (let n = 0; n < (stroke.do === 'press' ? stroke.times : 1); n++) {
		// what is left of a long press goes on in the place that it led to
		if (now.place) {
			now = press(profile, now, { ...once, times: 1 } as Stroke, now.atSeconds);
			continue;
		}
		const text = strokeTexts(once, nextOf(now.trail))[0]!;
		const trail = nextOf(now.trail).includes(text)
			? [...now.trail, text]
			: nextOf([]).includes(text)
				? [text]
				: [];
		const done = ways.find(
			({ strokes }) => strokes.length === trail.length && strokes.every((one, i) => one === trail[i])
		);
		const figure = figureInUse(profile, now);
		if (done) now = led(profile, now, done.lead);
		else if (trail.length === 0 && change && figure)
			now = turned(profile, { ...now, trail }, figure, Math.sign(change));
		else now = { ...now, trail };
	}
	return now;
}

/** The figure in use, changed at rest. */
function turned(profile: Operable, state: MachineState, field: MenuField, steps: number): MachineState {
	const { memory, atSeconds } = state;
	const at = menuAt(profile, memory, field, atSeconds);
	if (at === undefined) return state;
	const next = moved(menuScale(profile, memory, field), at, steps);
	return { ...state, memory: withMenu(profile, memory, field, next, atSeconds) };
}

/** What a control does by itself until a moment: a menu that nobody touches is left. */
export function settled(profile: Operable, state: MachineState, atSeconds: number): MachineState {
	const { place } = state;
	const seconds =
		place === null
			? FORGETS_AFTER_SECONDS
			: place.in === 'program'
				? profile.keying.timeoutSeconds
				: profile.panel.places[place.menu]!.timeoutSeconds;
	if (seconds === null || atSeconds - state.atSeconds < seconds) return state;
	if (!place) return state.trail.length === 0 && !state.asks ? state : { ...state, trail: [], asks: null };
	return left(profile, state, atSeconds);
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
	const state: MachineState = { ...settled(profile, before, atSeconds), atSeconds };
	if (stroke.do === 'wait') return settled(profile, before, atSeconds);
	if (stroke.do === 'until') return untilMode(profile, state, stroke);
	const { place } = state;
	const { panel } = profile;
	if (state.asks) return atCode(profile, state, state.asks, stroke);
	if (state.locked) return whileLocked(profile, state, stroke);
	if (stroke.do === 'run' && !runsOn(profile, place, stroke.key)) return state;
	if (!place) return atRest(profile, state, stroke);
	const leave = place.in === 'program' ? panel.program!.leave : panel.places[place.menu]!.leave;
	// leaving comes first where it is a gesture of its own
	if (leave.length > 0 && isGesture(stroke, leave[0]!)) return left(profile, state, atSeconds);
	const once = (one: MachineState) => {
		const now = one.place;
		if (!now) return null;
		const single = stroke.do === 'press' ? { ...stroke, times: 1 } : stroke;
		return now.in === 'menu'
			? inMenu(profile, one, now, single)
			: inProgram(profile, one, now, panel.program!, single);
	};
	const changing = place.in === 'program' ? panel.program! : panel.places[place.menu]!;
	const writes = place.in === 'program' && panel.program!.writes.length > 0;
	if (!writes && changeOf(stroke, changing) !== null)
		return (
			(place.in === 'menu'
				? inMenu(profile, state, place, stroke)
				: inProgram(profile, state, place, panel.program!, stroke)) ?? state
		);
	let now: MachineState = state;
	for (let n = 0; n < (stroke.do === 'press' ? stroke.times : stroke.do === 'run' ? stroke.steps : 1); n++) {
		const single = stroke.do === 'run' ? ({ do: 'press', key: stroke.key, times: 1 } as const) : null;
		const next =
			single && now.place?.in === 'program'
				? inProgram(profile, now, now.place, panel.program!, single)
				: once(now);
		if (next === null) {
			// a slide that is put elsewhere takes the control out of where it was
			if (stroke.do === 'set') return atRest(profile, left(profile, now, atSeconds), stroke);
			return now;
		}
		now = next;
	}
	return now;
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

/** While its keys are locked only what ends the lock does anything; where the lock leaves the setpoint free, its keys as well. */
function whileLocked(profile: Operable, state: MachineState, stroke: Stroke): MachineState {
	const { rest, lock } = profile.panel;
	const change = rest && changeOf(stroke, rest);
	const figure = figureInUse(profile, state);
	if (lock!.covers === 'all-but-setpoint' && change && figure)
		return turned(profile, { ...state, trail: [] }, figure, change);
	return unlocking(profile, state, stroke);
}

function unlocking(profile: Operable, state: MachineState, stroke: Stroke): MachineState {
	const ends = profile.panel.lock!.ends.flatMap(strokesOf);
	if (stroke.do !== 'press' && stroke.do !== 'hold' && stroke.do !== 'set') return state;
	let { trail } = state;
	for (const text of strokeTexts(stroke, [ends[trail.length]!]))
		trail = ends[trail.length] === text ? [...trail, text] : ends[0] === text ? [text] : [];
	if (trail.length < ends.length) return { ...state, trail };
	return profile.panel.lock!.code ? askedFor(state, 'unlock') : { ...state, locked: false, trail: [] };
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
	const { memory } = state;
	return {
		...state,
		place: null,
		trail: [],
		atSeconds,
		memory: lost
			? {
					...(programKept ? memory : { ...factoryMemory(profile), options: memory.options }),
					...(programKept ? {} : { days: factoryDays(profile, memory.options) }),
					clock: factoryClock(profile, atSeconds)
				}
			: memory
	};
}
