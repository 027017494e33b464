import { z } from 'zod';
import { shortName, shortNote } from '../control';
import { oneLine } from '../schema';
import { CAUSE_KINDS } from './cause';
import { factSchema, MOST_FACTS, QUESTION_IDS } from './facts';

/** Facts of one call, bounded. */
export const factsSchema = z
	.array(factSchema)
	.max(MOST_FACTS, `holds more than ${MOST_FACTS} things that were said`);

/** A call as it is kept: what was said and answered, what was promised, and what it was in the end. */
export const callSchema = z.strictObject({
	/** The zone as it was called then; empty for the whole house. */
	zoneName: oneLine(80).default(''),
	/** In the customer's own words. */
	said: shortNote.default(''),
	caller: oneLine(80).default(''),
	facts: factsSchema.default([]),
	/** Questions to which nobody could say anything. */
	passed: z.array(z.enum(QUESTION_IDS)).max(20).default([]),
	/** Outside on the days that were spoken of, in °C. */
	outdoorC: z.number().min(-40).max(40).default(5),
	promised: shortNote.default(''),
	/** `YYYY-MM-DD`. */
	promisedBy: z.iso.date().nullable().default(null),
	/** What it was; null while the call is open. */
	outcome: z
		.strictObject({
			kind: z.enum(CAUSE_KINDS),
			figure: z.number().min(-10_080).max(10_080).default(0),
			note: shortNote.default('')
		})
		.nullable()
		.default(null)
});
export type Call = z.infer<typeof callSchema>;

/** A call in a job file: with its zone by its place among the site's (-1 where that is gone or none), and when it came and was closed. */
export const keptCallSchema = callSchema.extend({
	zone: z.int().min(-1).max(400),
	at: z.iso.datetime(),
	byCustomer: z.boolean(),
	closedAt: z.iso.datetime().nullable()
});
export type KeptCall = z.infer<typeof keptCallSchema>;

/** What a customer says by their link. */
export const reportSchema = z.strictObject({
	/** The room, by its place among those of their pages; null for all of them. */
	room: z.int().min(0).max(400).nullable(),
	said: shortNote.default(''),
	caller: shortName,
	facts: z.array(factSchema).max(8)
});
export type Report = z.infer<typeof reportSchema>;
