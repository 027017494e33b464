import { z } from 'zod';
import { gestureSchema, keyId, keysOf, placeFieldSchema, print, type PanelGesture } from './panelParts';
import { stateFaults, stateSchema } from './rules';

/** A key of the panel: something that is pressed, pushed, touched or, with positions, slid or turned. */
const keySchema = z.strictObject({
	id: keyId,
	/** What is printed on it, in its own words. */
	print: print(16),
	/** A key at the front, a field of a touch glass, a key behind a hole that takes a pin, or a slide or dial with positions. */
	kind: z.enum(['key', 'field', 'recessed', 'slide']).default('key'),
	/** The positions of a slide or dial, in their order; the first is where it stands when new. */
	positions: z.array(print(16)).max(8).default([])
});
export type PanelKey = z.infer<typeof keySchema>;

const way = z.array(gestureSchema).min(1).max(8);
/** The keys of a place that change the value under the cursor, and what takes it and goes on. */
const changing = { up: keyId, down: keyId, take: gestureSchema };

/** A menu: reached from rest by a way of its own, with its fields in their order. */
const placeSchema = z.strictObject({
	/** What its display says there. */
	name: print(24),
	way,
	fields: z.array(placeFieldSchema).min(1).max(24),
	...changing,
	/** How it is left; empty where it is left by taking the last field. */
	leave: z.array(gestureSchema).max(4).default([]),
	/** Seconds without a key after which it is left by itself; null if it stays. */
	timeoutSeconds: z.int().min(3).max(600).nullable().default(30),
	/** Whether what stands in the field is kept when it is left without being taken. */
	keeps: z.boolean().default(true),
	/** Whether it is reached only while the control is off. */
	onlyWhenOff: z.boolean().default(false)
});
export type PanelPlace = z.infer<typeof placeSchema>;

/** The place where the week is keyed. Its time-out is that of the key grammar. */
const programPlaceSchema = z.strictObject({
	way,
	/** What follows the way to choose each channel; empty where there is one. */
	channels: z.array(z.array(gestureSchema).max(4)).max(4).default([]),
	...changing,
	/** On to the next group of days, after the last round to the first. */
	day: gestureSchema,
	/** Takes a step out of the day: it shows no time. null where steps cannot be cleared. */
	clear: gestureSchema.nullable().default(null),
	/** Copies the day on show: onto the next one and goes there, or, with `put`, onto the day that `day` has chosen since; of a `block` onto every day up to that one. */
	copy: z
		.strictObject({
			start: gestureSchema,
			put: gestureSchema.nullable().default(null),
			block: z.boolean().default(false)
		})
		.nullable()
		.default(null),
	/** A strip of hours that is written: the gesture for each setting, warmest first, writes the hour and goes on. */
	writes: z.array(gestureSchema).max(3).default([]),
	leave: z.array(gestureSchema).max(4).default([]),
	keeps: z.boolean().default(true),
	/** Where the cursor goes after a day's last value: to its first again, or on to the next day. */
	afterLast: z.enum(['first-again', 'next-day']).default('first-again')
});
export type ProgramPlace = z.infer<typeof programPlaceSchema>;

/** What a day holds when the control is as new: the shape that its program form has. Setpoints in °C, times in minutes of the day. */
const factoryDaySchema = z.discriminatedUnion('form', [
	z.strictObject({
		form: z.literal('events'),
		/** One an event. With modes the setpoint is that of the mode that is meant. */
		events: z
			.array(
				z.strictObject({
					at: z.int().min(0).max(1439),
					/** The place of the mode, warmest 0, where events choose among modes. */
					mode: z.int().min(0).max(5).optional(),
					setpointC: z.number().optional(),
					coolC: z.number().optional()
				})
			)
			.max(12)
	}),
	z.strictObject({
		form: z.literal('pairs'),
		pairs: z.array(z.strictObject({ on: z.int().min(0).max(1439), off: z.int().min(0).max(1440) })).max(8)
	}),
	/** A figure a slot: the place of its setting, warmest 0. */
	z.strictObject({ form: z.literal('slots'), slots: z.string().regex(/^[0-2]{24,96}$/) })
]);

