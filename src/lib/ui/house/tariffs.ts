import { HALF_HOURS, tariffSchema, type Tariff } from '$core/plan';
import { wrongWords } from '$core/schema';
import { timeMinute } from '$core/week';

/** Where a kind of tariff begins before its figures are said: nothing that passes for a price. */
export const BEGINS: Readonly<Record<Tariff['kind'], Tariff>> = {
	flat: { kind: 'flat', perKWh: 0 },
	'day-night': { kind: 'day-night', dayPerKWh: 0, nightPerKWh: 0, nightFrom: 1320, nightTo: 360 },
	'half-hours': { kind: 'half-hours', perKWh: Array.from({ length: HALF_HOURS }, () => 0) }
};

/** A tariff, or what is wrong with it in a sentence. */
export type ReadTariff =
	{ readonly ok: true; readonly tariff: Tariff } | { readonly ok: false; readonly problem: string };

function read(what: string, tariff: unknown): ReadTariff {
	const { success, data, error } = tariffSchema.safeParse(tariff);
	return success ? { ok: true, tariff: data } : { ok: false, problem: `${what} ${wrongWords(error)}.` };
}

/** A day and night tariff with another beginning or end of its night: "22:00". */
export function withNight(tariff: Tariff, end: 'nightFrom' | 'nightTo', clock: string): ReadTariff {
	return read('The end of the night', { ...tariff, [end]: timeMinute(clock) });
}

/** Prices from a spreadsheet: a number each, apart by tabs, semicolons, spaces or lines; a comma in a number is its decimal sign. */
export function readPrices(text: string): ReadTariff {
	const perKWh = text
		.split(/[\s;]+/)
		.filter(Boolean)
		.map((one) => Number(one.replace(',', '.')));
	return read('The prices', { kind: 'half-hours', perKWh });
}
