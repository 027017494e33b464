import { z } from 'zod';
import { shortName, slug } from '../control';

export const SOURCE_KINDS = ['boiler', 'heat-pump', 'district'] as const;

/** What makes the heat for zones that do not make their own: a boiler, a heat pump, district heat. */
export const sourceSchema = z.strictObject({
	/** What zones name it by. */
	id: slug,
	name: shortName,
	kind: z.enum(SOURCE_KINDS)
});
export type Source = z.infer<typeof sourceSchema>;

/** The most sources a site may have. */
export const MOST_SOURCES = 12;
