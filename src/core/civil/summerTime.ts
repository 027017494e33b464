import { Temporal } from 'temporal-polyfill';
import { transitionsBetween, type Transition } from './offsets';

/** When a change of clocks comes, as a plant clock wants it keyed. */
export interface RuleSide {
	/** Which of the month: 1 to 4, or the last. */
	readonly ordinal: 1 | 2 | 3 | 4 | 'last';
	/** 0 = Monday. */
	readonly weekday: number;
	/** 1 to 12. */
	readonly month: number;
	/** What the clock shows when it is changed, in minutes from midnight. */
	readonly localMinute: number;
}

/**
 * A zone's summer time as derived from the tz database for a year and those after it: none; one rule
 * for both changes; or changes that follow no such rule, to be taken by their dates.
 */
export type SummerTime =
	| { readonly kind: 'none' }
	| {
			readonly kind: 'rule';
			/** To summer time (forward), and back. */
			readonly forward: RuleSide;
			readonly back: RuleSide;
			readonly shiftMinutes: number;
	  }
	| { readonly kind: 'irregular' };

/** So many years are looked at: enough that a last Sunday falls on a fourth and on a fifth one. */
const YEARS = 12;

const startOf = (year: number) =>
	Temporal.ZonedDateTime.from({ year, month: 1, day: 1, timeZone: 'UTC' }).epochMilliseconds;

function shownBefore(change: Transition): Temporal.PlainDateTime {
	return Temporal.Instant.fromEpochMilliseconds(change.atMs + change.beforeMinutes * 60_000)
		.toZonedDateTimeISO('UTC')
		.toPlainDateTime();
}

function sideOf(changes: readonly Transition[]): RuleSide | null {
	const shown = changes.map(shownBefore);
	const one = <T>(values: readonly T[]) => (values.every((value) => value === values[0]) ? values[0]! : null);
	const weekday = one(shown.map((at) => at.dayOfWeek - 1));
	const month = one(shown.map((at) => at.month));
	const localMinute = one(shown.map((at) => at.hour * 60 + at.minute));
	const nth = one(shown.map((at) => Math.ceil(at.day / 7)));
	const last = shown.every((at) => at.day + 7 > at.daysInMonth);
	if (weekday === null || month === null || localMinute === null || (nth === null && !last)) return null;
	return { ordinal: nth !== null && nth < 5 ? (nth as 1 | 2 | 3 | 4) : 'last', weekday, month, localMinute };
}

/** The summer-time rule of a zone from a year on, held against {@link YEARS} years of the tz database. */
export function summerTimeFrom(timeZone: string, year: number): SummerTime {
	const changes = transitionsBetween(timeZone, startOf(year), startOf(year + YEARS));
	if (changes.length === 0) return { kind: 'none' };
	const forward = changes.filter((change) => change.afterMinutes > change.beforeMinutes);
	const back = changes.filter((change) => change.afterMinutes < change.beforeMinutes);
	const shift = (change: Transition) => Math.abs(change.afterMinutes - change.beforeMinutes);
	const shiftMinutes = shift(changes[0]!);
	if (
		forward.length !== YEARS ||
		back.length !== YEARS ||
		changes.some((change) => shift(change) !== shiftMinutes)
	)
		return { kind: 'irregular' };
	const sides = [sideOf(forward), sideOf(back)];
	return sides[0] && sides[1]
		? { kind: 'rule', forward: sides[0], back: sides[1], shiftMinutes }
		: { kind: 'irregular' };
}

const ORDINALS = { 1: 'first', 2: 'second', 3: 'third', 4: 'fourth', last: 'last' } as const;
const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
const MONTHS = 'January February March April May June July August September October November December'.split(
	' '
);

/** A rule's side as it is keyed and said: `last Sunday of March at 02:00`. `clock` puts minutes of the day into the control's format. */
export function ruleWords(side: RuleSide, clock: (minute: number) => string): string {
	return `${ORDINALS[side.ordinal]} ${WEEKDAYS[side.weekday]} of ${MONTHS[side.month - 1]} at ${clock(side.localMinute)}`;
}
