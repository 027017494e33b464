import { z } from 'zod';
import { shortName, shortNote } from '../control';

/** A site as it stands above its zones. */
export const siteSchema = z.strictObject({
	name: shortName,
	place: z.string().trim().max(120, 'is longer than 120 characters').default(''),
	note: shortNote.default('')
});
export type Site = z.infer<typeof siteSchema>;

/** The most zones a site may have. */
export const MOST_ZONES = 200;
