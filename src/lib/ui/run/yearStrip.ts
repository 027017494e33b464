import { dateOfDay, dayNumber, instantOf, transitionsBetween, wallAt } from '$core/civil';
import type { ControlProfile } from '$core/control';
import type { Zone } from '$core/plan';
import { absenceSpan } from '$core/run';
import { DAY_MINUTES, timeMinute } from '$core/week';

/** Something on a year strip, from and to in days since its beginning (fractions count). */
export interface StripSpan {
	readonly from: number;
	readonly to: number;
	/** away: planned absence; stays: ends by a hand alone; special: a date with a day of its own. */
	readonly kind: 'away' | 'stays' | 'special';
	readonly words: string;
}

export interface StripRow {
	readonly id: string;
	readonly name: string;
	readonly href: string | null;
	readonly spans: readonly StripSpan[];
}

/** A strip of a year from the first of a month. */
export interface Strip {
	readonly firstDay: number;
	readonly days: number;
	readonly months: readonly { readonly at: number; readonly name: string }[];
	readonly changes: readonly { readonly at: number; readonly words: string }[];
	readonly today: number;
}

const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ');

/** The year ahead of an instant at a place, beginning with the first of its month. */
export function yearAhead(timeZone: string, nowMs: number): Strip {
	const nowWall = wallAt(timeZone, nowMs);
	const today = dateOfDay(Math.floor(nowWall / DAY_MINUTES));
	const [year, month] = today.split('-').map(Number) as [number, number];
	const firstOf = (n: number) => {
		const index = month - 1 + n;
		return `${year + Math.floor(index / 12)}-${String((index % 12) + 1).padStart(2, '0')}-01`;
	};
	const firstDay = dayNumber(firstOf(0));
	const months = Array.from({ length: 13 }, (_, n) => ({
		at: dayNumber(firstOf(n)) - firstDay,
		name: MONTHS[(month - 1 + n) % 12]!
	}));
	const days = dayNumber(firstOf(13)) - firstDay;
	const midnight = (day: number) => instantOf(timeZone, day * DAY_MINUTES);
	const changes = transitionsBetween(timeZone, midnight(firstDay), midnight(firstDay + days)).map(
		(change) => ({
			at: wallAt(timeZone, change.atMs) / DAY_MINUTES - firstDay,
			words: `${dateOfDay(Math.floor(wallAt(timeZone, change.atMs) / DAY_MINUTES))
				.slice(8)
				.replace(/^0/, '')} ${
				MONTHS[Number(dateOfDay(Math.floor(wallAt(timeZone, change.atMs) / DAY_MINUTES)).slice(5, 7)) - 1]
			}, clocks ${change.afterMinutes > change.beforeMinutes ? 'forward' : 'back'}`
		})
	);
	return { firstDay, days, months, changes, today: nowWall / DAY_MINUTES - firstDay };
}

/** A zone's row on a strip: what its control really holds of its absences, its special days, what was left on. */
export function stripRow(
	zone: Zone,
	profile: ControlProfile,
	strip: Strip,
	id: string,
	href: string | null
): StripRow {
	const place = (local: string) => {
		const [date, time = '00:00'] = local.split('T') as [string, string?];
		return dayNumber(date) + timeMinute(time) / DAY_MINUTES - strip.firstDay;
	};
	const spans: StripSpan[] = [];
	for (const one of zone.exceptions)
		switch (one.kind) {
			case 'absence': {
				const { fromWall, toWall } = absenceSpan(profile, one);
				spans.push({
					from: fromWall / DAY_MINUTES - strip.firstDay,
					to: (toWall ?? 0) > 0 ? toWall! / DAY_MINUTES - strip.firstDay : place(one.back),
					kind: 'away',
					words: one.note || 'away'
				});
				break;
			}
			case 'special-day':
				spans.push({
					from: place(one.date),
					to: place(one.date) + 1,
					kind: 'special',
					words: one.note || 'special day'
				});
				break;
			case 'hold':
			case 'manual':
			case 'off':
				spans.push({
					from: place(one.from),
					to: one.until ? place(one.until) : strip.days,
					kind: 'stays',
					words: one.kind
				});
		}
	return {
		id,
		name: zone.name,
		href,
		spans: spans.filter((span) => span.to > 0 && span.from < strip.days)
	};
}