/**
 * The control as something that can be operated: its keys, and the places they lead to. What is not described here is
 * not known, and the card then says in words what to look for.
 */
export const panelSchema = z.strictObject({
	keys: z.array(keySchema).min(1).max(24),
	/** Keys that change the setpoint at rest; null where none do. */
	rest: z.strictObject({ up: keyId, down: keyId }).nullable().default(null),
	program: programPlaceSchema.nullable().default(null),
	places: z.array(placeSchema).max(12).default([]),
	/** The modes by the words on its display, the first when new; gone through by one gesture, or each reached by its own. */
	modes: z
		.strictObject({
			names: z.array(print(16)).min(2).max(6),
			/** Which of them is off; null where none is. */
			off: print(16).nullable().default(null),
			/** On to the next mode, after the last round to the first. */
			next: gestureSchema.nullable().default(null),
			/** The way to each mode, in the order of the names, where no one gesture goes through them. */
			each: z.array(way).max(6).default([]),
			/**
			 * What it holds while it is in a mode, apart from its whole program: the entry of its own menus that holds the figure; `kept`, the setpoint that it keeps
			 * without a program; `setpoint-1` and on, a setpoint kept for the week, warmest first; `on`; or `heat-only` and `cool-only`, one side of its program.
			 */
			figures: z.partialRecord(z.string().max(16), keyId).default({})
		})
		.nullable()
		.default(null),
	resets: z
		.strictObject({ program: way.optional(), clock: way.optional(), all: way.optional() })
		.prefault({}),
	lock: z
		.strictObject({
			/** Whether the setpoint can still be changed while it is locked. */
			covers: z.enum(['all', 'all-but-setpoint']).default('all'),
			way,
			ends: way,
			/** The code that it asks for, figure by figure, to lock and to end the lock; null where it asks for none. What is keyed to lock is the code from then on. */
			code: z
				.strictObject({
					...changing,
					digits: z.int().min(1).max(6),
					/** The code that it comes with. */
					factory: z.string().regex(/^\d{1,6}$/, 'must be figures')
				})
				.nullable()
				.default(null)
		})
		.nullable()
		.default(null),
	/** What somebody of the household does at rest: heat now for a while (once more for another step), stay as it is until it is ended, go on to the next change, be away until it is ended; on a switch, on or off until the next change. */
	hand: z
		.strictObject({
			boost: way.optional(),
			hold: way.optional(),
			advance: way.optional(),
			away: way.optional(),
			toggle: way.optional()
		})
		.prefault({}),
	/** The way to a boost of each channel after the first. */
	boosts: z.array(way).max(3).default([]),
	/** Its states with their rules, where program, places and what is done at rest cannot say them; those are then left out. */
	states: z.array(stateSchema).min(1).max(80).nullable().default(null),
	/** Its stored weeks by their numbers: what each day of them holds. */
	stored: z
		.array(
			z.strictObject({
				no: z.int().min(0).max(99),
				week: z
					.array(
						z.strictObject({ days: z.array(z.int().min(0).max(6)).min(1).max(7), day: factoryDaySchema })
					)
					.min(1)
					.max(7)
			})
		)
		.max(99)
		.optional(),
	/** What it holds as new; null where that is blank. */
	factory: z
		.strictObject({
			day: factoryDaySchema.nullable().default(null),
			/** The setpoints kept for the week, warmest first, in °C. */
			setpointsC: z.array(z.number()).max(6).default([])
		})
		.prefault({})
});
export type Panel = z.infer<typeof panelSchema>;
/** A fault of a panel: where it stands and what is wrong. */
export interface PanelFault {
	readonly path: (string | number)[];
	readonly message: string;
}

