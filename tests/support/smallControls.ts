import fc from 'fast-check';
import {
	blankProfile,
	factoryOptions,
	profileSchema,
	startingPanel,
	type Program
} from '../../src/core/control';
import { cardAsNew, keyCard, startingPace } from '../../src/core/keying';
import {
	press,
	programOf,
	start,
	type MachineState,
	type Operable,
	type Stroke
} from '../../src/core/machine';

export interface Small {
	readonly form: 'events' | 'pairs';
	readonly order: 'time-first' | 'temperature-first';
	readonly time: 'whole' | 'hour-then-minute';
	readonly leaves: boolean;
	/** Hour and degrees of what it comes with; of a timer the hour that it is on from. */
	readonly comesWith: readonly [number, number];
}

/** Hour at which a small timer goes off as it comes. */
const OFF = 22;

/** A control small enough that every way of pressing its keys can be tried: weekdays and weekend, whole hours, four degrees. */
function small({ form, order, time, leaves, comesWith: [hour, degrees] }: Small): Operable {
	const blank = blankProfile('Small', form);
	const profile = profileSchema.parse({
		...blank,
		...(form === 'events' ? { temperature: { minC: 18, maxC: 21, stepC: 1, units: ['C'] } } : {}),
		program: { ...blank.program, perDay: [1], stepMinutes: 60 },
		groupings: blank.groupings.slice(0, 1),
		keying: {
			...blank.keying,
			eventOrder: order,
			timeEntry: time,
			timeoutSeconds: 60,
			presses: { ...blank.keying.presses, runsOnAfter: null }
		}
	});
	const panel = startingPanel(profile);
	return {
		...profile,
		panel: {
			...panel,
			// what does not belong to its week would only be tried in vain
			places: [],
			resets: {},
			program: {
				...panel.program!,
				clear: null,
				...(leaves ? {} : { afterLast: 'next-day' as const })
			},
			factory: {
				setpointsC: [],
				day:
					form === 'events'
						? { form, events: [{ at: hour * 60, setpointC: degrees }] }
						: { form, pairs: [{ on: hour * 60, off: OFF * 60 }] }
			}
		}
	};
}

/** Tenths of a second that a press and a look at the card take, at the starting pace. */
const [PRESS, LOOK] = [startingPace.pressSeconds * 10, startingPace.lookSeconds * 10];

/** What was found of a control so far: the least time in which each program stands at rest, up to a time. */
interface Tried {
	readonly profile: Operable;
	readonly waiting: MachineState[][];
	readonly known: Map<string, number>;
	readonly least: Map<string, number>;
	/** All that takes less is found, in tenths of a second. */
	done: number;
}
const tried = new Map<string, Tried>();

/**
 * The least time that it takes to bring a control from as new to a program, by trying every key at every turn (Dijkstra):
 * a press takes its time, a value that is set a look as well. What was changed is taken before anything else is pressed:
 * the card has each value looked at and confirmed. What was found of a control is kept for its next program.
 */
function least(of: Tried, wanted: string, most: number): number {
	const { profile, waiting, known } = of;
	const strokes = profile.panel.keys.map(({ id }): Stroke => ({ do: 'press', key: id, times: 1 }));
	const { up, down, take } = profile.panel.program!;
	const takes = take.do === 'press' ? take.key : '';
	for (; of.done <= most; of.done++) {
		for (const state of waiting[of.done] ?? []) {
			if (known.get(keyOf(state))! < of.done) continue;
			if (state.place === null) {
				const program = JSON.stringify(programOf(profile, state.memory));
				if (!of.least.has(program)) of.least.set(program, of.done);
			}
			const edited = state.place?.edit !== undefined;
			for (const stroke of strokes) {
				const { key } = stroke as { key: string };
				if (edited && ![up, down, takes].includes(key)) continue;
				const next = press(profile, state, stroke, 0);
				const at = of.done + PRESS + (edited && key === takes ? LOOK : 0);
				const id = keyOf(next);
				if ((known.get(id) ?? Infinity) <= at) continue;
				known.set(id, at);
				(waiting[at] ??= []).push(next);
			}
		}
		delete waiting[of.done];
	}
	return of.least.get(wanted) ?? Infinity;
}

