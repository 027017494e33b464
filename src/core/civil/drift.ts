import { DAY_MINUTES, WEEK_DAYS } from '../week';
import { DAY_MS } from './spans';
import { weekdayOfDay, type WallMinute } from './wallClock';
import { transitionsBetween } from './offsets';

/** How far a clock was off when it was read, and when. */
export interface ClockError {
	readonly atMs: number;
	/** Seconds ahead of the right time; behind is negative. */
	readonly errorSeconds: number;
	/** Whether it was set right then. */
	readonly set: boolean;
}

/** The error beyond which a program is noticeably late: five minutes. */
export const WORST_ERROR_SECONDS = 300;

/**
 * How far ahead a clock is that shows `shownMinute` when a right one would show `rightMinute` (wall or
 * day minutes): minutes between −720 and +720, the nearer way round the clock.
 */
export function minutesAhead(shownMinute: number, rightMinute: number): number {
	const ahead = (((shownMinute - rightMinute) % 1440) + 1440) % 1440;
	return ahead > 720 ? ahead - 1440 : ahead;
}

/**
 * How far a clock is ahead that shows a day (0 = Monday; null: not looked at) and a minute of it at a moment of the wall: minutes between
 * −720 and +720, and days from 0 to 6. Near midnight a clock that is ahead shows tomorrow rightly.
 */
export function clockAhead(
	shownDay: number | null,
	shownMinute: number,
	wall: WallMinute
): { readonly minutes: number; readonly days: number } {
	const day = Math.floor(wall / DAY_MINUTES);
	const right = wall - day * DAY_MINUTES;
	const minutes = minutesAhead(shownMinute, right);
	const shownToday = weekdayOfDay(day + Math.floor((right + minutes) / DAY_MINUTES));
	return { minutes, days: shownDay === null ? 0 : (shownDay - shownToday + WEEK_DAYS) % WEEK_DAYS };
}

/** A clock's drift: seconds gained a day, and the instant at which it will be five minutes off. */
export interface Drift {
	readonly secondsPerDay: number;
	/** Null where it does not drift, or is that far off already. */
	readonly worstAtMs: number | null;
}

/** More than this a quartz clock hardly gains or loses, in seconds a day: common practice. */
const PLAUSIBLE_SECONDS_A_DAY = 10;
/** A clock change explains what moved where it leaves less than this share of it as drift. */
const EXPLAINED_SHARE = 0.25;
const YEAR_MS = 366 * DAY_MS;

/**
 * Seconds by which changes of clocks that a hand should have made have moved a clock between two readings: some of them missed, or one that was
 * missed before made up for. A clock that changes by itself has none, unless no drift could move it so far.
 */
function explainedSeconds(timeZone: string, before: ClockError, last: ClockError, follows: boolean): number {
	const from = before.set ? 0 : before.errorSeconds;
	const moved = last.errorSeconds - from;
	const seconds = (fromMs: number, toMs: number) =>
		transitionsBetween(timeZone, fromMs, toMs).map(
			(change) => (change.afterMinutes - change.beforeMinutes) * 60
		);
	// a missed change leaves the clock off by it the other way
	const missed = seconds(before.atMs, last.atMs).map((shift) => -shift);
	const made = seconds(before.atMs - YEAR_MS, before.atMs).filter(
		(shift) => Math.abs(from + shift) <= EXPLAINED_SHARE * Math.abs(shift)
	);
	const all = missed.reduce((a, b) => a + b, 0);
	const best = [...missed, ...made, all].reduce(
		(a, b) => (Math.abs(moved - b) < Math.abs(moved - a) ? b : a),
		0
	);
	const isDrift = Math.abs(moved) <= ((last.atMs - before.atMs) / DAY_MS) * PLAUSIBLE_SECONDS_A_DAY;
	if (!isDrift) return best;
	return !follows && Math.abs(moved - best) <= EXPLAINED_SHARE * Math.abs(moved) ? best : 0;
}

/**
 * The drift between the last two readings of a clock; after one at which it was set it counts from right. What a clock
 * change explains, missed or made up for between the two, is no drift; `follows` says that it changes without a hand. Null with fewer than two readings, less than a day
 * apart, or an error above two hours, which is no drift but a wrong setting.
 */
export function driftOf(readings: readonly ClockError[], timeZone: string, follows = false): Drift | null {
	const [before, last] = [...readings].sort((a, b) => a.atMs - b.atMs).slice(-2);
	if (!before || !last) return null;
	const days = (last.atMs - before.atMs) / DAY_MS;
	if (days < 1) return null;
	const from = before.set ? 0 : before.errorSeconds;
	if (Math.abs(from) > 7200 || Math.abs(last.errorSeconds) > 7200) return null;
	const moved = last.errorSeconds - from;
	const secondsPerDay = (moved - explainedSeconds(timeZone, before, last, follows)) / days;
	const now = last.set ? 0 : last.errorSeconds;
	const left = WORST_ERROR_SECONDS - Math.sign(secondsPerDay) * now;
	if (secondsPerDay === 0 || left <= 0) return { secondsPerDay, worstAtMs: null };
	return { secondsPerDay, worstAtMs: last.atMs + (left / Math.abs(secondsPerDay)) * DAY_MS };
}
