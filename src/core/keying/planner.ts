import { again } from '../control';
import {
	dayRound,
	degreeScale,
	fieldShown,
	follow,
	menuAt,
	menuFields,
	menuScale,
	menuShown,
	needsMode,
	opensAt,
	programFields,
	scaleOf,
	start,
	clearable,
	type DayContent,
	type DayField,
	type MachineState,
	type MenuField,
	type Operable,
	type Place,
	type Stroke
} from '../machine';
import { keysOfRun, stepOfKey, type Goal, type GoalOf } from './goal';
import { withGoal, type Known } from './known';
import { anew, changing, strokePresses, strokesOut, takesTo, UNKNOWN_PRESSES } from './strokes';

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

/** Where a hand stands at a control: what is known of it, and where its cursor is. */
export interface Stand {
	readonly known: Known;
	readonly place: Place;
	/** The mode to go back to once the control was put to off for a menu. */
	readonly backTo: number | null;
}

/** A hand before a control at rest. */
export const atRest = (known: Known, backTo: number | null = null): Stand => ({ known, place: null, backTo });

/** Finds the keys for one value after the other; the hand stands after each where its keys leave it. */
export class KeyPlanner {
	#state: MachineState;
	#unsure: Known['unsure'];
	#modeKnown: boolean;
	#backTo: number | null;

	constructor(
		readonly profile: Operable,
		{ known, place, backTo }: Stand
	) {
		this.#state = { ...start(profile, known.memory), mode: known.mode ?? 0, place };
		this.#unsure = known.unsure;
		this.#modeKnown = known.mode !== null;
		this.#backTo = backTo;
	}

