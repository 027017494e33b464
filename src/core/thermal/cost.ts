import type { ControlProfile } from '../control';
import { priceOfHour, type Room, type Site, type Source, type Tariff, type Zone } from '../plan';
import { DAY_MINUTES, type WeekSteps } from '../week';
import { emitterClasses } from './classes';
import type { Permission } from './leads';
import { proofOf } from './proof';
import { designDay, DAILY_RANGE_K } from './weather';

const KELVIN = 273.15;

/** The return temperature at which a boiler's efficiency is stated, in °C: EN 15316-4-1, full load at 60/80 °C (from memory). */
const STATED_RETURN_C = 60;
/** By how much a condensing boiler gains for every kelvin of cooler return, as a share: EN 15316-4-1, 0.20 %/K (from memory). */
const GAIN_PER_K = 0.002;
/** Between these its return water lies, in °C: under 25 °C no condensing boiler gains more. */
const RETURN_RANGE_C = [25, 80] as const;

/**
 * The efficiency of a boiler (heat out over fuel in, 0…1.1 on the net calorific value) with its return water at a temperature in °C:
 * what is stated at 60 °C, and 0.2 % more for each kelvin under it (EN 15316-4-1, condensing; from memory).
 */
export function boilerEfficiency(stated: number, returnC: number): number {
	const [least, most] = RETURN_RANGE_C;
	return stated + GAIN_PER_K * (STATED_RETURN_C - Math.min(most, Math.max(least, returnC)));
}

/** The rating point of a heat pump: 7 °C outside, water at 35 °C (EN 14511, EN 14825). */
const RATED_OUTDOOR_C = 7;
const RATED_FLOW_C = 35;
/** A heat pump has to lift by so much at least, in K: under it the losses count, not the lift. */
const LEAST_LIFT_K = 15;

const carnot = (outdoorC: number, flowC: number) =>
	(flowC + KELVIN) / Math.max(LEAST_LIFT_K, flowC - outdoorC);

/**
 * The performance of an air-to-water heat pump (heat out over electricity in) at an outdoor and a flow temperature in °C: its share of what
 * Carnot allows is that of its rating point, 7 °C outside and 35 °C flow (the exergetic method of EN 15316-4-2, from memory). Never under 1.
 */
export function performanceAt(rated: number, outdoorC: number, flowC: number): number {
	const share = rated / carnot(RATED_OUTDOOR_C, RATED_FLOW_C);
	return Math.max(1, share * carnot(outdoorC, flowC));
}

/** The room at which an emitter is rated, in °C. */
const RATED_ROOM_C = 20;
/** By which power an emitter's output rises with its excess temperature: 1.3 for radiators (EN 442), 1.1 for heated floors (EN 1264). */
const exponentOf = (room: Room) => (room.emitter.kind === 'wet-floor' ? 1.1 : 1.3);

/** The flow temperature in °C that an emitter needs for a share (0…1) of its rated output, where `waterC` gives all of it. */
export function flowFor(share: number, waterC: number, exponent: number): number {
	return RATED_ROOM_C + (waterC - RATED_ROOM_C) * Math.min(1, Math.max(0, share)) ** (1 / exponent);
}

/** Between flow and return lie so many kelvin: 10 of a radiator, 5 of a floor (common practice). */
const spreadOf = (room: Room) => (room.emitter.kind === 'wet-floor' ? 5 : 10);

/** What the heat of a week or a year takes from its source, and what that costs. */
export interface HeatCost {
	/** Fuel, electricity or district heat, in kWh. */
	readonly inputKWh: number;
	/** In the site's currency; null without a tariff. */
	readonly money: number | null;
}

/** What makes a room's heat, as far as its cost goes. */
export interface CostGivens {
	/** Null where the room makes its own from electricity: a kilowatt-hour is a kilowatt-hour. */
	readonly source: Pick<Source, 'kind' | 'efficiency' | 'performance'> | null;
	readonly tariff: Tariff | null;
}

