import isSame from 'fast-deep-equal';
import { z } from 'zod';
import {
	controlOptionsSchema,
	isOffered,
	OPTION_IDS,
	type ControlProfile,
	type OptionId,
	type TemperatureUnit
} from '../control';
import {
	channelCount,
	dayFields,
	degreeScale,
	entryOf,
	entryScale,
	factoryMemory,
	keptSetpoints,
	optionChoices,
	optionAt,
	scaleOf,
	type MachineOptions,
	type Memory,
	type Scale
} from '../machine';
import { stampSchema, type Stamp } from '../schema';
import { goalSchema, keysOfRun, stepOfKey, type Goal } from './goal';
import { inDoubt, knownAsFound, withGoal, type Known } from './known';
import { refsOf } from './turn';

/** The most values in one note: those of the largest card. */
const MOST_AT_ONCE = 600;
/** The most values of acts that are kept one by one; older ones are kept as what the control held after them. */
export const MOST_VALUES = 1500;
const goals = z.array(goalSchema).min(1).max(MOST_AT_ONCE);

/** What was done at a control in one go: values brought about there, seen on its display, or begun, so that nobody knows how they stand. */
const actSchema = z.strictObject({ what: z.enum(['keyed', 'read', 'begun']), goals, by: stampSchema });
type Act = z.infer<typeof actSchema>;
const takenBackSchema = actSchema.extend({ what: z.enum(['keyed', 'read']) });
/** The most of what was taken back, and of how it was found, that is remembered. */
const MOST_TAKEN_BACK = 100;
const MOST_FOUND = 20;

const foundSchema = z.enum(['as-new', 'in-use']).nullable();

/** What stands on the screen from a note on, so that somebody may begin with it; empty where nothing does. */
const next = z.array(goalSchema).max(MOST_AT_ONCE).optional();

/** What is noted at a control: what was done or taken back, or how it was found. */
export const noteSchema = z.discriminatedUnion('what', [
	z.strictObject({
		what: z.enum(['keyed', 'read', 'begun', 'not-keyed', 'not-read']),
		goals,
		next,
		by: stampSchema.optional()
	}),
	z.strictObject({ what: z.literal('found'), found: foundSchema, next, by: stampSchema.optional() })
]);
export type Note = z.infer<typeof noteSchema>;

const value = z.int().nullable();
const key = z.string().max(24);
const knownSchema = z.strictObject({
	options: controlOptionsSchema.omit({ channel: true }).extend({ grouping: z.string().max(40) }),
	unsure: z.array(z.enum(OPTION_IDS)).max(OPTION_IDS.length),
	setpoints: z.array(value).max(6),
	kept: z.strictObject({ heat: value, cool: value }),
	menu: z.record(key, z.int()),
	days: z.array(z.array(z.record(key, value)).length(7)).max(4),
	mode: value
});

/** All that is noted at one control: how it was found, and what was done at it in its order. */
export const notesSchema = z.strictObject({
	/** The profile of the control at which it was noted: at another none of it counts. */
	control: z.string().max(64),
	found: foundSchema,
	/** When that was said. */
	foundAtMs: z.int().nonnegative(),
	/** What was said of it before, oldest first: whoever says that it is as new once something else was said has reset it. */
	foundBefore: z
		.array(z.strictObject({ found: foundSchema, atMs: z.int().nonnegative() }))
		.max(MOST_FOUND)
		.default([]),
	/** What was known of it by the acts that are kept no more one by one, and what of that had been read; null where every act is kept. */
	before: z.strictObject({ known: knownSchema, read: z.array(z.string().max(40)).max(4000) }).nullable(),
	acts: z.array(actSchema).max(MOST_VALUES),
	/** What was taken back last: of what was done before that and comes in after it nothing counts. */
	takenBack: z.array(takenBackSchema).max(MOST_TAKEN_BACK).default([]),
	/** What stood on the screen of whoever noted last: nobody knows how far they came with it. */
	next: z.array(goalSchema).max(MOST_AT_ONCE).nullable().default(null)
});
export type Notes = z.infer<typeof notesSchema>;

