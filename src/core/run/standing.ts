import { dateOfDay, localTime, transitionsBetween, wallAt } from '../civil';
import type { ControlProfile } from '../control';
import type { ClockReading, OnSite, Zone } from '../plan';

/** Beyond this a clock's error is to be mended (commissioning checks: off by over two minutes). */
const NOTICEABLE_SECONDS = 120;

/** A look within this of right shows that every change before it was made, in s: half the smallest shift there is. */
const RIGHT_HOUR_SECONDS = 900;

/** The last look after which a clock changed by hand was on the right hour: it was set then, or seen to be right. */
export function lastRight(readings: readonly ClockReading[]): ClockReading | undefined {
	return [...readings]
		.reverse()
		.find(
			(one) =>
				one.set || (!one.lost && one.daysAhead === 0 && Math.abs(one.errorSeconds) < RIGHT_HOUR_SECONDS)
		);
}

/** When a clock was last seen to be on the right hour, in ms since 1970; null for never. See {@link lastRight}. */
export function lastRightMs(readings: readonly ClockReading[]): number | null {
	const right = lastRight(readings);
	return right ? Date.parse(right.at) : null;
}

/**
 * Where one change of clocks stands at a clock that is changed by hand: made, where it was right after it; missed; still ahead; or
 * nobody knows, where it was never seen to be right. Times in ms since 1970.
 */
export function changeStands(
	rightMs: number | null,
	changeMs: number,
	nowMs: number
): 'made' | 'missed' | 'ahead' | 'unknown' {
	if (rightMs !== null && rightMs >= changeMs) return 'made';
	if (changeMs > nowMs) return 'ahead';
	return rightMs === null ? 'unknown' : 'missed';
}

/** Where a zone's clock stands. Dates are those of the site, `YYYY-MM-DD`. */
export type ClockFacts =
	| { readonly kind: 'no-clock' | 'unseen' | 'lost' | 'wrong-day' }
	/** A change of clocks on that date was not made on it. */
	| { readonly kind: 'left-behind'; readonly date: string }
	| { readonly kind: 'off'; readonly errorSeconds: number }
	| { readonly kind: 'set' | 'right'; readonly date: string };

/** Whether somebody must set the clock. */
export const clockIsWrong = (clock: ClockFacts): boolean =>
	clock.kind === 'lost' ||
	clock.kind === 'wrong-day' ||
	clock.kind === 'left-behind' ||
	(clock.kind === 'off' && Math.abs(clock.errorSeconds) > NOTICEABLE_SECONDS);

function dateAt(timeZone: string, ms: number): string {
	return dateOfDay(Math.floor(wallAt(timeZone, ms) / 1440));
}

/** Where a zone's clock stands: never checked, set on a day, so far off, or left behind by a clock change. */
export function clockFacts(
	zone: Pick<Zone, 'clockReadings'>,
	profile: ControlProfile,
	timeZone: string,
	nowMs: number
): ClockFacts {
	const { summerTime } = profile.habits.clock;
	if (summerTime === 'no-clock') return { kind: 'no-clock' };
	const last = zone.clockReadings.at(-1);
	if (!last) return { kind: 'unseen' };
	const right = lastRightMs(zone.clockReadings);
	if (summerTime === 'by-hand' && right !== null) {
		const missed = transitionsBetween(timeZone, right, nowMs).findLast(
			({ atMs }) => changeStands(right, atMs, nowMs) === 'missed'
		);
		if (missed) return { kind: 'left-behind', date: dateAt(timeZone, missed.atMs) };
	}
	if (last.lost && !last.set) return { kind: 'lost' };
	if (!last.set && last.daysAhead !== 0) return { kind: 'wrong-day' };
	if (!last.set && Math.abs(last.errorSeconds) >= 30) return { kind: 'off', errorSeconds: last.errorSeconds };
	return { kind: last.set ? 'set' : 'right', date: dateAt(timeZone, Date.parse(last.at)) };
}

/** Where a zone's departures from its week stand. Local times are those of the site, `YYYY-MM-DDTHH:MM`. */
export type AwayFacts =
	| { readonly kind: 'none' }
	/** Left on something that does not end by itself. */
	| { readonly kind: 'endless'; readonly what: 'hold' | 'manual' | 'off' }
	| { readonly kind: 'held'; readonly what: 'hold' | 'manual' | 'off'; readonly until: string }
	| { readonly kind: 'away'; readonly back: string }
	| { readonly kind: 'planned'; readonly leave: string }
	| { readonly kind: 'special-days'; readonly count: number };

/** Where a zone's departures from its week stand: away now or next, or left on something that does not end. */
export function awayFacts(zone: Pick<Zone, 'exceptions'>, timeZone: string, nowMs: number): AwayFacts {
	const now = localTime(wallAt(timeZone, nowMs));
	for (const one of zone.exceptions) {
		if ((one.kind === 'hold' || one.kind === 'manual' || one.kind === 'off') && one.from <= now)
			if (one.until === null || one.until > now)
				return one.until === null
					? { kind: 'endless', what: one.kind }
					: { kind: 'held', what: one.kind, until: one.until };
	}
	const next = zone.exceptions
		.filter((one) => one.kind === 'absence')
		.filter((one) => one.back > now)
		.sort((a, b) => (a.leave < b.leave ? -1 : 1))[0];
	if (next)
		return next.leave <= now ? { kind: 'away', back: next.back } : { kind: 'planned', leave: next.leave };
	const count = zone.exceptions.filter(
		(one) => one.kind === 'special-day' && one.date >= now.slice(0, 10)
	).length;
	return count > 0 ? { kind: 'special-days', count } : { kind: 'none' };
}

/** Whether a zone's control is switched off: left so on the last visit, or by an exception that is in force. */
export function isSwitchedOff(
	zone: Pick<Zone, 'exceptions'>,
	leftIn: OnSite['leftIn'],
	timeZone: string,
	nowMs: number
): boolean {
	const away = awayFacts(zone, timeZone, nowMs);
	return leftIn === 'off' || ((away.kind === 'endless' || away.kind === 'held') && away.what === 'off');
}