const keyOf = ({ memory, place, trail }: MachineState) =>
	JSON.stringify([memory.days[0]![0], memory.days[0]![5], place, trail]);

function triedOf(which: Small): Tried {
	const id = JSON.stringify(which);
	let found = tried.get(id);
	if (!found) {
		const profile = small(which);
		const begun = start(profile);
		found = { profile, waiting: [[begun]], known: new Map([[keyOf(begun), 0]]), least: new Map(), done: 0 };
		tried.set(id, found);
	}
	return found;
}

const near = (middle: number, most: number) =>
	fc
		.integer({ min: -most, max: most })
		.filter((by) => by !== 0)
		.map((by) => middle + by);
/** What the two groups of a small control are to hold, each value other than what it comes with. */
export const anyDays = ({ form, comesWith: [hour, degrees] }: Small) => {
	const day =
		form === 'events'
			? fc.tuple(near(hour, 2), fc.constantFrom(...[18, 19, 20, 21].filter((one) => one !== degrees)))
			: fc.tuple(near(hour, 2), near(OFF, 1));
	return fc.tuple(day, day);
};
function programWith(form: 'events' | 'pairs', days: readonly (readonly [number, number])[]): Program {
	const groups = [
		[0, 1, 2, 3, 4],
		[5, 6]
	];
	return form === 'events'
		? {
				form,
				grouping: 'weekdays',
				modes: null,
				beforeFirstC: null,
				groups: groups.map((of, i) => ({
					days: of,
					events: [{ at: days[i]![0] * 60, setpointC: days[i]![1] }]
				}))
			}
		: {
				form,
				grouping: 'weekdays',
				onC: 1,
				offC: 0,
				groups: groups.map((of, i) => ({
					days: of,
					pairs: [{ on: days[i]![0] * 60, off: days[i]![1] * 60 }]
				}))
			};
}

/** What the card of a small control's program takes, and the least that any keys do, in tenths of a second; `held` is the program that it then has. */
export function cardAgainstLeast(which: Small, days: readonly (readonly [number, number])[]) {
	const of = triedOf(which);
	const { profile } = of;
	const grouping = profile.groupings[0]!;
	const program = { ...programWith(which.form, days), grouping: grouping.id };
	const { items, operated } = keyCard(profile, factoryOptions(profile), grouping, program);
	const keys = cardAsNew(profile, { items, ...operated });
	const held = programOf(profile, keys.memory)!;
	// a value that stands already is passed with a press, and needs no look
	const looks = keys.steps.filter(({ keys: own }) => own!.change!.length > 0).length;
	const cost = keys.presses * PRESS + looks * LOOK;
	return { program, held, cost, least: least(of, JSON.stringify(held), cost) };
}

const EVENTS = { form: 'events', time: 'whole', leaves: true, comesWith: [7, 19] } as const;
/** The kinds of small controls. */
export const SMALL: readonly Small[] = [
	{ ...EVENTS, order: 'time-first' },
	{ ...EVENTS, order: 'temperature-first' },
	{ ...EVENTS, order: 'time-first', time: 'hour-then-minute' },
	{ ...EVENTS, order: 'time-first', leaves: false },
	{ ...EVENTS, form: 'pairs', order: 'time-first', comesWith: [6, 0] }
];

/** Any of them, as it may come. */
export const anySmall: fc.Arbitrary<Small> = fc
	.record({
		form: fc.constantFrom('events', 'pairs'),
		order: fc.constantFrom('time-first', 'temperature-first'),
		time: fc.constantFrom('whole', 'hour-then-minute'),
		leaves: fc.boolean(),
		comesWith: fc.tuple(fc.constantFrom(5, 8), fc.constantFrom(18, 20))
	})
	// a pair has no temperature
	.map((one) =>
		one.form === 'pairs' ? { ...one, order: 'time-first', comesWith: [one.comesWith[0], 0] } : one
	);
