import { z } from 'zod';
import { findProfile, profileSchema } from '../control';
import { MOST_ZONES, onSiteSchema, siteSchema, siteWeatherSchema, zoneSchema } from '../plan';
import { visitSchema } from '../record';
import { checkHead, readJsonText } from './jsonText';
import { withKeyed } from '../keying';
import { readWith, shownText, type Read } from '../schema';

/** The version that this program writes. */
export const JOB_FILE_VERSION = 1;

/** The largest job file read, in bytes: far above 200 zones with busy weeks, fully keyed. */
export const LARGEST_JOB_FILE = 8_000_000;

/** The longest id of a value: of a card item, or of one read back. */
export const MOST_KEYED_ID = 160;

/** What has been keyed at the control, by card item, and what was read back from its display; of more than one control can have the last. */
export const keyedSchema = z
	.record(z.string().max(MOST_KEYED_ID), shownText(40))
	.transform((keyed): Record<string, string> => ({ ...withKeyed({}, keyed) }));

const jobZoneSchema = zoneSchema.safeExtend({
	keyed: keyedSchema.default({}),
	/** What was found and done at its control. */
	onSite: onSiteSchema.prefault({})
});
export type JobZone = z.infer<typeof jobZoneSchema>;

/**
 * A job: a whole site in one document. `profiles` holds the control profiles that do not ship with
 * the program.
 */
export const jobSchema = z
	.strictObject({
		format: z.literal('fond-quarter/job'),
		version: z.literal(JOB_FILE_VERSION),
		site: siteSchema,
		/** Visits, oldest first, with how each left the zones: `zones[].id` is the place of a zone in this file, from 0. */
		visits: z.array(visitSchema).max(500).default([]),
		/** A year of weather at the place; null where none was read. */
		weather: siteWeatherSchema.nullable().default(null),
		profiles: z.array(profileSchema).max(60).default([]),
		zones: z.array(jobZoneSchema).max(MOST_ZONES)
	})
	.superRefine((job, context) => {
		job.zones.forEach((zone, index) => {
			const profile = findProfile(zone.control, job.profiles);
			if (!profile)
				context.addIssue({
					code: 'custom',
					path: ['zones', index, 'control'],
					message: `names a control that is neither in this file nor shipped ("${zone.control}")`
				});
			else if (zone.grouping !== null && !profile.groupings.some((g) => g.id === zone.grouping))
				context.addIssue({
					code: 'custom',
					path: ['zones', index, 'grouping'],
					message: `names a day grouping that ${profile.name} does not offer ("${zone.grouping}")`
				});
		});
	});
export type Job = z.infer<typeof jobSchema>;

/**
 * Reads a job file's text. Refused, with the field's path: text that is not JSON, another format or
 * version, an unknown or wrong field, too many zones, more than {@link LARGEST_JOB_FILE} characters.
 */
export function readJobFile(text: string): Read<Job> {
	const json = readJsonText(text, LARGEST_JOB_FILE);
	return json.ok ? readJob(json.value) : json;
}

/** Reads a job from parsed JSON; see {@link readJobFile}. */
export function readJob(document: unknown): Read<Job> {
	const head = checkHead(document, 'fond-quarter/job', JOB_FILE_VERSION, 'job file');
	return head.ok ? readWith(jobSchema, document) : head;
}

/** The text of a job file: JSON, indented, fields in a fixed order, so that equal jobs give equal files. */
export function writeJobFile(job: Job): string {
	const ordered: Job = {
		format: job.format,
		version: job.version,
		site: {
			name: job.site.name,
			place: job.site.place,
			note: job.site.note,
			timeZone: job.site.timeZone,
			dates: job.site.dates,
			clock: job.site.clock,
			sources: job.site.sources.map(({ id, name, kind }) => ({ id, name, kind })),
			supply: job.site.supply,
			stagger: job.site.stagger
		},
		weather: job.weather,
		profiles: job.profiles,
		visits: job.visits,
		zones: job.zones.map((zone) => ({
			name: zone.name,
			note: zone.note,
			control: zone.control,
			options: zone.options,
			levels: zone.levels.map(({ id, letter, name, note, setpointC, coolC }) => ({
				id,
				letter,
				name,
				note,
				setpointC,
				coolC
			})),
			wanted: zone.wanted,
			use: zone.use,
			routine: zone.routine,
			weights: zone.weights,
			lead: zone.lead,
			grouping: zone.grouping,
			room: zone.room,
			fedBy: zone.fedBy,
			governs: zone.governs,
			settings: zone.settings,
			exceptions: zone.exceptions,
			bookings: zone.bookings,
			clockReadings: zone.clockReadings,
			onSite: zone.onSite,
			keyed: Object.fromEntries(Object.entries(zone.keyed).sort(([a], [b]) => (a < b ? -1 : 1)))
		}))
	};
	return `${JSON.stringify(ordered, null, '\t')}\n`;
}
