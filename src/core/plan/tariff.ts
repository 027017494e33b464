import { z } from 'zod';
import { DAY_MINUTES } from '../week';

const price = z.number().min(0).max(1000);
const clock = z
	.int()
	.min(0)
	.max(DAY_MINUTES - 1);

/** Half-hours of a day. */
export const HALF_HOURS = 48;

/** What a kilowatt-hour costs over the day, in the site's currency. */
export const tariffSchema = z.discriminatedUnion('kind', [
	z.strictObject({ kind: z.literal('flat'), perKWh: price }),
	z
		.strictObject({
			kind: z.literal('day-night'),
			dayPerKWh: price,
			nightPerKWh: price,
			/** Minutes of the day from which and until which it is night, over midnight where the second is smaller. */
			nightFrom: clock,
			nightTo: clock
		})
		.refine(({ nightFrom, nightTo }) => nightFrom !== nightTo, {
			path: ['nightTo'],
			message: 'is the minute at which the night begins: it must end at another'
		}),
	z.strictObject({
		kind: z.literal('half-hours'),
		/** From midnight on, a price for each half-hour. */
		perKWh: z.array(price).length(HALF_HOURS, 'must be 48 prices, one for each half-hour of the day')
	})
]);
export type Tariff = z.infer<typeof tariffSchema>;

/** The price of a kilowatt-hour at a minute of the day (0 to 1439). */
export function priceAt(tariff: Tariff, minuteOfDay: number): number {
	switch (tariff.kind) {
		case 'flat':
			return tariff.perKWh;
		case 'day-night': {
			const { nightFrom, nightTo, dayPerKWh, nightPerKWh } = tariff;
			const night =
				nightFrom < nightTo
					? minuteOfDay >= nightFrom && minuteOfDay < nightTo
					: minuteOfDay >= nightFrom || minuteOfDay < nightTo;
			return night ? nightPerKWh : dayPerKWh;
		}
		case 'half-hours':
			return tariff.perKWh[Math.floor(minuteOfDay / 30)]!;
	}
}

/** The mean price of a kilowatt-hour over an hour from a minute of the day on, minute by minute: an hour in which the price changes at a quarter past costs a quarter of the one and three of the other. */
export function priceOfHour(tariff: Tariff, fromMinute: number): number {
	if (tariff.kind === 'flat') return tariff.perKWh;
	let sum = 0;
	for (let minute = fromMinute; minute < fromMinute + 60; minute++)
		sum += priceAt(tariff, minute % DAY_MINUTES);
	return sum / 60;
}