/** A control at which nothing was noted. */
export const noNotes = ({ id }: Pick<ControlProfile, 'id'>): Notes => ({
	control: id,
	found: null,
	foundAtMs: 0,
	foundBefore: [],
	before: null,
	acts: [],
	takenBack: [],
	next: null
});

/** The notes that count at a control: none of another kind. */
export const notesAt = (profile: Pick<ControlProfile, 'id'>, notes: Notes | null): Notes =>
	notes?.control === profile.id ? notes : noNotes(profile);

/** Whether anything was keyed or read at a control, or somebody said how it was found. */
export const isNoted = ({ found, before, acts }: Notes): boolean =>
	found !== null || before !== null || acts.length > 0;

/** Whether two notes of a control say the same, whatever the clocks by which it was told when. */
export function saysSame(a: Notes, b: Notes): boolean {
	const untimed = ({ acts, foundAtMs: _, foundBefore: __, takenBack: ___, ...rest }: Notes) => ({
		...rest,
		acts: acts.map(({ by: { from, number }, ...act }) => ({ ...act, from, number }))
	});
	return a === b || isSame(untimed(a), untimed(b));
}

/** Whether a control can be brought to hold this at all, however it is set. */
function isPossible(profile: ControlProfile, goal: Goal): boolean {
	switch (goal.of) {
		case 'option':
			return isOffered(profile, goal.id) && goal.position in optionChoices(profile, goal.id);
		case 'menu': {
			const entry = entryOf(profile, goal.id);
			if (!entry) return false;
			return isWithin(profile, goal.position, (unit) => entryScale(profile, unit, entry));
		}
		case 'setpoint':
			return (
				goal.index < keptSetpoints(profile).length &&
				isWithin(profile, goal.position, (unit) => degreeScale(profile, unit))
			);
		case 'kept': {
			const cools = goal.side === 'cool';
			if (!profile.temperature || (cools && !profile.cooling)) return false;
			return isWithin(profile, goal.position, (unit) => degreeScale(profile, unit, cools));
		}
		case 'field': {
			if (goal.channel >= channelCount(profile)) return false;
			const { position } = goal;
			if (position === null) return mostFields(profile).some(({ step }) => step === stepOfKey(goal.key));
			const field = mostFields(profile).find(({ key }) => keysOfRun(goal).includes(key));
			if (!field) return false;
			return isWithin(profile, position, (unit) => scaleOf(profile, mostOptions(profile, unit), field));
		}
		case 'copy':
			return goal.channel < channelCount(profile);
		case 'mode':
			return profile.panel?.modes?.names.includes(goal.name) ?? false;
		default:
			return false;
	}
}

const possible = (profile: ControlProfile, goals: readonly Goal[]) =>
	goals.filter((goal) => isPossible(profile, goal));

/** The options by which a control has the most steps a day that it can be set to. */
const mostOptions = (profile: ControlProfile, unit: TemperatureUnit = 'C'): MachineOptions => ({
	unit,
	clock: '24',
	plain: false,
	perDay: Math.max(...optionChoices(profile, 'per-day').map(Number)),
	grouping: ''
});

/** The fields of the day with the most steps that a control can be set to. */
const mostFields = (profile: ControlProfile) => dayFields(profile, mostOptions(profile), 0);

/** Whether a position stands on a scale, in any unit that a control can show. */
function isWithin(
	profile: ControlProfile,
	position: number,
	scale: (unit: TemperatureUnit) => Scale
): boolean {
	const units = profile.temperature?.units ?? (['C'] as const);
	return units.some((unit) => {
		const { low, high } = scale(unit);
		return position >= low && position <= high;
	});
}

/** What a value is of, whatever it is set to. */
export const targetOf = (goal: Goal): string => JSON.stringify({ ...goal, position: 0 });

