import { fromUnit, type ControlProfile } from '../control';
import { isUndrawn, unitOf, wantedWeek, withWanted, type Zone } from '../plan';
import { buildWeek, DAY_MINUTES, splitByDay, valueAt, WEEK_MINUTES, type Span } from '../week';
import type { SaidWeek, WarmSpan } from './week';

/** Degrees as they were said, in °C; null where the control cannot be set to them. */
function setpointSaid(zone: Zone, profile: ControlProfile, figure: number): number | null {
	const c = fromUnit(unitOf(zone, profile), figure);
	const range = profile.temperature;
	return range && c >= range.minC && c <= range.maxC ? c : null;
}

/** Degrees that were said and that the control of a zone cannot be set to, as they were said. */
export const refusedFigures = (zone: Zone, profile: ControlProfile, { comfort, eco }: SaidWeek): number[] =>
	[comfort, eco].filter(
		(figure): figure is number => figure !== null && setpointSaid(zone, profile, figure) === null
	);

/** What runs past midnight and ends before this minute belongs to the evening before. */
const MORNING = 360;

/** Until which minute of a day it is warm from the evening before; 0 where it is not. */
function eveningBefore(days: readonly (readonly Span<string>[])[], day: number, warm: string): number {
	const first = days[day]![0]!;
	const last = days[(day + 6) % 7]!.at(-1)!;
	return first.value === warm && last.value === warm && first.to < MORNING ? first.to : 0;
}

/** The levels of a zone, warmest first, and the one that rules longest below the warmest. */
function levelsOf(zone: Zone) {
	const ranked = [...zone.levels].sort((a, b) => b.setpointC - a.setpointC);
	const warm = ranked[0]!;
	const spans = splitByDay(wantedWeek(zone)).flat();
	const longest = ranked
		.slice(1)
		.map((level) => ({
			level,
			minutes: spans.reduce((sum, { from, to, value }) => sum + (value === level.id ? to - from : 0), 0)
		}))
		.sort((a, b) => b.minutes - a.minutes)[0];
	return { warm, low: longest && longest.minutes > 0 ? longest.level : (ranked[1] ?? warm) };
}

/** The warm hours of the week that is drawn for a zone, Monday first; null for a day that holds more than warm and low, and for a week that nobody drew. */
export function drawnHours(zone: Zone, profile: ControlProfile): (WarmSpan[] | null)[] | null {
	if (isUndrawn(zone, profile)) return null;
	const { warm, low } = levelsOf(zone);
	const days = splitByDay(wantedWeek(zone));
	return days.map((spans, day) => {
		if (spans.some(({ value }) => value !== warm.id && value !== low.id)) return null;
		const past = eveningBefore(days, (day + 1) % 7, warm.id);
		const early = eveningBefore(days, day, warm.id);
		return spans.flatMap(({ from, to, value }) =>
			value !== warm.id || to <= early ? [] : [{ from, to: to === DAY_MINUTES ? to + past : to }]
		);
	});
}

/**
 * A zone with a week as it was said: its warmest level in the hours that were told, the level that rules longest of the others in between,
 * their degrees where they were named and its control can be set to them. A day of which nothing was said stays as it is.
 */
export function withSaidWeek(zone: Zone, profile: ControlProfile, said: SaidWeek): Zone {
	const { warm, low } = levelsOf(zone);
	const before = wantedWeek(zone);
	const days = splitByDay(before);
	const minutes = Array.from({ length: WEEK_MINUTES }, (_, minute) => valueAt(before, minute));
	said.days.forEach((spans, day) => {
		if (!spans) return;
		// of a day before of which nothing was said what runs past its midnight stays too
		const from = said.days[(day + 6) % 7] ? 0 : eveningBefore(days, day, warm.id);
		minutes.fill(low.id, day * DAY_MINUTES + from, (day + 1) * DAY_MINUTES);
	});
	said.days.forEach((spans, day) =>
		spans?.forEach(({ from, to }) => {
			for (let minute = from; minute < to; minute++)
				minutes[(day * DAY_MINUTES + minute + WEEK_MINUTES) % WEEK_MINUTES] = warm.id;
		})
	);
	const steps = minutes.flatMap((value, at) =>
		at === 0 || minutes[at - 1] !== value ? [{ at, value }] : []
	);
	const figures = new Map([
		[warm.id, said.comfort],
		[low.id, said.eco]
	]);
	const levels = zone.levels.map((level) => {
		const figure = figures.get(level.id) ?? null;
		const c = figure === null ? null : setpointSaid(zone, profile, figure);
		return c === null ? level : { ...level, setpointC: c };
	});
	return withWanted({ ...zone, levels }, buildWeek(steps));
}
