import { z } from 'zod';
import { profileSchema, programSchema } from '../control';
import {
	localDateTime,
	MOST_ZONES,
	onSiteEditSchema,
	onSiteSchema,
	siteSchema,
	siteWeatherSchema,
	zoneSchema
} from '../plan';
import { LAYERS } from '../run';
import { roundSchema, visitSchema } from '../record';
import { MOST_KEYED } from '../keying';
import { shownText } from '../schema';
import { keyedSchema, MOST_KEYED_ID } from './jobFile';

/** A new site, by name alone. */
export const newSiteRequest = z.strictObject({
	name: siteSchema.shape.name,
	place: siteSchema.shape.place,
	timeZone: siteSchema.shape.timeZone,
	dates: siteSchema.shape.dates,
	clock: siteSchema.shape.clock
});

/** A zone to add to a site, copied from none. */
export const addZoneRequest = z.strictObject({
	zone: zoneSchema,
	after: z.string().max(36).nullable().default(null),
	/** A zone on whose control it hangs too, on a free channel; null: it has a control of its own. */
	beside: z.string().max(36).nullable().default(null)
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
export const endVisitRequest = visitSchema.pick({ who: true, note: true, signedOff: true }).extend({
	/** Given by the device that ends it, so that sending it twice ends it once. */
	id: z.uuid().optional(),
	after: onSiteRequest.shape.after
});

/** A customer's link: for how many days. */
export const linkRequest = z.strictObject({ days: z.int().min(1).max(1500) });

/** Values keyed at the control: what the display showed, or null to take the note back. */
export const keyedRequest = z.strictObject({
	changes: z
		.record(z.string().max(MOST_KEYED_ID), shownText(40).nullable())
		.refine(
			(changes) => Object.keys(changes).length <= MOST_KEYED,
			`names more values than one control can ask for (${MOST_KEYED})`
		)
});

/** The zones of a site in a new order. */
export const orderRequest = z.strictObject({ order: z.array(z.string().max(36)).max(400) });

/** What the stateless computations take: a zone as it stands in a job file, and its profile where that does not ship. */
export const computeRequest = z.strictObject({
	zone: zoneSchema.safeExtend({ keyed: keyedSchema.optional(), onSite: onSiteSchema.optional() }),
	profile: profileSchema.optional()
});

/** A zone at a place, for a question about what its control does there. Local times are the place's own. */
const runRequest = computeRequest.extend({
	timeZone: siteSchema.shape.timeZone,
	/** The room's temperature in °C, where what the control calls for is asked too. */
	roomC: z.number().min(-30).max(60).optional()
});

/** Years for which clock changes and dates are computed. */
const [FIRST_YEAR, LAST_YEAR] = [1970, 2200];
const inYears = (at: string) => {
	const year = Number(at.slice(0, 4));
	return year >= FIRST_YEAR && year <= LAST_YEAR;
};
const OUTSIDE = `lies outside the years ${FIRST_YEAR} to ${LAST_YEAR}`;
const nearDateTime = localDateTime.refine(inYears, OUTSIDE);

export const resolveRequest = runRequest.extend({ at: nearDateTime });

/** At most two years at once. */
export const timelineRequest = runRequest
	.extend({ from: nearDateTime, to: nearDateTime })
	.refine((request) => request.to > request.from, { path: ['to'], message: 'does not come after the start' })
	.refine((request) => Number(request.to.slice(0, 4)) - Number(request.from.slice(0, 4)) <= 2, {
		path: ['to'],
		message: 'lies more than two years ahead'
	});

export const clockRequest = runRequest.omit({ roomC: true }).extend({
	/** The instant for which the values are wanted, in ISO 8601; now where missing. */
	at: z.iso.datetime({ offset: true }).refine(inYears, OUTSIDE).optional(),
	/** Minutes without power whose cost is asked. */
	withoutPowerMinutes: z.int().min(0).max(1_000_000).default(60)
});

/** A zone whose room has been described, at a mean outdoor temperature of the day. */
export const roomRequest = computeRequest
	.extend({ outdoorC: z.number().min(-40).max(30).default(0) })
	.refine((request) => request.zone.room !== null, {
		path: ['zone', 'room'],
		message: 'is missing: without it nothing can be computed'
	});

const night = z.strictObject({
	beforeC: z.number(),
	setbackC: z.number(),
	minutes: z.int(),
	comfortC: z.number()
});

/** How long a room takes to warm: against outdoor temperature, and for each rise of its week at the one asked. Minutes; null: not reached. */
export const warmUpResponse = z.strictObject({
	night: night.nullable(),
	curve: z.array(
		z.strictObject({
			outdoorC: z.number(),
			minutes: z.int().nullable(),
			fromC: z.number(),
			highestC: z.number()
		})
	),
	halfHourDownTo: z.number().nullable(),
	rises: z.array(z.strictObject({ at: z.int(), minutes: z.int().nullable(), highestC: z.number() })),
	sentence: z.string()
});

const way = z.strictObject({
	kWhPerDay: z.number(),
	coldMinutes: z.int(),
	coldestC: z.number(),
	startsPerDay: z.number()
});

/** A week of a room under its program: hour by hour in °C, and what it costs against other ways. */
export const simulateResponse = z.strictObject({
	answer: z.string(),
	timeConstantHours: z.number(),
	/** 168 hours from Monday 00:00. */
	airC: z.array(z.number()),
	outdoorC: z.array(z.number()),
	ways: z.strictObject({ steady: way, programmed: way, frost: way }),
	overnightLowC: z.number().nullable(),
	regulation: z.array(z.strictObject({ setting: z.number(), swingK: z.number(), startsPerHour: z.number() })),
	floor: z.strictObject({ warmestC: z.number(), limitC: z.number() }).nullable(),
	frost: z.boolean()
});

const layer = z.enum(LAYERS);

/** What a control holds at a moment, what set it, until when, and why. Setpoints in °C, 0/1 on a switch, null where off. */
export const resolveResponse = z.strictObject({
	heatC: z.number().nullable(),
	coolC: z.number().nullable(),
	by: layer,
	sentence: z.string(),
	/** Local time at which something else holds; null where nothing changes within a fortnight. */
	until: z.string().nullable(),
	chain: z.array(z.strictObject({ layer, words: z.string(), rules: z.boolean() })),
	/** What its own clock shows where that is not the right time. */
	clock: z.string().nullable(),
	calls: z.enum(['heat', 'cool', 'none']).nullable()
});

export const timelineResponse = z.strictObject({
	spans: z.array(
		z.strictObject({
			from: z.iso.datetime(),
			to: z.iso.datetime(),
			heatC: z.number().nullable(),
			coolC: z.number().nullable(),
			by: layer,
			exception: z.string().nullable()
		})
	)
});

export const clockResponse = z.strictObject({
	/** What to key now, in the control's own clock format and day numbering. */
	time: z.string(),
	day: z.string(),
	date: z.string(),
	/** The place's summer-time rule, in sentences. */
	rule: z.array(z.string()),
	changes: z.array(
		z.strictObject({
			at: z.iso.datetime(),
			shiftMinutes: z.number(),
			byHand: z.boolean(),
			sentence: z.string()
		})
	),
	reserve: z.string(),
	afterPowerLoss: z.string()
});

const misfitSpan = z.strictObject({
	from: z.int(),
	to: z.int(),
	wantedC: z.number(),
	heldC: z.number(),
	/** True where it is the cooling setpoint that is off. */
	cooling: z.boolean()
});

const heldStep = z.strictObject({ at: z.int(), value: z.number() });

/** One grouping's best program and what it leaves undone. */
export const fitAnswer = z.strictObject({
	grouping: z.string(),
	name: z.string(),
	program: programSchema,
	held: z.array(heldStep),
	/** The held week of the cooling setpoint; null on a control that does not cool. */
	heldCool: z.array(heldStep).nullable(),
	coldKelvinMinutes: z.number(),
	warmKelvinMinutes: z.number(),
	coldMinutes: z.number(),
	warmMinutes: z.number(),
	weighted: z.number(),
	misfit: z.array(misfitSpan),
	valuesToKey: z.int(),
	lost: z.array(z.strictObject({ day: z.int(), from: z.int(), to: z.int(), wantedC: z.number() })),
	/** The share of its misfit by which another program could be better at most; 0 where it is proved the best. */
	couldGain: z.number().min(0).max(1),
	searched: z.strictObject({ candidateTimes: z.int(), setpoints: z.int() })
});

/** Every grouping that the control offers, and which one is taken. */
export const fitResponse = z.strictObject({
	chosen: z.string(),
	suggested: z.string(),
	/** Whether every program below is proved the best of its grouping. */
	optimal: z.boolean(),
	fits: z.array(fitAnswer)
});

const cardItem = z.strictObject({
	id: z.string(),
	section: z.string(),
	what: z.string(),
	shows: z.string(),
	unit: z.string(),
	aside: z.string(),
	before: z.string().nullable(),
	/** What the control shows there until then, where the route makes it certain. */
	from: z.string().nullable(),
	presses: z.int(),
	/** How it is set from there: a key so many times, or held; null where what is shown first is not known. */
	gesture: z
		.strictObject({ direction: z.enum(['up', 'down', 'none']), times: z.int(), held: z.boolean() })
		.nullable()
});

const keyCost = z.strictObject({ values: z.int(), presses: z.int(), minutes: z.number() });

/** The values to key, in order, by the cheapest route. */
export const keyInResponse = z.strictObject({
	grouping: z.string(),
	items: z.array(cardItem),
	enter: z.string(),
	leave: z.string(),
	timeoutSeconds: z.int().nullable(),
	confirm: z.string(),
	/** The route in a sentence: which day to type, copy and put right. */
	route: z.string(),
	/** What the route taken costs, and what typing every value would. */
	cost: z.strictObject({ route: keyCost, typed: keyCost })
});

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
			kind: z.enum(['clock', 'batteries', 'left-on', 'promised']),
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
			over: z.boolean()
		})
	)
});

export const keyedResponse = z.strictObject({
	keyed: keyedSchema,
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
