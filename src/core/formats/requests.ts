import { callSchema } from '../callback';
import { z } from 'zod';
import { profileSchema } from '../control';
import { MOST_VALUES, noteSchema } from '../keying';
import { MOST_ZONES, onSiteEditSchema, siteSchema, zoneSchema } from '../plan';
import { visitSchema } from '../record';
import { shownText, stampSchema } from '../schema';

/** A new site, by name alone. */
export const newSiteRequest = z.strictObject({
	name: siteSchema.shape.name,
	place: siteSchema.shape.place,
	timeZone: siteSchema.shape.timeZone,
	dates: siteSchema.shape.dates,
	clock: siteSchema.shape.clock,
	occupants: siteSchema.shape.occupants
});

/** A zone to add to a site, copied from none. */
export const addZoneRequest = z.strictObject({
	zone: zoneSchema,
	after: z.string().max(36).nullable().default(null),
	/** A zone on whose control it hangs too, on a free channel; null: it has a control of its own. */
	beside: z.string().max(36).nullable().default(null)
});

/** Several zones to add to a site, or none; those with one number hang on one control, on a channel each. */
export const addZonesRequest = z.strictObject({
	zones: z
		.array(
			z.strictObject({
				zone: zoneSchema,
				hangsOn: z
					.int()
					.min(0)
					.max(MOST_ZONES - 1)
			})
		)
		.min(1)
		.max(MOST_ZONES)
});

/** The control that a zone is to hang on: that of another zone, on a free channel there, or (null) one of its own. */
export const hangZoneRequest = z.strictObject({
	beside: z.string().max(36).nullable(),
	channel: z.int().min(0).max(3).default(0)
});

/** A zone to save, with the revision that the window last saw. */
export const saveZoneRequest = z.strictObject({ revision: z.int().min(1), zone: zoneSchema });

/** Several zones of one site to save together or not at all, each with the revision last seen. */
export const applyZonesRequest = z.strictObject({
	changes: z
		.array(z.strictObject({ id: z.string().max(36), revision: z.int().min(1), zone: zoneSchema }))
		.min(1)
		.max(MOST_ZONES)
});

/** A control profile to save, with the revision that the window last saw. */
export const saveControlRequest = z.strictObject({ revision: z.int().min(1), profile: profileSchema });

/** Fields found or done at a control. */
export const onSiteRequest = z.strictObject({
	edits: z.array(onSiteEditSchema).min(1).max(200),
	/** The visit that the device knows as the last one that ended; null for none, absent where it does not matter. */
	after: z.string().max(36).nullable().optional()
});

/** The end of a visit. */
export const endVisitRequest = visitSchema
	.pick({ who: true, note: true, signedOff: true, dwelling: true })
	.extend({
		/** Given by the device that ends it, so that sending it twice ends it once. */
		id: z.uuid().optional(),
		after: onSiteRequest.shape.after
	});

/** A customer's link: for how many days. */
export const linkRequest = z.strictObject({
	days: z.int().min(1).max(1500),
	/** The dwelling whose pages it shows; empty: the house itself. */
	dwelling: zoneSchema.shape.dwelling
});

/** What was done at a control, in its order. */
export const notesRequest = z.strictObject({ notes: z.array(noteSchema).min(1).max(400) });

/** Values keyed as the version before sent them: what the display showed, or null to take the note back. */
export const keyedRequest = z.strictObject({
	changes: z
		.record(z.string().max(160), shownText(40).nullable())
		.refine(
			(changes) => Object.keys(changes).length <= MOST_VALUES,
			`names more values than one control can ask for (${MOST_VALUES})`
		),
	/** By which browser it was sent, and as which of its requests. */
	sent: stampSchema.omit({ atMs: true }).optional()
});

/** The zones of a site in a new order. */
export const orderRequest = z.strictObject({ order: z.array(z.string().max(36)).max(400) });

/** A call to be kept, about a zone or (null) the whole house. */
export const addCallRequest = z.strictObject({ zoneId: z.string().max(36).nullable(), call: callSchema });

/** A call as it is to stand, on the revision that its person knew. */
export const saveCallRequest = z.strictObject({
	revision: z.int().min(1),
	zoneId: z.string().max(36).nullable().optional(),
	call: callSchema
});

export { reportSchema as reportRequest } from '../callback';
