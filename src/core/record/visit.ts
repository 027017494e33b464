import { z } from 'zod';
import { oneLine } from '../schema';
import { shortName, shortNote } from '../control';
import { onSiteSchema, zoneSchema } from '../plan';

/** What a check said when a visit was signed off, and the reason with which it was overruled. */
const signedCheckSchema = z.strictObject({
	id: z.string().max(40),
	severity: z.enum(['stop', 'look', 'note']),
	sentence: z.string().max(400),
	reason: z.string().max(400).nullable()
});

/** A zone as a visit left it. */
export const leftZoneSchema = z.strictObject({
	id: z.string().max(40),
	zone: zoneSchema,
	onSite: onSiteSchema,
	/** How many values were keyed, of how many. */
	done: z.int().min(0),
	of: z.int().min(0),
	checks: z.array(signedCheckSchema).max(60)
});
export type LeftZone = z.infer<typeof leftZoneSchema>;

/** A visit to a site: how everything was left, so that years later it can be known, compared and put back. */
export const visitSchema = z.strictObject({
	/** The instant of its end, in ISO 8601 with offset Z. */
	at: z.iso.datetime(),
	who: shortName,
	note: shortNote.default(''),
	/** Whether it was signed off; else it was kept as it stood. */
	signedOff: z.boolean(),
	zones: z.array(leftZoneSchema).max(200)
});
export type Visit = z.infer<typeof visitSchema>;

/** The largest picture that is taken with a visit, in bytes. */
export const LARGEST_PICTURE = 8_000_000;
/** How many pictures a visit keeps at most. */
export const MOST_PICTURES = 60;

/** What is said of a picture that is sent. */
export const pictureAboutSchema = z.strictObject({
	/** Given by the device that took it, so that sending it twice keeps it once. */
	id: z.uuid().optional(),
	/** The zone it shows; empty for the site. */
	zone: oneLine(80).default(''),
	caption: shortNote.default(''),
	/** The visit that the device knows as the last one that ended; empty for none, absent where it does not matter. */
	after: z.string().max(36).optional(),
	/** How long ago it was taken, in ms by the device's own clock; a week at most. */
	agoMs: z.coerce.number().min(0).max(604_800_000).optional()
});