const valuesIn = (acts: readonly Act[]) => acts.reduce((sum, one) => sum + one.goals.length, 0);

/** Acts with one more, in the order in which they were done: those of one device in its own, others by the time. */
function inOrder(acts: readonly Act[], act: Act): Act[] {
	const { from, number, atMs } = act.by;
	const at = acts.findLastIndex(({ by }) => (by.from === from ? by.number <= number : by.atMs <= atMs));
	return acts.toSpliced(at + 1, 0, act);
}

/**
 * The notes with one more, in the place where it was made: what comes late undoes nothing that was done since. One that says nothing of
 * when it was made comes last. What no card of this control could ask for is passed over.
 */
export function withNote(profile: ControlProfile, was: Notes, note: Note): Notes {
	const own = notesAt(profile, was);
	const latest = Math.max(own.foundAtMs, own.acts.at(-1)?.by.atMs ?? 0);
	const by = note.by ?? { from: '', number: 0, atMs: latest };
	const isLate = by.atMs < latest;
	const notes = note.next && !isLate ? { ...own, next: possible(profile, note.next) } : own;
	const until = (act: Act) => act.by.atMs <= by.atMs;
	if (note.what === 'found') {
		const all = [...allFound(notes), { found: note.found, atMs: by.atMs }].sort((a, b) => a.atMs - b.atMs);
		const { found, atMs } = all.at(-1)!;
		const said = { ...notes, found, foundAtMs: atMs, foundBefore: all.slice(0, -1).slice(-MOST_FOUND) };
		// what was done before it was reset is gone
		const reset = resetAtMs(said);
		const isReset = reset !== resetAtMs(notes) || (note.found === 'as-new' && by.atMs === reset);
		if (!isReset) return said;
		const isSince = (act: Act) => act.by.atMs > reset;
		return {
			...said,
			before: null,
			acts: said.acts.filter(isSince),
			takenBack: said.takenBack.filter(isSince)
		};
	}
	const isDone = note.what !== 'not-keyed' && note.what !== 'not-read';
	const goals = possible(profile, note.goals).filter(
		(goal) => !isDone || !isTakenBack(notes, note.what, goal, by)
	);
	if (goals.length === 0) return notes;
	if (isDone) {
		if (by.atMs < resetAtMs(notes)) return notes;
		const act = { what: note.what as Act['what'], goals, by };
		return shortened(profile, { ...notes, acts: inOrder(notes.acts, act) });
	}
	const kind = note.what === 'not-read' ? 'read' : 'keyed';
	const gone = new Set(goals.map(targetOf));
	const acts = notes.acts.flatMap((act): Act[] => {
		if (act.what !== kind || !until(act)) return [act];
		const left = act.goals.filter((goal) => !gone.has(targetOf(goal)));
		return left.length === 0 ? [] : [{ ...act, goals: left }];
	});
	const takenBack = [...notes.takenBack, { what: kind, goals, by } as const].slice(-MOST_TAKEN_BACK);
	return { ...notes, acts, takenBack };
}

/** All that was said of how it was found, oldest first. */
const allFound = ({ found, foundAtMs, foundBefore }: Notes) =>
	found === null && foundAtMs === 0 ? foundBefore : [...foundBefore, { found, atMs: foundAtMs }];

/** When it was reset last, by what was said: as new, once something had been said before; -1 for never. */
function resetAtMs(notes: Notes): number {
	const all = allFound(notes);
	return (
		all.findLast(({ found }, i) => found === 'as-new' && i > 0 && all[i - 1]!.found !== null)?.atMs ?? -1
	);
}

/** Whether something that is noted as done now was taken back since it was done. */
const isTakenBack = ({ takenBack }: Notes, what: string, goal: Goal, by: Stamp): boolean =>
	takenBack.some(
		(one) =>
			one.what === what &&
			(one.by.from === by.from && one.by.from !== '' ? one.by.number > by.number : one.by.atMs > by.atMs) &&
			one.goals.some((of) => targetOf(of) === targetOf(goal))
	);

