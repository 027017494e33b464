import { z } from 'zod';
import { shortName } from '../control';

/** Hours of a year without a leap day. */
export const YEAR_HOURS = 8760;

/** A year of outdoor temperatures at a site, hour by hour from 1 January: tenths of a °C in one line of text. */
export const siteWeatherSchema = z.strictObject({
	name: shortName,
	tenthsC: z
		.string()
		.max(60_000)
		.refine((text) => {
			const hours = text.split(' ');
			return hours.length === YEAR_HOURS && hours.every((hour) => /^-?\d{1,3}$/.test(hour));
		}, `must be ${YEAR_HOURS} whole numbers, tenths of a °C, parted by single spaces`)
});
export type SiteWeather = z.infer<typeof siteWeatherSchema>;

/** The hours of a year's weather in °C. */
export function weatherHours(weather: SiteWeather): number[] {
	return weather.tenthsC.split(' ').map((tenths) => Number(tenths) / 10);
}

/** A year of hours in °C as it is kept, to a tenth. */
export function keptWeather(name: string, hoursC: readonly number[]): SiteWeather {
	return { name, tenthsC: hoursC.map((c) => Math.round(c * 10)).join(' ') };
}
