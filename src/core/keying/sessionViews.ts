import type { ControlProfile } from '../control';
import { display, follow, groupingOf, isOperable, type Display } from '../machine';
import type { KeyCard } from './card';
import { stepOfKey, type Goal } from './goal';
import { handOf, onShow, secondsIn, type KeyingSession } from './session';
import { stateOf } from './stand';
import { strokePresses } from './strokes';

/** Seconds after the last key when the control leaves by itself where the hand stands; null at rest, or where it stays. */
export const closesAfterSeconds = (session: KeyingSession): number | null =>
	isOperable(session.profile) ? secondsIn(session.profile, handOf(session).place) : null;

/** What is left: values, and the presses that they and leaving take. */
export const leftOf = ({ turn, profile, left }: KeyingSession): { values: number; presses: number } => ({
	values: turn.steps.length,
	presses: left && isOperable(profile) ? turn.presses - strokePresses(profile, turn.leave) : turn.presses
});

/** What the display shows, and where, at the value on show: `now`, before a key of it, and `there`, once its way is gone. null where its panel is not described, where nobody knows, and now at rest: that is its normal display. */
export function displayAt(session: KeyingSession): {
	readonly now: Display | null;
	readonly there: Display | null;
} {
	const { profile } = session;
	const step = onShow(session);
	if (!isOperable(profile) || !step?.keys) return { now: null, there: null };
	const state = stateOf(profile, step.before);
	return {
		now: step.before.place && display(profile, state, 0),
		there: display(profile, follow(profile, state, step.keys.way), 0)
	};
}

/** All that a card wants of a control, value by value, whatever route leads there: to tick off a control that was keyed by the same card. */
export function wholePlan(profile: ControlProfile, { items, operated }: KeyCard): Goal[] {
	const standing = items.flatMap(({ goal }) => (goal.of === 'field' || goal.of === 'copy' ? [] : [goal]));
	const groups = operated.options.plain ? [] : groupingOf(profile, operated.options).groups;
	const week = operated.planned.flatMap((days, channel) =>
		days.length === 0
			? []
			: groups.flatMap((group) =>
					Object.entries(days[group[0]!] ?? {}).map(([key, position]): Goal => ({
						of: 'field',
						channel,
						day: group[0]!,
						all: false,
						key: position === null ? `${stepOfKey(key) + 1}/clear` : key,
						position
					}))
				)
	);
	return [...standing, ...week];
}
