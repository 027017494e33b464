import { again, type State } from '../control';
import {
	copyOf,
	dayRound,
	fieldShown,
	figureInUse,
	follow,
	menuAt,
	menuScale,
	menuShown,
	opensAt,
	programFields,
	scaleOf,
	underCursor,
	type DayContent,
	type DayField,
	type MachineState,
	type Operable,
	type Stroke
} from '../machine';
import { keysOfRun, stepOfKey, type Goal, type GoalOf } from './goal';
import { isOf, stateOfValue, type InMenu } from './inMenu';
import { withGoal, type Known } from './known';
import { stateOf, type Stand } from './stand';
import {
	anew,
	changing,
	firstOfDay,
	keepsAtRest,
	keysThere,
	strokePresses,
	UNKNOWN_PRESSES,
	type KeysThere
} from './strokes';
import { copiesFrom, wayTo, wayToMode, type Copying, type Way, type Aim } from './way';

/** The keys for one value: the way to its field, what changes it, what takes it. */
export interface ItemKeys {
	/** From where the hand stands. */
	readonly way: readonly Stroke[];
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

const taking = ({ take }: KeysThere): Stroke[] => (take ? [take] : []);

/** Finds the keys for one value after the other; the hand stands after each where its keys leave it. */
export class KeyPlanner {
	#state: MachineState;
	#unsure: Known['unsure'];
	#modeKnown: boolean;
	#backTo: number | null;

	constructor(
		readonly profile: Operable,
		stand: Stand
	) {
		const { known, backTo } = stand;
		this.#state = stateOf(profile, stand);
		this.#unsure = known.unsure;
		this.#modeKnown = known.mode !== null;
		this.#backTo = backTo;
	}

