import { z } from 'zod';
import { CAUSE_KINDS, factsSchema, QUESTION_IDS } from '../callback';
import { profileSchema, programSchema, shortNote } from '../control';
import { localDateTime, onSiteSchema, siteSchema, zoneSchema } from '../plan';
import { LAYERS } from '../run';
import { notesSchema } from '../keying';

/** What the stateless computations take: a zone as it stands in a job file, and its profile where that does not ship. */
export const computeRequest = z.strictObject({
	zone: zoneSchema.safeExtend({ notes: notesSchema.nullish(), onSite: onSiteSchema.optional() }),
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
	/** What the route taken costs, and what plain order, the fewest presses and typing every value would. */
	cost: z.strictObject({ route: keyCost, plain: keyCost, fewest: keyCost, typed: keyCost })
});

/** A household that calls: its zone, what was said and answered, and what lets the heat come. */
export const callbackRequest = computeRequest.extend({
	facts: factsSchema,
	/** Said in plain words: taken for facts as far as it is understood. */
	said: shortNote.default(''),
	/** Questions to which nobody could say anything. */
	passed: z.array(z.enum(QUESTION_IDS)).max(20).default([]),
	/** Outside on the days that were spoken of, in °C. */
	outdoorC: z.number().min(-40).max(40).default(5),
	/** Minutes by which a clock that is changed by hand, and was not, is ahead. */
	missedChangeMinutes: z.int().min(-720).max(720).default(0),
	/** When what feeds the zone is let run, as a week of 0 and 1; null where nothing holds it back. */
	fed: z
		.array(z.strictObject({ at: z.int().min(0).max(10_079), on: z.boolean() }))
		.max(400)
		.nullable()
		.default(null),
	/** What earlier calls turned out to be, by kind. */
	counts: z.partialRecord(z.enum(CAUSE_KINDS), z.int().min(0).max(100_000)).default({})
});

const ofCause = z.strictObject({
	kind: z.enum(CAUSE_KINDS),
	/** Minutes by which a clock is ahead, days by which a weekday is, the day that was not keyed, up or down; else 0. */
	figure: z.number(),
	words: z.string()
});

/** What may be the matter, likeliest first; what to ask next; and what to do about the first. */
export const callbackResponse = z.strictObject({
	facts: factsSchema,
	causes: z.array(
		ofCause.extend({
			share: z.number(),
			explains: z.string(),
			priorShare: z.number(),
			explainsEach: z.array(z.number())
		})
	),
	/** Two at once, where no one thing explains all. */
	pair: z.strictObject({ causes: z.array(ofCause), odds: z.number() }).nullable(),
	next: z
		.strictObject({
			question: z.enum(QUESTION_IDS),
			words: z.string(),
			gainBits: z.number(),
			answers: z.array(
				z.strictObject({ answer: z.string(), words: z.string(), share: z.number(), likeliest: ofCause })
			)
		})
		.nullable(),
	mend: z.string()
});

/** What may be asked to be computed, by the name of the operation: what it takes, and what it gives. */
export const COMPUTED = {
	fit: { takes: computeRequest, gives: fitResponse },
	keyIn: { takes: computeRequest, gives: keyInResponse },
	resolve: { takes: resolveRequest, gives: resolveResponse },
	timeline: { takes: timelineRequest, gives: timelineResponse },
	clock: { takes: clockRequest, gives: clockResponse },
	warmUp: { takes: roomRequest, gives: warmUpResponse },
	simulate: { takes: roomRequest, gives: simulateResponse },
	callback: { takes: callbackRequest, gives: callbackResponse }
} as const;
export type Computed = keyof typeof COMPUTED;
