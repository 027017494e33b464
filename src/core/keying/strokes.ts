import {
	formInUse,
	strokesOf,
	type ControlOptions,
	type ControlProfile,
	type Grouping,
	type PanelGesture,
	type Rule,
	type State,
	type StateId
} from '../control';
import { memo, memoBy } from '../schema';
import {
	isOperable,
	runsOn,
	statesOf,
	stepsBetween,
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

/** What the keys of a state are for, as its rules say. */
export interface KeysThere {
	readonly up: string;
	readonly down: string;
	/** null where nothing takes a value: it is held as it shows. */
	readonly take: PanelGesture | null;
	readonly clear: PanelGesture | null;
	/** By position: what writes a value and goes on. */
	readonly writes: readonly (PanelGesture | undefined)[];
}

/** What the keys of a state are for; null where none of them changes a value up and down, or writes it. */
export const keysThere = memoBy(
	(at: StateId) => at,
	(profile: Operable, at: StateId): KeysThere | null => {
		const rules = [...(statesOf(profile).rules.get(at)?.values() ?? [])].flat();
		const does = (what: string) =>
			rules.find((rule) => rule.do.some((act) => act.do === what && !('only' in act)));
		const key = (by: 1 | -1) => {
			const changes = rules.find(
				(rule) =>
					rule.by.do === 'press' &&
					rule.do.some((act) => (act.do === 'turn' || act.do === 'change') && act.by === by)
			);
			return changes?.by.do === 'press' ? changes.by.key : null;
		};
		const writes: (PanelGesture | undefined)[] = [];
		for (const { by, do: acts } of rules)
			for (const act of acts) if (act.do === 'write') writes[act.position] = by;
		const [up, down] = [key(1), key(-1)];
		const clear = does('clear')?.by ?? null;
		if (up === null && writes.length === 0 && !clear) return null;
		const take = rules.find(
			(rule) =>
				rule.do.some((act) => act.do === 'take' && !act.only) && rule.do.every((act) => act.do !== 'change')
		);
		return {
			up: up ?? '',
			down: down ?? '',
			take: take?.by ?? null,
			clear,
			writes
		};
	}
);

/** What keeps the figure that is held at rest as one of the setpoints for the week; undefined where nothing does. */
export const keepsAtRest = memoBy(
	(index: number) => index,
	(profile: Operable, index: number): Rule | undefined =>
		[...statesOf(profile).rules.get('rest')!.values()]
			.flat()
			.find((rule) => rule.do.some((act) => act.do === 'keep' && act.setpoint === index))
);

/** The state in which the cursor comes into the program; null where there is none. */
export const firstOfDay = memo(
	(profile: Operable): State | null =>
		[...statesOf(profile).of.values()].find(({ field }) => field?.of === 'day') ?? null
);

/** What the keys of the first field of a day are for; null where nobody described them. */
const keysOfWeek = (profile: ControlProfile): KeysThere | null => {
	const first = isOperable(profile) ? firstOfDay(profile) : null;
	return first && keysThere(profile as Operable, first.id);
};

/** Whether the values of a day are written one after another, each by a key of its own. */
export const isWritten = (profile: ControlProfile): boolean => (keysOfWeek(profile)?.writes.length ?? 0) > 0;

/** Whether nothing leads on over a value of a day but writing it. */
export const isOnlyWritten = (profile: ControlProfile): boolean =>
	isWritten(profile) && keysOfWeek(profile)!.take === null;

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
	at: StateId,
	{ up, down }: Pick<KeysThere, 'up' | 'down'>,
	scale: Scale,
	from: number | null,
	to: number
): Stroke[] {
	const steps = stepsBetween(scale, from, to);
	if (steps === 0) return [];
	const along = (by: number): Stroke[] => {
		const [key, times] = [by > 0 ? up : down, Math.abs(by)];
		const { runsOnAfter } = profile.keying.presses;
		return runsOnAfter !== null && times > runsOnAfter && runsOn(profile, at, key)
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

/** What leads out of a place wherever the cursor stands in it: its own gesture, else no key until it is left by itself. */
export function strokesOut(profile: Operable, place: Exclude<Place, null>): Stroke[] {
	const { rules, idle } = statesOf(profile).of.get(place.at)!;
	const out = rules.find(({ to, when }) => to === 'rest' && !when);
	return out ? [out.by] : [{ do: 'wait', seconds: idle?.seconds ?? 30 }];
}
