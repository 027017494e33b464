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

/** A visit to a site, or to one of its dwellings: how everything was left, so that years later it can be known, compared and put back. */
export const visitSchema = z.strictObject({
	/** The instant of its end, in ISO 8601 with offset Z. */
	at: z.iso.datetime(),
	who: shortName,
	note: shortNote.default(''),
	/** Whether it was signed off; else it was kept as it stood. */
	signedOff: z.boolean(),
	/** The dwelling that was signed off by itself while the visit went on elsewhere; null for a visit to the whole site, which it ended. */
	dwelling: oneLine(80).nullable().default(null),
	zones: z.array(leftZoneSchema).max(200)
});
export type Visit = z.infer<typeof visitSchema>;

/** Whether a visit left how a dwelling stands: one to the whole site did, and one to itself. */
export const leftDwelling = (visit: Pick<Visit, 'dwelling'>, dwelling: string | null): boolean =>
	visit.dwelling === null || visit.dwelling === dwelling;

/** What a visit is held against: the last one before it that left what it left, with the same dwelling's zones alone; undefined for none. */
export function visitBefore<V extends { readonly visit: Visit }>(
	visits: readonly V[],
	one: V
): V | undefined {
	const { dwelling } = one.visit;
	const before = visits.slice(0, visits.indexOf(one)).findLast(({ visit }) => leftDwelling(visit, dwelling));
	return before && { ...before, visit: onlyOf(before.visit, dwelling) };
}

/** A visit with the zones of one dwelling alone; whole for null. */
export const onlyOf = (visit: Visit, dwelling: string | null): Visit =>
	dwelling === null
		? visit
		: { ...visit, zones: visit.zones.filter(({ zone }) => zone.dwelling === dwelling) };

/** The last visit to the whole site: what devices know a visit by, and what a site was left as. */
export const lastWhole = <V extends { readonly visit: Visit }>(visits: readonly V[]): V | undefined =>
	visits.findLast(({ visit }) => visit.dwelling === null);

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