/** Old acts as what was known after them, once they are too many. */
function shortened(profile: ControlProfile, notes: Notes): Notes {
	if (valuesIn(notes.acts) <= MOST_VALUES) return notes;
	let count = 0;
	let values = 0;
	while (values < MOST_VALUES / 2) values += notes.acts[count++]!.goals.length;
	const { options } = factoryMemory(profile);
	const { known, read } = replayed(profile, { ...notes, acts: notes.acts.slice(0, count) }, options);
	return {
		...notes,
		before: { known: writtenKnown(known), read: [...read] },
		acts: notes.acts.slice(count)
	};
}

function writtenKnown({ memory, unsure, mode }: Known): z.infer<typeof knownSchema> {
	const { options, setpoints, kept, menu, days } = memory;
	const defined = Object.entries(menu).filter(([, at]) => at !== undefined) as [string, number][];
	return {
		options,
		unsure: [...unsure],
		setpoints: setpoints.map((at) => at ?? null),
		kept: { heat: kept.heat ?? null, cool: kept.cool ?? null },
		menu: Object.fromEntries(defined),
		days: days.map((week) => week.map((content) => ({ ...content }))),
		mode
	};
}

function readKnown(profile: ControlProfile, written: z.infer<typeof knownSchema>): Known {
	const { options, setpoints, kept, menu, days, unsure, mode } = written;
	return {
		unsure,
		mode,
		memory: {
			...factoryMemory(profile),
			options,
			setpoints: setpoints.map((at) => at ?? undefined),
			kept: { heat: kept.heat ?? undefined, cool: kept.cool ?? undefined },
			away: {},
			menu,
			days
		}
	};
}

/** What is noted at a control, done again one after the other. */
export interface Replayed {
	/** What is known of it by now. */
	readonly known: Known;
	/** What was known of it before anything was keyed: as it was found, and what was read of it then. */
	readonly found: Known;
	/** What its display was seen to show since it stands so; see {@link refsOf}. */
	readonly read: ReadonlySet<string>;
}

/** Where what a reference is of stands; see {@link refsOf}. */
function standsAt(profile: ControlProfile, { options, setpoints, kept, menu, days }: Memory, ref: string) {
	const [of, first = '', ...rest] = ref.split('/') as [string, ...string[]];
	switch (of) {
		case 'setpoint':
			return setpoints[Number(first)];
		case 'kept':
			return kept[first as 'heat' | 'cool'];
		case 'menu':
			return menu[first];
		case 'option':
			return optionAt(profile, options, first as OptionId);
		default:
			return days[Number(of)]?.[Number(first)]?.[rest.join('/')];
	}
}

/** Takes out of what was read what stands otherwise now. */
function stillRead(profile: ControlProfile, read: Set<string>, was: Memory, is: Memory): void {
	if (was === is) return;
	for (const ref of read) if (standsAt(profile, was, ref) !== standsAt(profile, is, ref)) read.delete(ref);
}

/** What is known of a control by all that is noted at it. `options` are the planned ones. */
export function replayed(profile: ControlProfile, notes: Notes, options: MachineOptions): Replayed {
	const { found, before, acts } = notesAt(profile, notes);
	const asFound = knownAsFound(profile, options, found ?? 'in-use');
	let known = before ? readKnown(profile, before.known) : asFound;
	let begun = known;
	let isKeyed = before !== null;
	const read = new Set(before?.read);
	for (const act of acts) {
		isKeyed ||= act.what === 'keyed';
		for (const goal of act.goals) {
			const set = withGoal(profile, known, goal);
			const next = act.what === 'begun' ? inDoubt(profile, known, set, goal) : set;
			stillRead(profile, read, known.memory, next.memory);
			known = next;
			if (act.what === 'read') for (const ref of refsOf(profile, known, goal)) read.add(ref);
		}
		if (!isKeyed) begun = known;
	}
	return { known, found: before ? asFound : begun, read };
}
