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
}

/** A control small enough that every way of pressing its keys can be tried: weekdays and weekend, whole hours, four degrees. */
function small({ form, order, time, leaves }: Small): Operable {
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
						? { form, events: [{ at: 7 * 60, setpointC: 19 }] }
						: { form, pairs: [{ on: 6 * 60, off: 22 * 60 }] }
			}
		}
	};
}

/** Whether a control stands at rest with this program. */
const holds = (profile: Operable, state: MachineState, wanted: string) =>
	state.place === null && JSON.stringify(programOf(profile, state.memory)) === wanted;

/** Tenths of a second that a press and a look at the card take, at the starting pace. */
const [PRESS, LOOK] = [startingPace.pressSeconds * 10, startingPace.lookSeconds * 10];

/**
 * The least time that it takes to bring a control from as new to a program, by trying every key at every turn (Dijkstra):
 * a press takes its time, a value that is set a look as well. What was changed is taken before anything else is pressed:
 * the card has each value looked at and confirmed.
 */
function least(profile: Operable, wanted: string, most: number): number {
	const strokes = profile.panel.keys.map(({ id }): Stroke => ({ do: 'press', key: id, times: 1 }));
	const { up, down, take } = profile.panel.program!;
	const takes = take.do === 'press' ? take.key : '';
	const keyOf = ({ memory, place, trail }: MachineState) =>
		JSON.stringify([memory.days[0]![0], memory.days[0]![5], place, trail]);
	const waiting: MachineState[][] = [[start(profile)]];
	const known = new Map<string, number>([[keyOf(start(profile)), 0]]);
	for (let cost = 0; cost <= most; cost++)
		for (const state of waiting[cost] ?? []) {
			if (known.get(keyOf(state))! < cost) continue;
			if (holds(profile, state, wanted)) return cost;
			const edited = state.place?.edit !== undefined;
			for (const stroke of strokes) {
				const { key } = stroke as { key: string };
				if (edited && ![up, down, takes].includes(key)) continue;
				const next = press(profile, state, stroke, 0);
				const at = cost + PRESS + (edited && key === takes ? LOOK : 0);
				const id = keyOf(next);
				if ((known.get(id) ?? Infinity) <= at || at > most) continue;
				known.set(id, at);
				(waiting[at] ??= []).push(next);
			}
		}
	return Infinity;
}

const near = (middle: number, most: number) =>
	fc
		.integer({ min: -most, max: most })
		.filter((by) => by !== 0)
		.map((by) => middle + by);
export const anyDays = (form: 'events' | 'pairs') => {
	const day =
		form === 'events'
			? fc.tuple(near(7, 2), fc.constantFrom(18, 20, 21))
			: fc.tuple(
					near(6, 2),
					near(21, 1).filter((at) => at !== 22)
				);
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
	const profile = small(which);
	const grouping = profile.groupings[0]!;
	const program = { ...programWith(which.form, days), grouping: grouping.id };
	const { items, operated } = keyCard(profile, factoryOptions(profile), grouping, program);
	const keys = cardAsNew(profile, { items, ...operated });
	const held = programOf(profile, keys.memory)!;
	// a value that stands already is passed with a press, and needs no look
	const looks = keys.steps.filter(({ keys: own }) => own!.change!.length > 0).length;
	const cost = keys.presses * PRESS + looks * LOOK;
	return { program, held, cost, least: least(profile, JSON.stringify(held), cost) };
}

/** The kinds of small controls. */
export const SMALL: readonly Small[] = [
	{ form: 'events', order: 'time-first', time: 'whole', leaves: true },
	{ form: 'events', order: 'temperature-first', time: 'whole', leaves: true },
	{ form: 'events', order: 'time-first', time: 'hour-then-minute', leaves: true },
	{ form: 'events', order: 'time-first', time: 'whole', leaves: false },
	{ form: 'pairs', order: 'time-first', time: 'whole', leaves: true }
];
