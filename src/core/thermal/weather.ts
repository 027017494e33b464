import { DAY_MINUTES, WEEK_MINUTES } from '../week';

/** Outdoor temperature by minute of a time that begins at midnight, in °C. */
export type Outdoor = (minute: number) => number;

/**
 * Share of the daily range by which each hour lies under the day's highest: 1 at 05:00, 0 at 15:00
 * (ASHRAE Fundamentals, fraction of daily range, from memory). Index 0 is 01:00.
 */
export const DAILY_FRACTIONS = [
	0.88, 0.92, 0.95, 0.98, 1, 0.98, 0.91, 0.74, 0.55, 0.38, 0.23, 0.13, 0.05, 0, 0, 0.06, 0.14, 0.24, 0.39,
	0.5, 0.59, 0.68, 0.75, 0.82
] as const;

const MEAN_FRACTION = DAILY_FRACTIONS.reduce<number>((sum, x) => sum + x, 0) / 24;

/** Daily range of the outdoor temperature that a proof is made with, in K: a winter's day, common practice. */
export const DAILY_RANGE_K = 6;

/** A design day over and over: its mean and daily range in °C and K, straight lines between the hours. */
export function designDay(meanC: number, rangeK: number): Outdoor {
	const high = meanC + MEAN_FRACTION * rangeK;
	const at = (hour: number) => DAILY_FRACTIONS[(hour + 23) % 24]!;
	return (minute) => {
		const inDay = ((minute % DAY_MINUTES) + DAY_MINUTES) % DAY_MINUTES;
		const hour = Math.floor(inDay / 60);
		const part = (inDay - hour * 60) / 60;
		return high - rangeK * (at(hour) * (1 - part) + at(hour + 1) * part);
	};
}

/** A week of the same design day with the usual daily range, by minute from midnight, in °C. */
export function outdoorWeek(meanC: number): Float64Array {
	const day = designDay(meanC, DAILY_RANGE_K);
	const one = Float64Array.from({ length: DAY_MINUTES }, (_, minute) => day(minute));
	const week = new Float64Array(WEEK_MINUTES);
	for (let at = 0; at < WEEK_MINUTES; at += DAY_MINUTES) week.set(one, at);
	return week;
}

/** The same temperature throughout. */
export function steadyOutdoor(outdoorC: number): Outdoor {
	return () => outdoorC;
}

/** Outdoor temperatures hour by hour, held over each hour; past the last the first again. */
export function hourly(temperaturesC: readonly number[]): Outdoor {
	const n = temperaturesC.length;
	return (minute) => temperaturesC[Math.floor(minute / 60) % n]!;
}

/**
 * A year of hours that was invented, not measured: a cool maritime place, mean 9.5 °C, with seasons, days and spells
 * of weather a few days long. The same every time. 8760 values in °C.
 */
export function inventedYear(): number[] {
	let seed = 20_261;
	const random = () => {
		seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) | 0;
		return (seed >>> 0) / 4_294_967_296 - 0.5;
	};
	let spell = 0;
	return Array.from({ length: 8760 }, (_, hour) => {
		if (hour % 6 === 0) spell = 0.93 * spell + 3.2 * random();
		const season = -8 * Math.cos((2 * Math.PI * (hour / 24 - 20)) / 365);
		const range = 5.5 - 2 * Math.cos((2 * Math.PI * (hour / 24 - 20)) / 365);
		const day = range * (MEAN_FRACTION - DAILY_FRACTIONS[(hour + 23) % 24]!);
		return Math.round((9.5 + season + day + spell) * 10) / 10;
	});
}
