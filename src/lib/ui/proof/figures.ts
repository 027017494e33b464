import { temperatureWords, type TemperatureUnit } from '$core/control';
import type { Proof, HeatCost } from '$core/thermal';
import { moneyWords, type CostWords } from '$core/words';
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

/** What heat takes and costs: "41.5 kWh, €4.98"; over a year in whole kWh. */
export function costFigure({ inputKWh, money }: HeatCost, currency: string): string {
	const kWh = `${inputKWh >= 200 ? Math.round(inputKWh) : inputKWh.toFixed(1)} kWh`;
	return money === null ? kWh : `${kWh}, ${moneyWords(money, currency)}`;
}

/** The three ways to run a room, in figures. */
export function wayFigures(
	{ ways }: Pick<Proof, 'ways'>,
	unit: TemperatureUnit,
	cost: CostWords | null = null,
	currency = 'EUR'
) {
	const rows = [
		['One temperature', 'steady'],
		['The program', 'programmed'],
		['Frost level between', 'frost']
	] as const;
	const named = rows.map(
		([name, id]) => [name, ways[id], cost && costFigure(cost.costs[id], currency)] as const
	);
	return named.map(([name, way, costs]) => [
		name,
		`${way.kWhPerDay.toFixed(1)} kWh`,
		...(costs === null ? [] : [costs]),
		{ text: `${duration(way.coldMinutes)} a week`, bad: way.coldMinutes > 0 },
		temperatureWords(unit, way.coldestC),
		String(Math.round(way.startsPerDay))
	]);
}
