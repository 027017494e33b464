import { dateOfDay, localTime, transitionsBetween, wallAt } from '../civil';
import { allowedOptions, type ControlProfile, localWords } from '../control';
import type { ClockReading, Zone } from '../plan';
import { spanWords } from '../week';

/** Where one side of a zone's work stands, in a few words. */
export interface Standing {
	/** What it is: by this a page decides, never by the words. */
	readonly kind: 'none' | 'fine' | 'wrong' | 'now' | 'planned';
	readonly words: string;
	/** Whether a person is needed. */
	readonly bad: boolean;
}

/** Beyond this a clock's error is to be mended (commissioning checks: off by over two minutes). */
const NOTICEABLE_SECONDS = 120;

/** How far ahead or behind a clock is, in words: `3 min behind`, `1 h 02 ahead`. */
export function errorWords(errorSeconds: number): string {
	const size = Math.abs(errorSeconds);
	const side = errorSeconds > 0 ? 'ahead' : 'behind';
	if (size < 30) return 'right';
	if (size < 90) return `1 min ${side}`;
	return `${spanWords(Math.round(size / 60))} ${side}`;
}

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

/** Where a zone's clock stands: never looked at, set on a day, so far off, or left behind by a clock change. */
export function clockStanding(
	zone: Zone,
	profile: ControlProfile,
	timeZone: string,
	nowMs: number
): Standing {
	const { summerTime } = profile.habits.clock;
	if (summerTime === 'no-clock') return { kind: 'none', words: 'has none', bad: false };
	const options = allowedOptions(profile, zone.options);
	const last = zone.clockReadings.at(-1);
	if (!last) return { kind: 'none', words: 'not looked at', bad: false };
	const at = Date.parse(last.at);
	const right = lastRight(zone.clockReadings);
	if (summerTime === 'by-hand' && right) {
		const missed = transitionsBetween(timeZone, Date.parse(right.at), nowMs).at(-1);
		if (missed)
			return {
				kind: 'wrong',
				words: `not changed since ${localWords(dateAt(timeZone, missed.atMs), options)}`,
				bad: true
			};
	}
	if (last.lost && !last.set) return { kind: 'wrong', words: 'lost its time', bad: true };
	if (!last.set && last.daysAhead !== 0) return { kind: 'wrong', words: 'wrong day', bad: true };
	if (!last.set && Math.abs(last.errorSeconds) >= 30)
		return {
			kind: 'wrong',
			words: errorWords(last.errorSeconds),
			bad: Math.abs(last.errorSeconds) > NOTICEABLE_SECONDS
		};
	return {
		kind: 'fine',
		words: `${last.set ? 'set' : 'right on'} ${localWords(dateAt(timeZone, at), options)}`,
		bad: false
	};
}

function dateAt(timeZone: string, ms: number): string {
	return dateOfDay(Math.floor(wallAt(timeZone, ms) / 1440));
}

/** Where a zone's departures from its week stand: away now or next, or left on something that does not end. */
export function awayStanding(
	zone: Pick<Zone, 'options' | 'exceptions'>,
	profile: ControlProfile,
	timeZone: string,
	nowMs: number
): Standing {
	const options = allowedOptions(profile, zone.options);
	const now = localTime(wallAt(timeZone, nowMs));
	for (const one of zone.exceptions) {
		if ((one.kind === 'hold' || one.kind === 'manual' || one.kind === 'off') && one.from <= now)
			if (one.until === null || one.until > now)
				return {
					kind: one.until === null ? 'wrong' : 'now',
					words:
						one.until === null
							? one.kind === 'off'
								? 'off, with no end'
								: `on ${one.kind}, with no end`
							: `${one.kind} until ${localWords(one.until, options)}`,
					bad: one.until === null
				};
	}
	const absences = zone.exceptions
		.filter((one) => one.kind === 'absence')
		.filter((one) => one.back > now)
		.sort((a, b) => (a.leave < b.leave ? -1 : 1));
	const next = absences[0];
	if (next)
		return next.leave <= now
			? { kind: 'now', words: `away until ${localWords(next.back, options)}`, bad: false }
			: { kind: 'planned', words: `from ${localWords(next.leave, options)}`, bad: false };
	const special = zone.exceptions.filter(
		(one) => one.kind === 'special-day' && one.date >= now.slice(0, 10)
	).length;
	return special > 0
		? { kind: 'now', words: special === 1 ? '1 special day' : `${special} special days`, bad: false }
		: { kind: 'none', words: '–', bad: false };
}