/** A gesture as presses one after another, each a short text of its own: what ways are told apart by. */
export function strokesOf(gesture: PanelGesture): string[] {
	switch (gesture.do) {
		case 'press':
			// a panel that is still to be refused can say any number
			return Array.from({ length: Math.min(60, Math.max(0, gesture.times)) }, () => `press ${gesture.key}`);
		case 'hold':
			return [`hold ${[...gesture.keys].sort().join('+')} ${gesture.seconds}`];
		case 'tap':
			return [`tap ${gesture.key} at ${[...gesture.held].sort().join('+')}`];
		case 'set':
			return [`set ${gesture.key} ${gesture.to}`];
	}
}

interface Found {
	readonly path: (string | number)[];
	readonly gesture: PanelGesture;
}

/** Every gesture of a panel with where it stands, and every way that begins at rest. */
export function allGestures(panel: Panel): {
	readonly all: Found[];
	readonly ways: { path: (string | number)[]; way: PanelGesture[] }[];
} {
	const all: Found[] = [];
	const ways: { path: (string | number)[]; way: PanelGesture[] }[] = [];
	const add = (path: (string | number)[], gestures: readonly PanelGesture[]) =>
		gestures.forEach((gesture, i) => all.push({ path: [...path, i], gesture }));
	const addWay = (path: (string | number)[], gestures: PanelGesture[]) => {
		add(path, gestures);
		ways.push({ path, way: gestures });
	};
	const { program, modes, lock } = panel;
	if (program) {
		if (program.channels.length === 0) addWay(['program', 'way'], program.way);
		else {
			add(['program', 'way'], program.way);
			program.channels.forEach((more, i) => {
				add(['program', 'channels', i], more);
				ways.push({ path: ['program', 'channels', i], way: [...program.way, ...more] });
			});
		}
		for (const name of ['take', 'day', 'clear'] as const)
			if (program[name]) all.push({ path: ['program', name], gesture: program[name] });
		if (program.copy) {
			all.push({ path: ['program', 'copy', 'start'], gesture: program.copy.start });
			if (program.copy.put) all.push({ path: ['program', 'copy', 'put'], gesture: program.copy.put });
		}
		add(['program', 'writes'], program.writes);
		add(['program', 'leave'], program.leave);
	}
	panel.places.forEach((place, i) => {
		addWay(['places', i, 'way'], place.way);
		all.push({ path: ['places', i, 'take'], gesture: place.take });
		add(['places', i, 'leave'], place.leave);
	});
	if (modes?.next) addWay(['modes', 'next'], [modes.next]);
	modes?.each.forEach((one, i) => addWay(['modes', 'each', i], one));
	for (const [name, one] of Object.entries(panel.resets)) if (one) addWay(['resets', name], one);
	for (const [name, one] of Object.entries(panel.hand)) if (one) addWay(['hand', name], one);
	panel.boosts.forEach((one, i) => addWay(['boosts', i], one));
	if (lock) {
		addWay(['lock', 'way'], lock.way);
		add(['lock', 'ends'], lock.ends);
		if (lock.code) all.push({ path: ['lock', 'code', 'take'], gesture: lock.code.take });
	}
	return { all, ways };
}

/** What the keys do in each place, which must be told apart there. */
function rolesOf(
	panel: Panel
): (readonly [path: readonly (string | number)[], roles: readonly PanelGesture[]])[] {
	const press = (key: string): PanelGesture => ({ do: 'press', key, times: 1 });
	const changing = ({ up, down, take }: Pick<PanelPlace, 'up' | 'down' | 'take'>) => [
		press(up),
		press(down),
		take
	];
	const { program, places, lock } = panel;
	return [
		...(lock?.code ? [[['lock', 'code'], changing(lock.code)] as const] : []),
		...(program
			? [
					[
						['program'],
						[
							...(program.writes.length > 0 ? [program.take] : changing(program)),
							program.day,
							...(program.clear ? [program.clear] : []),
							...(program.copy ? [program.copy.start] : []),
							...program.writes,
							...program.leave.slice(0, 1)
						]
					] as const
				]
			: []),
		...places.map(
			(place, i) =>
				[
					['places', i],
					[...changing(place), ...place.leave.slice(0, 1)]
				] as const
		)
	];
}

