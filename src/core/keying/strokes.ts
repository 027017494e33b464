import { formInUse, strokesOf, type ControlOptions, type ControlProfile, type Grouping } from '../control';
import {
	isCleared,
	runsOn,
	stepsBetween,
	type DayContent,
	type DayField,
	type MachineOptions,
	type Operable,
	type Place,
	type Scale,
	type Stroke
} from '../machine';

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
export const UNKNOWN_PRESSES = 3;

/** How many presses strokes are. A key held until the value is there counts as the most presses that a change takes. */
export function strokePresses(profile: Operable, strokes: readonly Stroke[]): number {
	return strokes.reduce((sum, stroke) => {
		if (stroke.do === 'wait') return sum;
		if (stroke.do === 'until') return sum + UNKNOWN_PRESSES;
		if (stroke.do === 'run') return sum + (profile.keying.presses.runsOnAfter ?? stroke.steps);
		return sum + strokesOf(stroke).length;
	}, 0);
}

/**
 * The strokes that move a value along a scale: single presses, or the key held where it runs on and that is less; the longer way
 * round where only its key runs on.
 */
export function changing(
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
export function anew(
	{ up, down }: { readonly up: string; readonly down: string },
	scale: Scale,
	at: number
): Stroke[] {
	const keys = scale.round || at < scale.high ? [up, down] : [down, up];
	return keys.map((key) => ({ do: 'press', key, times: 1 }));
}

/** How many takes lead from one field of a day to a later one. */
export function takesTo(
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

/** What leads out of a place wherever the cursor stands in it: its own gesture, else no key until it is left by itself. */
export function strokesOut({ panel, keying }: Operable, place: Exclude<Place, null>): Stroke[] {
	const { leave, seconds } =
		place.in === 'program'
			? { leave: panel.program!.leave, seconds: keying.timeoutSeconds }
			: { leave: panel.places[place.menu]!.leave, seconds: panel.places[place.menu]!.timeoutSeconds };
	return leave.length > 0 ? leave : [{ do: 'wait', seconds: seconds ?? 30 }];
}
