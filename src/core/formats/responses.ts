import { callSchema, CAUSE_KINDS } from '../callback';
import { z } from 'zod';
import { profileSchema } from '../control';
import { onSiteSchema, siteWeatherSchema, zoneSchema } from '../plan';
import { roundSchema, visitSchema } from '../record';
import { notesSchema } from '../keying';
import { keyedBeforeSchema } from './jobFile';

/** What every refusal looks like. */
export const problemResponse = z.strictObject({
	error: z.strictObject({ path: z.string(), sentence: z.string() })
});

/** Another after every change of a site. */
export const markResponse = z.strictObject({ mark: z.string() });

/** A site in the list. */
export const listedSite = z.strictObject({
	id: z.string(),
	name: z.string(),
	place: z.string(),
	updatedAt: z.string(),
	deletedAt: z.string().nullable(),
	zones: z.int(),
	zonesKeyed: z.int(),
	valuesLeft: z.int(),
	zonesMisfit: z.int(),
	/** When the first thing of a visit not yet ended was noted. */
	visitOpenSince: z.string().nullable()
});

export const listResponse = z.strictObject({ jobs: z.array(listedSite) });
/** What was made; `note` says what was decided in making it, where something was. */
export const createdResponse = z.strictObject({ id: z.string(), note: z.string().nullable().default(null) });
/** Several made at once, in the order in which they were sent. */
export const createdManyResponse = z.strictObject({ ids: z.array(z.string()) });

/** A site's year of weather. */
export const weatherResponse = z.strictObject({ weather: siteWeatherSchema.nullable() });
export const savedResponse = z.strictObject({ revision: z.int() });
/** What is noted now, and what two people noted differently. */
export const onSiteResponse = z.strictObject({
	onSite: onSiteSchema,
	conflicts: z.array(z.strictObject({ key: z.string(), theirs: z.unknown(), mine: z.unknown() })),
	/** When it stood so, in ms since 1970. */
	nowMs: z.number()
});

/** Somebody has ended the visit meanwhile: who and when, and what the next one comes after. */
export const endedResponse = z.strictObject({
	error: z.strictObject({ path: z.string(), sentence: z.string() }),
	ended: z.strictObject({ id: z.string(), at: z.iso.datetime(), who: z.string(), signedOff: z.boolean() })
});

/** A site's visits, oldest first. */
export const visitsResponse = z.strictObject({
	visits: z.array(z.strictObject({ id: z.string(), visit: visitSchema }))
});

/** A customer's link, once: the token is not kept. */
export const linkResponse = z.strictObject({ path: z.string(), id: z.string(), endsAt: z.iso.datetime() });

/** The pictures of a site's visits, without their pixels. */
export const picturesResponse = z.strictObject({
	pictures: z.array(
		z.strictObject({
			id: z.string(),
			zoneName: z.string(),
			visitAt: z.iso.datetime().nullable(),
			caption: z.string(),
			width: z.int(),
			height: z.int(),
			takenAt: z.iso.datetime()
		})
	)
});

/** A round over the sites whose clocks are changed by hand on a date, and what is planned of it. */
export const roundResponse = roundSchema.extend({
	on: z.iso.date(),
	sites: z.array(
		z.strictObject({
			siteId: z.string(),
			siteName: z.string(),
			place: z.string(),
			shiftMinutes: z.number(),
			clocks: z.array(
				z.strictObject({ zoneId: z.string(), name: z.string(), how: z.string(), set: z.boolean() })
			)
		})
	)
});

/** What is due on all sites, soonest first. */
export const dueResponse = z.strictObject({
	due: z.array(
		z.strictObject({
			on: z.iso.date(),
			kind: z.enum(['clock', 'batteries', 'left-on', 'absence', 'by-hand', 'week-card', 'promised']),
			sentence: z.string(),
			zoneId: z.string(),
			zoneName: z.string(),
			late: z.boolean(),
			siteId: z.string(),
			siteName: z.string(),
			place: z.string()
		})
	)
});

/** What a search found. */
export const searchResponse = z.strictObject({
	found: z.array(
		z.strictObject({
			kind: z.enum(['site', 'zone', 'visit']),
			siteId: z.string(),
			siteName: z.string(),
			zoneId: z.string().nullable(),
			title: z.string(),
			detail: z.string()
		})
	)
});

/** A site's links. */
export const linksResponse = z.strictObject({
	links: z.array(
		z.strictObject({
			id: z.string(),
			createdAt: z.iso.datetime(),
			endsAt: z.iso.datetime(),
			revoked: z.boolean(),
			over: z.boolean(),
			dwelling: z.string()
		})
	)
});

/** What is noted at a control after notes were taken. */
export const notesResponse = z.strictObject({
	notes: notesSchema.nullable(),
	/** When it stood so, in ms since 1970. */
	nowMs: z.number()
});

/** What the version before hears back: what it sent. */
export const keyedResponse = z.strictObject({
	keyed: keyedBeforeSchema,
	/** When it stood so, in ms since 1970. */
	nowMs: z.number()
});
export const conflictResponse = z.strictObject({
	error: z.strictObject({ path: z.string(), sentence: z.string() }),
	current: z.strictObject({ revision: z.int(), zone: zoneSchema })
});

/** A zone as it is seen, with what belongs to its control in it, and the other zones of that control. */
export const zoneResponse = z.strictObject({
	revision: z.int(),
	zone: zoneSchema,
	beside: z.array(z.strictObject({ id: z.string(), name: z.string(), channel: z.int() }))
});

/** The control profiles of this installation: its own, then those shipped. */
export const controlsResponse = z.strictObject({
	controls: z.array(
		z.strictObject({
			id: z.string(),
			name: z.string(),
			own: z.boolean(),
			revision: z.int().nullable(),
			profile: profileSchema
		})
	)
});
export const controlConflictResponse = z.strictObject({
	error: z.strictObject({ path: z.string(), sentence: z.string() }),
	current: z.strictObject({ revision: z.int(), profile: profileSchema })
});
/** How many zones took up the present version of a control. */
export const takenUpResponse = z.strictObject({ sites: z.int(), zones: z.int() });

const storedCall = z.strictObject({
	id: z.string(),
	siteId: z.string(),
	/** null for the whole house. */
	zoneId: z.string().nullable(),
	at: z.iso.datetime(),
	/** Said by a customer by their link. */
	byCustomer: z.boolean(),
	/** null while nobody of the firm has taken it. */
	takenAt: z.iso.datetime().nullable(),
	closedAt: z.iso.datetime().nullable(),
	revision: z.int(),
	call: callSchema
});

/** The calls of a site, the latest first. */
export const callsResponse = z.strictObject({ calls: z.array(storedCall) });

/** Calls that are open on all sites, the latest first, and what closed ones turned out to be. */
export const openCallsResponse = z.strictObject({
	open: z.array(storedCall.extend({ siteName: z.string() })),
	/** From when on closed calls are counted; null: all of them. */
	since: z.iso.datetime().nullable(),
	counts: z.partialRecord(z.enum(CAUSE_KINDS), z.int())
});
