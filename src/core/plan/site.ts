import { z } from 'zod';
import { oneLine } from '../schema';
import { isTimeZone } from '../civil';
import { shortName, shortNote } from '../control';
import { WEEK_MINUTES } from '../week';
import { OCCUPANTS } from './occupants';
import { MOST_SOURCES, sourceSchema } from './source';
import { tariffSchema } from './tariff';

/** A site as it stands above its zones. */
export const siteSchema = z.strictObject({
	name: shortName,
	place: oneLine(120).default(''),
	note: shortNote.default(''),
	/** The time zone of the place, by its name in the tz database. */
	timeZone: z.string().max(64).refine(isTimeZone, 'is no time zone that is known here').default('UTC'),
	/** In which order dates are written there, and how hours are counted; a control's own display is its own. */
	dates: z.enum(['dmy', 'mdy', 'ymd']).default('dmy'),
	clock: z.enum(['24', '12']).default('24'),
	/** Who lives or works there; of a room more can be noted on site. */
	occupants: z.array(z.enum(OCCUPANTS)).max(OCCUPANTS.length).default([]),
	/** What makes its heat; a zone names the one that it is fed by. */
	sources: z
		.array(sourceSchema)
		.max(MOST_SOURCES)
		.refine((all) => new Set(all.map((one) => one.id)).size === all.length, 'names one source twice')
		.default([]),
	/** The currency in which prices are said, by its three letters (ISO 4217). */
	currency: z
		.string()
		.regex(/^[A-Z]{3}$/, 'must be the three letters of a currency, as in EUR')
		.default('EUR'),
	/** What electricity costs, for zones that make their own heat; null where it is not known. */
	electricity: tariffSchema.nullable().default(null),
	/** Whether the customers' sheets say what heating a room costs. */
	tellsCost: z.boolean().default(false),
	/** What its heat comes from; null where it is not known. */
	supply: z
		.strictObject({
			/** What the electric supply can give to heating, in W, as a mean over the window. */
			electricW: z.number().min(100).max(2_000_000).nullable().default(null),
			/** What the boiler or heat pump can give, in W. */
			boilerW: z.number().min(500).max(5_000_000).nullable().default(null),
			/** How often a day it may start. */
			boilerStartsPerDay: z.int().min(1).max(500).nullable().default(null),
			/** Minutes over which a limit counts: what a fuse or a demand meter sees. */
			windowMinutes: z.int().min(5).max(60).default(15)
		})
		.prefault({}),
	/** The last starts that were staggered, and from what; null where none were. */
	stagger: z
		.strictObject({
			/** The instant, in ISO 8601 with offset Z. */
			at: z.iso.datetime(),
			source: z.enum(['electric', 'water']),
			outdoorC: z.number().min(-40).max(30),
			limitW: z.number().min(0).max(5_000_000),
			windowMinutes: z.int().min(5).max(60),
			/** The highest load before and after, in W. */
			beforeW: z.number().min(0),
			afterW: z.number().min(0),
			/** What was moved: a zone's name, a need of its week, minutes of lead without and with the stagger. */
			moved: z
				.array(
					z.strictObject({
						zone: shortName,
						at: z
							.int()
							.min(0)
							.max(WEEK_MINUTES - 1),
						neededMinutes: z.int().min(0).max(720),
						minutes: z.int().min(0).max(720)
					})
				)
				.max(5000),
			/** A mark of the zones and the supply that it was computed from: another now means that it is stale. */
			inputs: z.string().max(40)
		})
		.nullable()
		.default(null)
});
export type KeptStagger = NonNullable<Site['stagger']>;
export type Site = z.infer<typeof siteSchema>;

/** The most zones a site may have. */
export const MOST_ZONES = 200;