/**
 * What the heat of a week costs, hour by hour: `hoursKWh` is what a room takes in each hour from Monday 00:00, on days of a mean outdoor
 * temperature in °C; see {@link heatCost}.
 */
export function weekCost(
	hoursKWh: readonly number[],
	room: Room,
	outdoorC: number,
	givens: CostGivens
): HeatCost | null {
	const outdoor = designDay(outdoorC, DAILY_RANGE_K);
	return heatCost(hoursKWh, room, (hour) => outdoor((hour + 0.5) * 60), givens);
}

/**
 * What heat costs, hour by hour from a midnight on: `hoursKWh` is what a room takes in each, `outdoorC` the outdoor temperature of an hour in
 * °C. Null where the figures that its source needs are not given. A boiler works at its fixed flow; a heat pump follows what is asked of the
 * emitter in the hour, so that heat taken at once needs hotter water and more electricity than heat taken slowly.
 */
export function heatCost(
	hoursKWh: readonly number[],
	room: Room,
	outdoorC: (hour: number) => number,
	{ source, tariff }: CostGivens
): HeatCost | null {
	const { waterC } = room.emitter;
	const ratedKW = room.emitter.ratedW / 1000;
	const exponent = exponentOf(room);
	if (source?.kind === 'boiler' && source.efficiency === null) return null;
	if (source?.kind === 'heat-pump' && source.performance === null) return null;
	/** Heat out over energy in, in an hour. */
	const ratio = (kWh: number, hour: number): number => {
		if (source?.kind === 'boiler') return boilerEfficiency(source.efficiency!, waterC - spreadOf(room));
		if (source?.kind === 'heat-pump')
			return performanceAt(source.performance!, outdoorC(hour), flowFor(kWh / ratedKW, waterC, exponent));
		return source?.efficiency ?? 1;
	};
	let inputKWh = 0;
	let money = 0;
	const prices: number[] = [];
	hoursKWh.forEach((kWh, hour) => {
		if (kWh <= 0) return;
		const input = kWh / ratio(kWh, hour);
		inputKWh += input;
		if (!tariff) return;
		const hourOfDay = hour % (DAY_MINUTES / 60);
		money += input * (prices[hourOfDay] ??= priceOfHour(tariff, hourOfDay * 60));
	});
	return { inputKWh, money: tariff ? money : null };
}

/** What makes the heat of a zone and what that costs; null where it is not said: water whose source nobody named. */
export function costGivens(
	zone: Pick<Zone, 'fedBy'>,
	room: Room,
	site: Pick<Site, 'sources' | 'electricity'>
): CostGivens | null {
	const source = site.sources.find(({ id }) => id === zone.fedBy) ?? null;
	const byWater = emitterClasses[room.emitter.kind].water;
	// what is not heated by water makes its own, whatever else is said
	if (!byWater) return { source: null, tariff: site.electricity };
	if (!source) return null;
	return { source, tariff: source.tariff ?? (source.kind === 'heat-pump' ? site.electricity : null) };
}

/** The mean outdoor temperature of a cold week, in °C, for which a customer is told what heating costs. */
export const COLD_WEEK_C = 0;

/** What a week costs, in money. */
export interface WeekMoney {
	readonly programmed: number;
	readonly steady: number;
}

/** What a cold week of a room costs as it is set and at one temperature; null where the room or a price is not known. */
export function coldWeekMoney(
	zone: Zone,
	profile: ControlProfile,
	held: WeekSteps<number>,
	site: Pick<Site, 'sources' | 'electricity'>,
	permission: Permission
): WeekMoney | null {
	const { room } = zone;
	const givens = room && costGivens(zone, room, site);
	if (!room || !givens?.tariff) return null;
	const { ways } = proofOf(zone, room, profile, held, COLD_WEEK_C, permission);
	const money = (way: 'programmed' | 'steady') =>
		weekCost(ways[way].hoursKWh, room, COLD_WEEK_C, givens)?.money ?? null;
	const [programmed, steady] = [money('programmed'), money('steady')];
	return programmed === null || steady === null ? null : { programmed, steady };
}