	get stand(): Stand {
		const { memory, mode, place, before } = this.#state;
		const known = { memory, unsure: this.#unsure, mode: this.#modeKnown ? mode : null };
		return { known, place, backTo: this.#backTo, before };
	}

	/** The strokes to rest from where the cursor stands, and on from there into a mode. */
	#outThen(modes: () => readonly Stroke[]): readonly Stroke[] {
		const before = this.#state;
		if (!before.place) return modes();
		const rest = wayTo(this.profile, before, (place) => place === null)?.way ?? [];
		this.#state = follow(this.profile, before, rest);
		// one that leaving puts into another mode is put back
		if (this.#modeKnown && this.#state.mode !== before.mode) this.#backTo ??= before.mode;
		const strokes = [...rest, ...modes()];
		this.#state = before;
		return strokes;
	}

	/** To a mode: where it is not known which one it is in, by what its display shows. */
	#toMode(mode: number): readonly Stroke[] {
		const way = wayToMode(this.profile, this.#state, this.#modeKnown, mode);
		this.#modeKnown = true;
		return way ?? [];
	}

	/** Into the mode in which alone a state is come to, and back again for everything else. */
	#modeFor(needs: State['needs']): readonly Stroke[] {
		if (needs && !needs.back) return this.#toMode(needs.mode);
		if (needs) {
			if (this.#modeKnown && this.#state.mode === needs.mode) return [];
			this.#backTo ??= this.#modeKnown ? this.#state.mode : 0;
			return this.#toMode(needs.mode);
		}
		if (this.#backTo === null) return [];
		const back = this.#backTo;
		this.#backTo = null;
		return this.#toMode(back);
	}

	/** The way to where the cursor is to be: within the menu that it is in; else from rest, in a mode in which that can be. */
	#toPlace(aim: Aim, needs: State['needs']): Way | null {
		const { profile } = this;
		if (this.#state.place) {
			const here = wayTo(profile, this.#state, aim, true);
			if (here) return here;
		}
		/** From rest in the mode that `modes` leads to. */
		const from = (modes: () => readonly Stroke[]) => {
			const first = this.#outThen(modes);
			// what is pressed on the way may change how the control is set
			const there = first.length === 0 ? this.#state : follow(profile, this.#state, first);
			const on = wayTo(profile, there, aim);
			return { first, there, way: on && { way: [...first, ...on.way], isSure: on.isSure } };
		};
		const { first, there, way } = from(() => this.#modeFor(needs));
		const names = profile.panel.modes?.names ?? [];
		// where nobody knows its mode, one that leads there from any
		const end = way && follow(profile, this.#state, way.way).place?.at;
		const isSafe = ({ way }: Way) =>
			this.#modeKnown ||
			names.every((_, mode) => follow(profile, { ...this.#state, mode }, way).place?.at === end);
		if (way && isSafe(way)) return way;
		// it may be come to in another mode alone
		const [isKnown, backTo] = [this.#modeKnown, this.#backTo];
		for (const mode of needs ? [] : names.keys()) {
			if (isKnown && mode === there.mode) continue;
			const other = from(() => this.#modeFor({ mode, back: mode !== 0 }));
			if (other.way) return other.way;
			[this.#modeKnown, this.#backTo] = [isKnown, backTo];
		}
		// what was taken on the way out leaves no such place: from there the way is told anew
		return first.length > 0 && there.memory !== this.#state.memory ? { way: first, isSure: true } : null;
	}

	/** The way to the field of a value from a place; null where no menu has it. */
	#toMenu(goal: InMenu): Way | null {
		const state = stateOfValue(this.profile, goal);
		return state && this.#toPlace((place) => place?.at === state.id, state.needs);
	}

	/** The way to a field of the program from a place, and whether it is certain: where it can be put to a position, cleared (null), or looked at. */
	#toField(channel: number, group: number, key: string, to: number | null | 'look'): Way | null {
		const { profile } = this;
		const { memory } = this.#state;
		const first = firstOfDay(profile);
		return (
			first &&
			this.#toPlace((place) => {
				if (place?.group !== group || place.channel !== channel || place.copyTo !== null) return false;
				const under = underCursor(profile, memory, place);
				const keys = keysThere(profile, place.at);
				if (under?.of !== 'day' || under.field.key !== key || !keys) return false;
				if (to === null) return keys.clear !== null;
				// where values are written, a state that writes this one
				return keys.writes.length === 0 ? keys.up !== '' : to === 'look' || keys.writes[to] !== undefined;
			}, first.needs)
		);
	}

	/** The keys for a goal; the hand stands after them. null where the panel does not say how. */
	reach(goal: Goal): ItemKeys | null {
		switch (goal.of) {
			case 'mode': {
				const mode = this.profile.panel.modes?.names.indexOf(goal.name) ?? -1;
				if (mode < 0) return null;
				const way = this.#outThen(() => this.#toMode(mode));
				this.#backTo = null;
				this.#go(way);
				return this.#made(goal, { way });
			}
			case 'copy':
				return this.#reachCopy(goal);
			case 'field':
				return this.#reachField(goal);
			default:
				return this.#reachMenu(goal);
		}
	}

	#reachMenu(goal: InMenu): ItemKeys | null {
		const { profile } = this;
		const found = this.#toMenu(goal);
		if (!found) return this.#turned(goal);
		this.#go(found.way);
		const { memory, place } = this.#state;
		const under = place && underCursor(profile, memory, place);
		const keys = place && keysThere(profile, place.at);
		if (under?.of !== 'value' || !keys) return null;
		const { field } = under;
		const scale = menuScale(profile, memory, field);
		const edited = place!.edit;
		// what a clock shows nobody knows before they look
		const isUnsure = goal.of === 'clock' || (goal.of === 'option' && this.#unsure.includes(goal.id));
		const from = edited ?? (isUnsure ? undefined : menuAt(profile, memory, field, 0));
		const change = from === undefined ? null : changing(profile, place!.at, keys, scale, from, goal.position);
		const shows = from === undefined ? null : menuShown(profile, memory.options, field, from).shows;
		return this.#made(goal, { way: found.way, change, until: keys, take: taking(keys), shows });
	}

	/** A figure that is changed at rest, in the mode that holds it; or in one that holds any, from where a gesture keeps it. */
	#turned(goal: InMenu): ItemKeys | null {
		const { profile } = this;
		const rest = keysThere(profile, 'rest');
		const memory = this.#state.memory;
		const figureOf = (mode: number) => figureInUse(profile, { memory, mode });
		const keeps = goal.of === 'setpoint' ? keepsAtRest(profile, goal.index) : undefined;
		const isIt = (mode: number) => {
			const field = figureOf(mode);
			return field !== null && (keeps !== undefined || isOf(goal, field));
		};
		const modes = Array.from({ length: profile.panel.modes?.names.length ?? 1 }, (_, mode) => mode);
		const { mode } = this.#state;
		const there = this.#modeKnown && isIt(mode) ? mode : modes.find(isIt);
		if (!rest || there === undefined) return null;
		if (there !== mode || !this.#modeKnown) this.#backTo ??= this.#modeKnown ? mode : 0;
		const way = this.#outThen(() => (profile.panel.modes ? this.#toMode(there) : []));
		if (this.#backTo === there) this.#backTo = null;
		this.#go(way);
		const field = figureOf(there)!;
		const now = this.#state.memory;
		const at = menuAt(profile, now, field, 0);
		const change =
			at === undefined
				? null
				: changing(profile, 'rest', rest, menuScale(profile, now, field), at, goal.position);
		const shows = at === undefined ? null : menuShown(profile, now.options, field, at).shows;
		return this.#made(goal, { way, change, until: rest, take: keeps ? [keeps.by] : [], shows });
	}

	/** Where a group of days stands in the round; −1 where the control, as it is set, has none that begins so. */
	#groupOf(day: number, all: boolean): number {
		return dayRound(this.profile, this.#state.memory.options).findIndex(
			(one) => one.all === all && (all || one.days[0] === day)
		);
	}

	#reachField(goal: GoalOf<'field'>): ItemKeys | null {
		const { profile } = this;
		const { options } = this.#state.memory;
		const group = this.#groupOf(goal.day, goal.all);
		if (group < 0 || options.plain) return null;
		const at = { channel: goal.channel, group };
		const before = programFields(profile, this.#state.memory, at);
		// a step is cleared at its first field
		const run = this.#leftOfRun(goal, before.content);
		const key =
			goal.position === null
				? before.fields.find((field) => field.step === stepOfKey(goal.key))?.key
				: run.key;
		const to = key === undefined ? null : this.#toField(goal.channel, group, key, goal.position);
		if (!to || key === undefined) return null;
		this.#go(to.way);
		const { memory, place } = this.#state;
		const { fields, content } = programFields(profile, memory, at);
		const index = fields.findIndex((field) => field.key === key);
		const program = place && keysThere(profile, place.at);
		// what stood in a menu was kept on the way out, and its week has other fields now: from there the way is told anew
		if (index < 0 || !place) return this.#made(goal, { ...to, change: [], take: [], shows: null });
		if (!program) return null;
		// what was changed under the cursor and not taken yet is what it stands at
		const edited = place.edit;
		const opens = edited ?? opensAt(profile, options, fields, content, index);
		const shows = opens === undefined ? null : fieldShown(profile, options, fields[index]!, opens);
		const differs = goal.all && this.#differs(goal.channel, fields, index);
		if (goal.position === null) {
			if (!program.clear) return null;
			// cleared already: it is passed over
			const isClear = opens === null && !differs;
			return this.#made(goal, {
				...to,
				change: isClear ? [] : [program.clear],
				take: isClear ? taking(program) : [],
				shows
			});
		}
		const written = program.writes[goal.position];
		if (written) return this.#made(goal, { ...to, change: again(written, run.slots), shows });
		const scale = scaleOf(profile, options, fields[index]!);
		const steps =
			opens === undefined ? null : changing(profile, place.at, program, scale, opens, goal.position);
		// of all days at once what shows already is set anew where some day has another
		const change = steps?.length === 0 && differs ? anew(program, scale, goal.position) : steps;
		// of all days at once what happens to show right is set all the same: a step first, then until it shows
		const nudge: Stroke[] = change === null && goal.all ? [{ do: 'press', key: program.up, times: 1 }] : [];
		this.#go(nudge);
		return this.#made(goal, {
			way: [...to.way, ...nudge],
			isSure: to.isSure,
			change,
			until: program,
			take: taking(program),
			shows
		});
	}

	/** What is still to write of a run of slots: without those at its ends that hold the value already. */
	#leftOfRun(goal: GoalOf<'field'>, content: DayContent): { readonly key: string; readonly slots: number } {
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
		const week = this.#state.memory.days[channel]!;
		return week.some((content) => content[key] !== week[0]![key]);
	}

	#reachCopy(goal: GoalOf<'copy'>): ItemKeys | null {
		const { profile } = this;
		const [first, onto] = [firstOfDay(profile), this.#groupOf(goal.onto, false)];
		const source = this.#groupOf(goal.from, false);
		const aim: Copying = {
			from: ({ channel, group }) => channel === goal.channel && group === source,
			by: (state, act) => {
				if ((state.place?.channel ?? 0) !== goal.channel) return false;
				const copy = copyOf(profile, state, act);
				return copy !== null && copy.from === goal.from && copy.last === onto;
			}
		};
		if (!first) return null;
		const { place } = this.#state;
		const here = place && aim.from(place) && wayTo(profile, this.#state, { ...aim, at: 'its-day' }, true);
		if (here) return this.#made(goal, { change: here.way });
		const [state, isKnown, backTo] = [this.#state, this.#modeKnown, this.#backTo];
		const day = this.#toPlace(
			(place) => place !== null && aim.from(place) && place.copyTo === null && copiesFrom(profile, place.at),
			first.needs
		);
		if (day) {
			this.#go(day.way);
			const on = wayTo(profile, this.#state, { ...aim, at: 'its-day' }, true);
			if (on) return this.#made(goal, { ...day, change: on.way });
			[this.#state, this.#modeKnown, this.#backTo] = [state, isKnown, backTo];
		}
		// from elsewhere than its day, or through other fields of it
		const to = this.#toPlace(aim, first.needs);
		return to && this.#made(goal, { isSure: to.isSure, change: to.way });
	}

	#go(strokes: readonly Stroke[]): void {
		this.#state = follow(this.profile, this.#state, strokes);
	}

	/** The keys of a value once its way is gone: the hand stands after them, and knows what it set by looking. */
	#made(goal: Goal, keys: Partial<Omit<ItemKeys, 'presses'>>): ItemKeys {
		const { way = [], isSure = true, change = [], until = null, take = [], shows = null } = keys;
		this.#go([...(change ?? []), ...take]);
		if (change === null) {
			const { memory, unsure } = withGoal(this.profile, this.stand.known, goal);
			this.#state = { ...this.#state, memory };
			this.#unsure = unsure;
		}
		return {
			way,
			isSure,
			change,
			until: change === null && until ? { up: until.up, down: until.down } : null,
			take,
			shows,
			presses:
				strokePresses(this.profile, [...way, ...(change ?? []), ...take]) +
				(change === null ? UNKNOWN_PRESSES : 0)
		};
	}

	/** The keys to a field of the program or a menu, only to look at it: what it shows is passed. */
	look(goal: Goal): readonly Stroke[] | null {
		if (goal.of === 'copy' || goal.of === 'mode') return null;
		const to = goal.of === 'field' ? this.#lookInWeek(goal) : this.#toMenu(goal);
		if (!to) return null;
		this.#go(to.way);
		return to.way;
	}

	#lookInWeek(goal: GoalOf<'field'>): { readonly way: readonly Stroke[] } | null {
		const { memory } = this.#state;
		const group = this.#groupOf(goal.day, false);
		if (group < 0 || memory.options.plain) return null;
		const { fields } = programFields(this.profile, memory, { channel: goal.channel, group });
		// of a step that is cleared its first field
		const field = fields.find(({ key, step }) =>
			goal.position === null ? step === stepOfKey(goal.key) : key === goal.key
		);
		return field ? this.#toField(goal.channel, group, field.key, 'look') : null;
	}

	/** To rest, and back in the mode that it was in; where nobody knows that, in the first, that runs its program. */
	leave(): readonly Stroke[] {
		const { modes } = this.profile.panel;
		const strokes = this.#outThen(() =>
			this.#modeKnown || !modes ? this.#modeFor(undefined) : this.#toMode(0)
		);
		this.#go(strokes);
		return strokes;
	}
}
