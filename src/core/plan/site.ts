import { z } from 'zod';
import { isTimeZone } from '../civil';
import { shortName, shortNote } from '../control';

/** A site as it stands above its zones. */
export const siteSchema = z.strictObject({
	name: shortName,
	place: z.string().trim().max(120, 'is longer than 120 characters').default(''),
	note: shortNote.default(''),
	/** The time zone of the place, by its name in the tz database. */
	timeZone: z.string().max(64).refine(isTimeZone, 'is no time zone that is known here').default('UTC')
});
export type Site = z.infer<typeof siteSchema>;

/** The most zones a site may have. */
export const MOST_ZONES = 200;
