import { z } from 'zod';
import { differenceWords, shortNote, temperatureWords, type TemperatureUnit } from '../control';
import { capital, wrongWords, oneLine, someLines, stampSchema } from '../schema';
import { OCCUPANT_WORDS, OCCUPANTS } from './occupants';
import { clockReadingSchema, MOST_READINGS, type ClockReading } from './settings';

/** What a sensor should not stand in. */
export const SENSOR_TROUBLES = ['sun', 'draught', 'above-emitter', 'covered'] as const;
/** What a control was left in. */
export const LEFT_IN = ['automatic', 'manual', 'off', 'hold', 'boost', 'holiday'] as const;
/** The steps of a functional test, in their order. */
export const TEST_STEPS = ['raise', 'call', 'warm', 'lower', 'ends', 'automatic'] as const;
export type TestStep = (typeof TEST_STEPS)[number];

const temperature = z.number().min(-30).max(90);
const instant = z.iso.datetime();

/**
 * What was found and done at a control: noted field by field on site, apart from the plan, so that two devices and a
 * lost connection do not get in each other's way. Null: not noted.
 */
export const onSiteSchema = z.strictObject({
	/** Survey. */
	controlPlace: z.enum(['in-room', 'other-room', 'outside-bathroom']).nullable().default(null),
	sensorHeightM: z.number().min(0).max(6).nullable().default(null),
	sensorTroubles: z.array(z.enum(SENSOR_TROUBLES)).max(4).default([]),
	occupants: z.array(z.enum(OCCUPANTS)).max(OCCUPANTS.length).default([]),
	/** As it was found. */
	foundIn: z.enum(LEFT_IN).nullable().default(null),
	foundNote: shortNote.default(''),
	/** Settings. */
	frostOn: z.boolean().nullable().default(null),
	/** The control's own reading beside a reference thermometer, in °C. */
	offsetReadings: z
		.array(z.strictObject({ controlC: temperature, thermometerC: temperature }))
		.max(20)
		.default([]),
	/** The offset keyed at the control, in K. */
	offsetSetK: z.number().min(-10).max(10).nullable().default(null),
	paired: z.boolean().nullable().default(null),
	batteriesOn: z.iso.date().nullable().default(null),
	/** How long they are expected to last. */
	batteryMonths: z.int().min(1).max(120).default(24),
	/** The hot-water store as measured, in °C. */
	storeC: temperature.nullable().default(null),
	/** Room, floor and supply as measured on the visit, in °C. */
	roomC: temperature.nullable().default(null),
	floorC: temperature.nullable().default(null),
	supplyC: temperature.nullable().default(null),
	/** Functional test: each step with its instant, whether it was seen, and a reading where there was one. */
	test: z
		.array(
			z.strictObject({
				step: z.enum(TEST_STEPS),
				at: instant,
				seen: z.boolean(),
				readingC: temperature.nullable().default(null)
			})
		)
		.max(TEST_STEPS.length)
		.default([]),
	/** Looks at its clock, noted on site; joined to those of the zone. */
	clockReadings: z.array(clockReadingSchema).max(MOST_READINGS).default([]),
	/** Lock. */
	lockWanted: z.boolean().default(false),
	lockSet: z.boolean().nullable().default(null),
	lockCode: oneLine(20).default(''),
	lockCodeIsFactory: z.boolean().nullable().default(null),
	/** Hand-over. */
	leftIn: z.enum(LEFT_IN).nullable().default(null),
	customerTold: z.boolean().default(false),
	/** A promise to come again: what for, and by when. */
	promised: shortNote.default(''),
	promisedBy: z.iso.date().nullable().default(null),
	/** Checks that stop the sign-off, let pass with a written reason. */
	overruled: z
		.array(
			z.strictObject({
				check: z.string().min(1).max(40),
				reason: someLines(400).refine(
					(text) => text.length >= 8,
					'must be a reason of at least eight letters'
				),
				at: instant
			})
		)
		.max(60)
		.default([])
});
export type OnSite = z.infer<typeof onSiteSchema>;
export type OnSiteKey = keyof OnSite;

/** What of it tells when somebody must come; see {@link zoneNoticeSchema}. */
export const onSiteNoticeSchema = z.object({
	clockReadings: onSiteSchema.shape.clockReadings,
	batteriesOn: onSiteSchema.shape.batteriesOn,
	batteryMonths: onSiteSchema.shape.batteryMonths,
	leftIn: onSiteSchema.shape.leftIn,
	promised: onSiteSchema.shape.promised,
	promisedBy: onSiteSchema.shape.promisedBy
});
export type OnSiteNotice = z.infer<typeof onSiteNoticeSchema>;

/** Nothing noted yet. */
export const nothingNoted: OnSite = onSiteSchema.parse({});

