import { z } from 'zod';
import { shortName, slug } from '../control';
import { tariffSchema } from './tariff';

export const SOURCE_KINDS = ['boiler', 'heat-pump', 'district'] as const;

/** What makes the heat for zones that do not make their own: a boiler, a heat pump, district heat. */
export const sourceSchema = z.strictObject({
	/** What zones name it by. */
	id: slug,
	name: shortName,
	kind: z.enum(SOURCE_KINDS),
	/** Heat out over fuel in, of a boiler with 60 °C return water, or of a district's station; null where it is not known. */
	efficiency: z.number().min(0.3).max(1.1).nullable().default(null),
	/** Heat out over electricity in, of a heat pump at 7 °C outside and 35 °C flow; null where it is not known. */
	performance: z.number().min(1).max(8).nullable().default(null),
	/**
	 * How long it takes to heat the cylinder, in minutes, where it heats the water first and its rooms wait meanwhile; null where it
	 * does both at once, or heats no water.
	 */
	waterFirstMinutes: z.int().min(5).max(240).nullable().default(null),
	/** What its fuel, electricity or heat costs; null where it is not known. */
	tariff: tariffSchema.nullable().default(null)
});
export type Source = z.infer<typeof sourceSchema>;

/** The most sources a site may have. */
export const MOST_SOURCES = 12;
