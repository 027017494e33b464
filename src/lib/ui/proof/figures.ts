import { temperatureWords, type TemperatureUnit } from '$core/control';
import type { Proof } from '$core/thermal';
import { DAY_SHORT, duration } from '$core/week';

/** Five-minute slots of a day. */
const A_DAY = 288;

/** The drawn week day by day, in figures: name, coldest, warmest, minutes heated. */
export function dayFigures(
	{ governs, days }: Pick<Proof, 'governs' | 'days'>,
	unit: TemperatureUnit
): string[][] {
	const governed = governs === 'floor' ? days.floor! : days.air;
	return DAY_SHORT.map((name, day) => {
		const part = (all: readonly number[]) => all.slice(day * A_DAY, (day + 1) * A_DAY);
		return [
			name,
			temperatureWords(unit, Math.min(...part(governed))),
			temperatureWords(unit, Math.max(...part(governed))),
			duration(part(days.heating).reduce((sum, share) => sum + share * 5, 0))
		];
	});
}

/** The three ways to run a room, in figures. */
export function wayFigures({ ways }: Pick<Proof, 'ways'>, unit: TemperatureUnit) {
	const rows = [
		['One temperature', ways.steady],
		['The program', ways.programmed],
		['Frost level between', ways.frost]
	] as const;
	return rows.map(([name, way]) => [
		name,
		`${way.kWhPerDay.toFixed(1)} kWh`,
		{ text: `${duration(way.coldMinutes)} a week`, bad: way.coldMinutes > 0 },
		temperatureWords(unit, way.coldestC),
		String(Math.round(way.startsPerDay))
	]);
}
