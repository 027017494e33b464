import { fromUnit, type ControlProfile } from '../control';
import { unitOf, wantedWeek, withWanted, type Zone } from '../plan';
import { buildWeek, DAY_MINUTES, valueAt, WEEK_MINUTES } from '../week';
import type { SaidWeek } from './week';

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

/**
 * A zone with a week as it was said: its warmest level in the hours that were told, the level that rules longest of the others in between,
 * their degrees where they were named and its control can be set to them. A day of which nothing was said stays as it is.
 */
export function withSaidWeek(zone: Zone, profile: ControlProfile, said: SaidWeek): Zone {
	const ranked = [...zone.levels].sort((a, b) => b.setpointC - a.setpointC);
	const warm = ranked[0]!;
	const before = wantedWeek(zone);
	const minutes = Array.from({ length: WEEK_MINUTES }, (_, minute) => valueAt(before, minute));
	const longest = ranked
		.slice(1)
		.map((level) => ({ level, minutes: minutes.filter((id) => id === level.id).length }))
		.sort((a, b) => b.minutes - a.minutes)[0];
	const low = longest && longest.minutes > 0 ? longest.level : (ranked[1] ?? warm);
	said.days.forEach((spans, day) => {
		if (spans) minutes.fill(low.id, day * DAY_MINUTES, (day + 1) * DAY_MINUTES);
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