/** The fields that belong to one visit: begun anew with the next. What holds until it is changed (survey, offset, batteries, lock) stays. */
export const VISIT_FIELDS = [
	'foundIn',
	'foundNote',
	'offsetReadings',
	'roomC',
	'floorC',
	'supplyC',
	'storeC',
	'test',
	'leftIn',
	'overruled'
] as const satisfies readonly OnSiteKey[];

/** What is noted with nothing of one visit in it; what holds until it is changed stays. */
export const visitBegun = (onSite: OnSite): OnSite => ({
	...onSite,
	...Object.fromEntries(VISIT_FIELDS.map((key) => [key, nothingNoted[key]]))
});

/** What a control can be in, as an installer says it. */
export const LEFT_WORDS: Readonly<Record<(typeof LEFT_IN)[number], string>> = {
	automatic: 'automatic',
	manual: 'manual',
	off: 'off',
	hold: 'hold',
	boost: 'boost',
	holiday: 'holiday'
};
export const PLACE_WORDS = {
	'in-room': 'in its room',
	'other-room': 'in another room',
	'outside-bathroom': 'outside the bathroom'
} as const;
export const TROUBLE_WORDS: Readonly<Record<(typeof SENSOR_TROUBLES)[number], string>> = {
	sun: 'in the sun',
	draught: 'in a draught',
	'above-emitter': 'above the emitter',
	covered: 'covered'
};
/** What is done at each step of the functional test, as it stands in a sentence. */
export const TEST_WORDS: Readonly<Record<TestStep, string>> = {
	raise: 'turning it up',
	call: 'the call for heat',
	warm: 'the emitter warming',
	lower: 'turning it down',
	ends: 'the end of the call',
	automatic: 'the return to automatic'
};

/** What each field is called, as it begins or stands in a sentence. */
export const ON_SITE_WORDS: Readonly<Record<OnSiteKey, string>> = {
	controlPlace: 'where the control is fitted',
	sensorHeightM: 'the height of the sensor',
	sensorTroubles: 'what the sensor stands in',
	occupants: 'who is in this room',
	foundIn: 'what it was found in',
	foundNote: 'what it showed',
	frostOn: 'frost protection',
	offsetReadings: 'the readings beside a thermometer',
	offsetSetK: 'the offset',
	paired: 'the pairing',
	batteriesOn: 'the date of its batteries',
	batteryMonths: 'how long batteries last',
	storeC: 'the cylinder',
	roomC: 'the room',
	floorC: 'the floor',
	supplyC: 'the supply',
	test: 'the functional test',
	clockReadings: 'the looks at its clock',
	lockWanted: 'whether a lock is wanted',
	lockSet: 'whether it is locked',
	lockCode: 'the lock code',
	lockCodeIsFactory: 'whose lock code it is',
	leftIn: 'what it is left in',
	customerTold: 'whether the customer was told',
	promised: 'the promise',
	promisedBy: 'the date of the promise',
	overruled: 'what was accepted'
};

/** A noted value of a field in a word or two, temperatures in the zone's unit; "not noted" for none. */
export function onSiteValueWords(key: OnSiteKey, value: unknown, unit: TemperatureUnit): string {
	if (value === null || value === undefined || value === '') return 'not recorded';
	if (value === true) return 'yes';
	if (value === false) return 'no';
	const named = (words: Readonly<Record<string, string>>) => (one: unknown) =>
		words[String(one)] ?? String(one);
	switch (key) {
		case 'storeC':
		case 'roomC':
		case 'floorC':
		case 'supplyC':
			return temperatureWords(unit, Number(value));
		case 'offsetSetK':
			return differenceWords(unit, Number(value));
		case 'sensorHeightM':
			return `${Number(value)} m`;
		case 'batteryMonths':
			return `${Number(value)} months`;
		case 'foundIn':
		case 'leftIn':
			return named(LEFT_WORDS)(value);
		case 'controlPlace':
			return named(PLACE_WORDS)(value);
	}
	if (!Array.isArray(value)) return String(value);
	if (value.length === 0) return 'none';
	if (key === 'sensorTroubles') return value.map(named(TROUBLE_WORDS)).join(', ');
	if (key === 'occupants') return value.map(named(OCCUPANT_WORDS)).join(', ');
	return value.length === 1 ? 'one entry' : `${value.length} entries`;
}

/** One field noted, with what stood there when it was. */
export const onSiteEditSchema = z.strictObject({
	key: z.enum(Object.keys(onSiteSchema.shape) as [OnSiteKey, ...OnSiteKey[]]),
	value: z.unknown(),
	/** What the person saw there; absent where it does not matter. */
	base: z.unknown().optional(),
	/** What the same device sent before without hearing whether it came in: standing there, it is nobody else's. */
	own: z.array(z.unknown()).max(50).optional(),
	/** By which device it was noted, and as which of its notes. */
	by: stampSchema.omit({ atMs: true }).optional()
});
export type OnSiteEdit = z.infer<typeof onSiteEditSchema>;

