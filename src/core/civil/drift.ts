import { offsetAt, transitionsBetween } from './offsets';

/** How far a clock was off when it was read, and when. */
export interface ClockError {
	readonly atMs: number;
	/** Seconds ahead of the right time; behind is negative. */
	readonly errorSeconds: number;
	/** Whether it was set right then. */
	readonly set: boolean;
}

const DAY_MS = 86_400_000;

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

/** A clock's drift: seconds gained a day, and the instant at which it will be five minutes off. */
export interface Drift {
	readonly secondsPerDay: number;
	/** Null where it does not drift, or is that far off already. */
	readonly worstAtMs: number | null;
}

/** A clock change explains an error that lies within this share of it, rather than drift. */
const EXPLAINED_SHARE = 0.25;
const YEAR_MS = 366 * DAY_MS;

/** Seconds by which clock changes can have moved a clock between two readings: a change missed, or one made up for later. */
function explainedSeconds(timeZone: string, fromMs: number, toMs: number, movedSeconds: number): number {
	const between = (offsetAt(timeZone, fromMs) - offsetAt(timeZone, toMs)) * 60;
	const shifts = transitionsBetween(timeZone, fromMs - YEAR_MS, toMs).map(
		(change) => (change.afterMinutes - change.beforeMinutes) * 60
	);
	return (
		[between, ...shifts].find(
			(seconds) => seconds !== 0 && Math.abs(movedSeconds - seconds) <= EXPLAINED_SHARE * Math.abs(seconds)
		) ?? 0
	);
}

/**
 * The drift between the last two readings of a clock; after one at which it was set it counts from right. What a clock
 * change explains, missed or made up for between the two, is no drift. Null with fewer than two readings, less than a day
 * apart, or an error above two hours, which is no drift but a wrong setting.
 */
export function driftOf(readings: readonly ClockError[], timeZone: string): Drift | null {
	const [before, last] = [...readings].sort((a, b) => a.atMs - b.atMs).slice(-2);
	if (!before || !last) return null;
	const days = (last.atMs - before.atMs) / DAY_MS;
	if (days < 1) return null;
	const from = before.set ? 0 : before.errorSeconds;
	if (Math.abs(from) > 7200 || Math.abs(last.errorSeconds) > 7200) return null;
	const moved = last.errorSeconds - from;
	const secondsPerDay = (moved - explainedSeconds(timeZone, before.atMs, last.atMs, moved)) / days;
	const now = last.set ? 0 : last.errorSeconds;
	const left = WORST_ERROR_SECONDS - Math.sign(secondsPerDay) * now;
	if (secondsPerDay === 0 || left <= 0) return { secondsPerDay, worstAtMs: null };
	return { secondsPerDay, worstAtMs: last.atMs + (left / Math.abs(secondsPerDay)) * DAY_MS };
}