	get stand(): Stand {
		const { memory, mode, place } = this.#state;
		const known = { memory, unsure: this.#unsure, mode: this.#modeKnown ? mode : null };
		return { known, place, backTo: this.#backTo };
	}

	/** The strokes to rest from where the cursor stands. */
	#toRest(): Stroke[] {
		const { place } = this.#state;
		if (!place) return [];
		const { panel } = this.profile;
		const left = strokesOut(this.profile, place);
		if (place.in === 'program' || panel.places[place.menu]!.leave.length > 0) return left;
		const menu = panel.places[place.menu]!;
		return again(menu.take, menuFields(this.profile, menu).length - place.field);
	}

	/** To a mode: where it is not known which one it is in, by what its display shows. */
	#toMode(mode: number): Stroke[] {
		const modes = this.profile.panel.modes!;
		const { names, next } = modes;
		const isUnknown = !this.#modeKnown;
		this.#modeKnown = true;
		if (isUnknown && next) return [{ do: 'until', gesture: next, shows: names[mode]! }];
		if (mode === this.#state.mode && !isUnknown) return [];
		return next
			? again(next, (((mode - this.#state.mode) % names.length) + names.length) % names.length)
			: modes.each[mode]!;
	}

	/** Off for a menu that asks for it, and back again for everything else. */
	#modeFor(onlyWhenOff: boolean): Stroke[] {
		const { modes } = this.profile.panel;
		const off = modes?.off != null ? modes.names.indexOf(modes.off) : -1;
		if (onlyWhenOff && off >= 0) {
			if (this.#modeKnown && this.#state.mode === off) return [];
			this.#backTo ??= this.#modeKnown ? this.#state.mode : 0;
			return this.#toMode(off);
		}
		if (onlyWhenOff || this.#backTo === null) return [];
		const back = this.#backTo;
		this.#backTo = null;
		return this.#toMode(back);
	}

	/** The way to a field of a menu from a place; null where no menu has it. */
	#toMenu(goal: InMenu): { way: Stroke[]; menu: number; field: number } | null {
		const { places } = this.profile.panel;
		const { place } = this.#state;
		for (const [menu, one] of places.entries()) {
			const fields = menuFields(this.profile, one);
			const field = fields.findIndex((of) => isOf(goal, of));
			if (field < 0) continue;
			if (place?.in === 'menu' && place.menu === menu && (field >= place.field || one.leave.length > 0)) {
				const takes = (field - place.field + fields.length) % fields.length;
				return { way: again(one.take, takes), menu, field };
			}
			const way = [
				...this.#toRest(),
				...this.#modeFor(one.onlyWhenOff),
				...one.way,
				...again(one.take, field)
			];
			return { way, menu, field };
		}
		return null;
	}

	/** The way to a field of the program from a place, and whether it is certain. */
	#toField(channel: number, group: number, key: string | null): { way: Stroke[]; isSure: boolean } | null {
		const { profile } = this;
		const { program } = profile.panel;
		if (!program) return null;
		const { memory, place } = this.#state;
		const round = dayRound(profile, memory.options).length;
		const { fields, content } = programFields(profile, memory, { channel, group });
		const field = key === null ? 0 : fields.findIndex((one) => one.key === key);
		if (field < 0) return null;
		const takes = (from: number, to: number) => takesTo(profile, fields, content, from, to);
		// over unknown steps that may have been cleared nobody can count
		const isSureOver = (from: number, to: number) =>
			!fields
				.slice(from, to)
				.some((one) => content[one.key] === undefined && one.step !== fields[field]!.step) ||
			!clearable(profile);
		const sureFrom = (from: number) => isSureOver(from, field);
		// while a copy is being put anything else begins from rest
		const there =
			place?.in === 'program' && place.channel === channel && place.copyTo === null ? place : null;
		if (!there) {
			const needed = needsMode(profile);
			const way = [
				...this.#toRest(),
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
		const goesRound =
			program.afterLast === 'first-again' &&
			isSureOver(there.field, fields.length) &&
			strokePresses(profile, roundFields) <= strokePresses(profile, roundDays);
		return { way: goesRound ? roundFields : roundDays, isSure: sureFrom(0) };
	}

	/** The keys for a goal; the hand stands after them. null where the panel does not say how. */
	reach(goal: Goal): ItemKeys | null {
		switch (goal.of) {
			case 'mode': {
				const mode = this.profile.panel.modes?.names.indexOf(goal.name) ?? -1;
				if (mode < 0) return null;
				const way = [...this.#toRest(), ...this.#toMode(mode)];
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
		const { up, down, take } = profile.panel.places[found.menu]!;
		const field = menuFields(profile, profile.panel.places[found.menu]!)[found.field]!;
		const scale = menuScale(profile, memory, field);
		const edited = place?.in === 'menu' ? place.edit : undefined;
		// what a clock shows nobody knows before they look
		const isUnsure = goal.of === 'clock' || (goal.of === 'option' && this.#unsure.includes(goal.id));
		const from = edited ?? (isUnsure ? undefined : menuAt(profile, memory, field, 0));
		const change =
			from === undefined
				? null
				: changing(profile, { in: 'menu', menu: found.menu }, { up, down }, scale, from, goal.position);
		const shows = from === undefined ? null : menuShown(profile, memory.options, field, from).shows;
		return this.#made(goal, { way: found.way, change, until: { up, down }, take: [take], shows });
	}

	/** A setpoint that is changed at rest, in any mode that is not off. */
	#turned(goal: Goal): ItemKeys | null {
		const { profile } = this;
		const { rest, modes } = profile.panel;
		if (!rest || goal.of !== 'kept' || goal.side !== 'heat') return null;
		const isOff = modes?.off != null && modes.names[this.#state.mode] === modes.off;
		if (modes && (isOff || !this.#modeKnown)) this.#backTo ??= 0;
		const way = [...this.#toRest(), ...this.#modeFor(false)];
		this.#go(way);
		const { memory } = this.#state;
		const { heat } = memory.kept;
		const change =
			heat === undefined
				? null
				: changing(profile, null, rest, degreeScale(profile, memory.options.unit), heat, goal.position);
		const shows = heat === undefined ? null : fieldShown(profile, memory.options, { kind: 'heat' }, heat);
		return this.#made(goal, { way, change, until: rest, shows });
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
		const { program } = profile.panel;
		const group = this.#groupOf(goal.day, goal.all);
		if (!program || group < 0 || options.plain) return null;
		const at = { channel: goal.channel, group };
		const before = programFields(profile, this.#state.memory, at);
		// a step is cleared at its first field
		const run = this.#leftOfRun(goal, before.content);
		const key =
			goal.position === null
				? before.fields.find((field) => field.step === stepOfKey(goal.key))?.key
				: run.key;
		const to = key === undefined ? null : this.#toField(goal.channel, group, key);
		if (!to || key === undefined) return null;
		this.#go(to.way);
		const { memory, place } = this.#state;
		const { fields, content } = programFields(profile, memory, at);
		const index = fields.findIndex((field) => field.key === key);
		// what stood in a menu was kept on the way out, and its week has other fields now: from there the way is told anew
		if (index < 0) return this.#made(goal, { ...to, change: [], take: [], shows: null });
		// what was changed under the cursor and not taken yet is what it stands at
		const edited = place?.in === 'program' ? place.edit : undefined;
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
				take: isClear ? [program.take] : [],
				shows
			});
		}
		const written = program.writes[goal.position];
		if (written) return this.#made(goal, { ...to, change: again(written, run.slots), shows });
		const scale = scaleOf(profile, options, fields[index]!);
		const steps =
			opens === undefined ? null : changing(profile, { in: 'program' }, program, scale, opens, goal.position);
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
			take: [program.take],
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
		const copy = profile.panel.program?.copy;
		const [from, onto] = [this.#groupOf(goal.from, false), this.#groupOf(goal.onto, false)];
		if (!copy || from < 0 || onto < 0) return null;
		const { place, memory } = this.#state;
		const round = dayRound(profile, memory.options);
		// days onto which it can be copied, beginning with the next one
		const targets = round.filter(({ all }) => !all).length;
		const shift = round.length - targets;
		const onwards = (at: number) => (((onto - at) % targets) + targets) % targets;
		const { day } = profile.panel.program!;
		if (place?.in === 'program' && place.copyTo !== null && place.group === from && copy.put)
			return this.#made(goal, { change: [...again(day, onwards(place.copyTo)), copy.put] });
		const next = ((from - shift + 1) % targets) + shift;
		if (!copy.put && onwards(next) > 0) return null;
		const to = this.#toField(goal.channel, from, null);
		if (!to) return null;
		this.#go(to.way);
		const change = copy.put ? [copy.start, ...again(day, onwards(next)), copy.put] : [copy.start];
		return this.#made(goal, { way: to.way, change });
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
		return field ? this.#toField(goal.channel, group, field.key) : null;
	}

	/** To rest, and back in the mode that it was in; where nobody knows that, in the first, that runs its program. */
	leave(): Stroke[] {
		const { modes } = this.profile.panel;
		const back = this.#modeKnown || !modes ? this.#modeFor(false) : this.#toMode(0);
		const strokes = [...this.#toRest(), ...back];
		this.#go(strokes);
		return strokes;
	}
}

/** A goal whose value stands in a menu. */
type InMenu = GoalOf<'option' | 'menu' | 'setpoint' | 'kept' | 'away' | 'clock'>;

/** Whether a field of a menu is the one of a goal. */
function isOf(goal: InMenu, { id, setpoint }: MenuField): boolean {
	switch (goal.of) {
		case 'option':
			return id === goal.id;
		case 'menu':
			return id === `menu/${goal.id}`;
		case 'setpoint':
			return id === 'setpoints' && setpoint === goal.index;
		case 'kept':
			return id === (goal.side === 'heat' ? 'setpoint' : 'cool-setpoint');
		case 'away':
		case 'clock':
			return id === goal.field;
	}
}

/** The place where a value stands: the program, or the first menu that has it; null where it is changed at rest. */
export function placeOfGoal(profile: Operable, goal: Goal): Place {
	const here = { field: 0, edit: undefined };
	if (goal.of === 'mode') return null;
	if (goal.of === 'field' || goal.of === 'copy')
		return { in: 'program', channel: goal.channel, group: 0, copyTo: null, ...here };
	const menu = profile.panel.places.findIndex((one) => menuFields(profile, one).some((of) => isOf(goal, of)));
	return menu < 0 ? null : { in: 'menu', menu, ...here };
}
