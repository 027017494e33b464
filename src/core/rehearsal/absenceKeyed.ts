import { dateOfDay, dayNumber } from '../civil';
import { awayPlaceAt } from '../control';
import { setpointAt } from '../machine';
import { endOfDays, firstShowing, shownAt, wallSegments, type Done } from '../run';
import { DAY_MINUTES } from '../week';
import type { World } from './world';

/** How far ahead an absence can end: a year and a month. */
const AHEAD_MS = 400 * 86_400_000;

/** The next day on or after `from` that has this month and day of the month (of a month that has no such day, its last). */
function nextDate(from: number, month: number, day: number): number {
	const year = Number(dateOfDay(from).slice(0, 4));
	for (const candidate of [year, year + 1]) {
		const first = dayNumber(`${candidate}-${String(month).padStart(2, '0')}-01`);
		const next =
			month === 12
				? dayNumber(`${candidate + 1}-01-01`)
				: dayNumber(`${candidate}-${String(month + 1).padStart(2, '0')}-01`);
		const at = Math.min(next - 1, first + day - 1);
		if (at >= from) return at;
	}
	return from;
}

/**
 * What an absence that was just set at its keys makes of a stand-in: in force from (without `fromMs` at once) and until,
 * by the control's own clock; its setpoint in °C, none where the control has no field for it. null where it is none.
 */
export function absenceKeyed({
	profile,
	machine,
	around,
	clock,
	atMs
}: World): (Pick<Done, 'setpointC' | 'toMs'> & Partial<Pick<Done, 'fromMs'>>) | null {
	const { holiday } = profile.habits;
	const { away, options } = machine.memory;
	const segments = wallSegments(around.timeZone, clock, atMs, atMs + AHEAD_MS);
	const nowWall = shownAt(segments[0]!, atMs);
	const today = Math.floor(nowWall / DAY_MINUTES);
	/** When its clock shows a minute, or is past it. */
	const whenShown = (wall: number) => {
		for (const segment of segments) {
			const ms = firstShowing(segment, wall);
			if (ms < segment.toMs) return ms;
		}
		return atMs + AHEAD_MS;
	};
	const date = (which: 'first' | 'last' | 'back', from: number) => {
		const [month, day] = [away[`${which}-month`], away[`${which}-day`]];
		return month === undefined || day === undefined ? null : nextDate(from, month, day);
	};
	const hasSetpoint = profile.panel.places[awayPlaceAt(profile.panel)]?.fields.includes('away-setpoint');
	const at = away['away-setpoint'];
	const figure = hasSetpoint && at !== undefined ? { setpointC: setpointAt(profile, options.unit, at) } : {};
	switch (holiday?.by) {
		case 'days': {
			const days = away['away-days'] ?? 0;
			return days === 0 ? null : { ...figure, toMs: whenShown(endOfDays(holiday, nowWall, days)) };
		}
		case 'return-date': {
			const back = date('back', today);
			if (back === null) return null;
			const minute = holiday.ends === 'time' ? (away['back-hour'] ?? 0) * 60 + (away['back-minute'] ?? 0) : 0;
			const wall = back * DAY_MINUTES + minute;
			return wall <= nowWall ? null : { ...figure, toMs: whenShown(wall) };
		}
		case 'periods': {
			const last = date('last', today);
			if (last === null) return null;
			// a first day that lies behind the last one has been
			const first = date('first', today) ?? today;
			const fromMs = first <= last && first > today ? { fromMs: whenShown(first * DAY_MINUTES) } : {};
			return { ...figure, ...fromMs, toMs: whenShown((last + 1) * DAY_MINUTES) };
		}
		default:
			return null;
	}
}