/** A field that two people noted differently: what is stored, and what was refused. */
export interface OnSiteConflict {
	readonly key: OnSiteKey;
	readonly theirs: unknown;
	readonly mine: unknown;
}

const same = (a: unknown, b: unknown) => JSON.stringify(a ?? null) === JSON.stringify(b ?? null);

/** Looks at a clock, each once, oldest first; of very many the latest. Two looks at one instant are one. */
export function joinReadings(...lists: readonly (readonly ClockReading[])[]): ClockReading[] {
	const byInstant = new Map(lists.flat().map((reading) => [reading.at, reading]));
	return [...byInstant.values()].sort((a, b) => (a.at < b.at ? -1 : 1)).slice(-MOST_READINGS);
}

/** The looks with one more, a moment later where another has its very instant. */
export function withReading(readings: readonly ClockReading[], reading: ClockReading): ClockReading[] {
	const taken = new Set(readings.map((one) => Date.parse(one.at)));
	let atMs = Date.parse(reading.at);
	while (taken.has(atMs)) atMs++;
	return joinReadings(readings, [{ ...reading, at: new Date(atMs).toISOString() }]);
}

const readingsSchema = z.array(clockReadingSchema);

/** Looks noted by several people add up: what this person added to what they saw is added, what they took back is taken away. */
function readingsTaken(now: readonly ClockReading[], value: unknown, bases: readonly unknown[]): unknown {
	const wanted = readingsSchema.safeParse(value);
	const seen = readingsSchema.safeParse(bases.flat().filter((one) => one !== null));
	if (!wanted.success || !seen.success) return value;
	const inWanted = new Set(wanted.data.map((reading) => reading.at));
	const takenBack = new Set(seen.data.map((reading) => reading.at).filter((at) => !inWanted.has(at)));
	return joinReadings(
		now.filter((reading) => !takenBack.has(reading.at)),
		wanted.data
	);
}

/**
 * Takes edits into what is noted, field by field; looks at a clock add up. Any other field that stands neither as the person saw it nor as they want it
 * was noted by someone else meanwhile: it stays, and is reported. Returns null where a value is none for its field.
 */
export function noteOnSite(
	noted: OnSite,
	edits: readonly OnSiteEdit[]
): { readonly noted: OnSite; readonly conflicts: readonly OnSiteConflict[] } | { readonly refused: string } {
	let next: OnSite = noted;
	const conflicts: OnSiteConflict[] = [];
	for (const { key, value, base, own = [] } of edits) {
		const now = next[key];
		const addsUp = key === 'clockReadings' && base !== undefined;
		const knew = [base, value, ...own].some((one) => same(now, one));
		if (!addsUp && base !== undefined && !knew) {
			conflicts.push({ key, theirs: now, mine: value });
			continue;
		}
		const read = onSiteSchema.safeParse({
			...next,
			[key]: addsUp ? readingsTaken(next.clockReadings, value, [base, ...own]) : value
		});
		if (!read.success) return { refused: `${capital(ON_SITE_WORDS[key])} ${wrongWords(read.error)}.` };
		next = read.data;
	}
	return { noted: next, conflicts };
}

/** A control's offset from readings beside a reference thermometer: what to add to it, and their spread, in K; null without readings. */
export function offsetOf(
	readings: OnSite['offsetReadings']
): { readonly offsetK: number; readonly spreadK: number } | null {
	if (readings.length === 0) return null;
	const apart = readings.map(({ controlC, thermometerC }) => thermometerC - controlC);
	const mean = apart.reduce((a, b) => a + b, 0) / apart.length;
	const spread =
		apart.length < 2 ? 0 : Math.sqrt(apart.reduce((sum, x) => sum + (x - mean) ** 2, 0) / (apart.length - 1));
	return { offsetK: mean, spreadK: spread };
}

/** How a functional test stands: not begun, under way, passed, or failed at a step. */
export function testStanding(test: OnSite['test']): 'missing' | 'under-way' | 'passed' | 'failed' {
	if (test.length === 0) return 'missing';
	if (test.some((step) => !step.seen)) return 'failed';
	return TEST_STEPS.every((id) => test.some((step) => step.step === id)) ? 'passed' : 'under-way';
}

/** How a functional test stands, in words. */
export const TEST_STANDING_WORDS: Readonly<Record<ReturnType<typeof testStanding>, string>> = {
	missing: 'not made',
	'under-way': 'begun, not ended',
	passed: 'passed',
	failed: 'failed'
};