/**
 * What cannot be in a panel: keys that it does not have, positions that its slide does not know, two ways that are the
 * same, or one that is the beginning of another, so that nobody could tell where it leads.
 */
export function panelFaults(panel: Panel): PanelFault[] {
	const faults: PanelFault[] = [];
	const keys = new Map(panel.keys.map((key) => [key.id, key]));
	const twice = panel.keys.findIndex((key, i) => panel.keys.findIndex(({ id }) => id === key.id) !== i);
	if (twice >= 0) faults.push({ path: ['keys', twice, 'id'], message: 'is the name of another key as well' });
	const known = (path: (string | number)[], id: string) => {
		if (!keys.has(id)) faults.push({ path, message: `names a key that the panel does not have: ${id}` });
	};
	const { all, ways } = allGestures(panel);
	for (const { path, gesture } of all) {
		for (const key of keysOf(gesture)) known(path, key);
		const slide = gesture.do === 'set' ? keys.get(gesture.key) : undefined;
		if (gesture.do === 'set' && slide && !slide.positions.includes(gesture.to))
			faults.push({ path, message: `puts it where it has no position: ${gesture.to}` });
	}
	const code = panel.lock?.code;
	if (code && code.factory.length !== code.digits)
		faults.push({ path: ['lock', 'code', 'factory'], message: 'must have as many figures as the code' });
	for (const [path, place] of [
		...(code ? [[['lock', 'code'], code] as const] : []),
		...(panel.program ? [[['program'], panel.program] as const] : []),
		...panel.places.map((place, i) => [['places', i], place] as const)
	]) {
		known([...path, 'up'], place.up);
		known([...path, 'down'], place.down);
	}
	if (panel.rest) {
		known(['rest', 'up'], panel.rest.up);
		known(['rest', 'down'], panel.rest.down);
	}
	const spelled = ways.map(({ path, way: gestures }) => ({ path, strokes: gestures.flatMap(strokesOf) }));
	spelled.forEach((one, i) => {
		const other = spelled.find(
			(two, j) => j !== i && two.strokes.every((stroke, k) => one.strokes[k] === stroke)
		);
		// of two that are the same one is told
		if (other && !(other.strokes.length === one.strokes.length && spelled.indexOf(other) > i))
			faults.push({ path: one.path, message: 'begins like another way, so that it cannot be told from it' });
	});
	for (const [path, roles] of rolesOf(panel)) {
		const strokes = roles.map((role) => strokesOf(role).join());
		if (new Set(strokes).size < strokes.length)
			faults.push({ path: [...path], message: 'has one gesture that does two things' });
	}
	if (panel.program?.copy?.block && !panel.program.copy.put)
		faults.push({ path: ['program', 'copy', 'put'], message: 'is needed where a block of days is copied' });
	for (const { path, message } of panel.states
		? stateFaults(panel.states, { modes: panel.modes?.names.length ?? 0, isLocked: panel.lock !== null })
		: [])
		faults.push({ path: ['states', ...path], message });
	panel.states?.forEach(({ rules }, i) =>
		rules.forEach(({ by }, j) => {
			for (const key of keysOf(by)) known(['states', i, 'rules', j, 'by'], key);
		})
	);
	const { modes } = panel;
	if (modes) {
		if (!panel.states && !modes.next && modes.each.length !== modes.names.length)
			faults.push({
				path: ['modes', 'each'],
				message: 'must lead to each mode, or one gesture go through them'
			});
		for (const name of Object.keys(modes.figures))
			if (!modes.names.includes(name))
				faults.push({ path: ['modes', 'figures', name], message: 'is none of its modes' });
		if (modes.off !== null && !modes.names.includes(modes.off))
			faults.push({ path: ['modes', 'off'], message: 'is none of its modes' });
	}
	return faults;
}
