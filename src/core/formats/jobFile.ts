import { z } from 'zod';
import { channelsOf, findProfile, profileSchema, type ControlProfile } from '../control';
import {
	boxOf,
	boxOnSiteSchema,
	boxSchema,
	channelCount,
	joinBoxes,
	MOST_ZONES,
	notesApart,
	onSiteSchema,
	SEEN_FIELDS,
	siteSchema,
	siteWeatherSchema,
	zoneOnSiteSchema,
	zonePart,
	zoneSchema,
	zoneSense,
	type OnSite,
	type Zone
} from '../plan';
import { keptCallSchema } from '../callback';
import { visitSchema } from '../record';
import { joinedWords } from '../words';
import { checkHead, readJsonText } from './jsonText';
import { MOST_KEYED } from '../keying';
import { readWith, shownText, without, type Read } from '../schema';

/** The version that this program writes. It reads the one before too, in which every zone had a control of its own. */
export const JOB_FILE_VERSION = 2;

/** The largest job file read, in bytes: far above 200 zones with busy weeks, fully keyed. */
export const LARGEST_JOB_FILE = 8_000_000;

/** The longest id of a value: of a card item, or of one read back. */
export const MOST_KEYED_ID = 160;

/** What has been keyed at the control, by card item, and what was read back from its display; of more than one control can have the last. */
export const keyedSchema = z
	.record(z.string().max(MOST_KEYED_ID), shownText(40))
	.transform((keyed): Record<string, string> => Object.fromEntries(Object.entries(keyed).slice(-MOST_KEYED)));

/** A control in a file, with what was keyed, found and done at it. */
const jobControlSchema = boxSchema.extend({
	onSite: boxOnSiteSchema.prefault({}),
	keyed: keyedSchema.default({})
});

/** A zone in a file: what is its own, and the channel that governs it. */
const fileZoneSchema = z
	.strictObject({
		...without(zoneSchema.shape, ...SEEN_FIELDS),
		/** What governs it: the place of its control in this file, from 0, and the channel there, from 0. */
		on: z.strictObject({
			control: z.int().min(0),
			channel: z.int().min(0).max(3).default(0)
		}),
		/** What was found and done at the zone itself. */
		onSite: zoneOnSiteSchema.prefault({})
	})
	.superRefine(zoneSense);

const shared = {
	format: z.literal('fond-quarter/job'),
	site: siteSchema,
	/** Visits, oldest first, with how each left the zones: `zones[].id` is the place of a zone in this file, from 0. */
	visits: z.array(visitSchema).max(500).default([]),
	/** Calls of the household, oldest first: `zone` is the place of a zone in this file, -1 for the whole house. */
	calls: z.array(keptCallSchema).max(300).default([]),
	/** A year of weather at the place; null where none was read. */
	weather: siteWeatherSchema.nullable().default(null),
	profiles: z.array(profileSchema).max(60).default([])
};

type Context = Pick<z.core.$RefinementCtx, 'addIssue'>;
const wrong = (context: Context, path: (string | number)[], message: string) =>
	context.addIssue({ code: 'custom', path, message });

/** Says where a control names a profile or a grouping that is not there; returns its profile. */
function known(
	{ control, grouping }: { readonly control: string; readonly grouping: string | null },
	profiles: readonly ControlProfile[],
	path: [string, number],
	context: Context
): ControlProfile | undefined {
	const profile = findProfile(control, profiles);
	if (!profile)
		wrong(
			context,
			[...path, 'control'],
			`names a control that is neither in this file nor shipped ("${control}")`
		);
	else if (grouping !== null && !profile.groupings.some((g) => g.id === grouping))
		wrong(
			context,
			[...path, 'grouping'],
			`names a day grouping that ${profile.name} does not offer ("${grouping}")`
		);
	return profile;
}

/**
 * A job file: a whole site in one document, its controls and the zones that hang on their channels. `profiles` holds the control
 * profiles that do not ship with the program.
 */
export const jobSchema = z
	.strictObject({
		...shared,
		version: z.literal(JOB_FILE_VERSION),
		controls: z.array(jobControlSchema).max(MOST_ZONES),
		zones: z.array(fileZoneSchema).max(MOST_ZONES)
	})
	.superRefine(({ controls, zones, profiles }, context) => {
		const of = controls.map((control, index) => known(control, profiles, ['controls', index], context));
		const taken = new Set<string>();
		zones.forEach(({ on: { control, channel } }, index) => {
			const path = ['zones', index, 'on'];
			if (!controls[control])
				return wrong(context, [...path, 'control'], `names no control of this file (${control})`);
			const profile = of[control];
			if (profile && channel >= channelCount(profile))
				wrong(context, [...path, 'channel'], `names no channel of ${profile.name} (${channel})`);
			if (taken.has(`${control}/${channel}`))
				wrong(context, [...path, 'channel'], 'names a channel that another zone hangs on');
			taken.add(`${control}/${channel}`);
		});
		controls.forEach((_, index) => {
			if (!zones.some(({ on }) => on.control === index))
				wrong(context, ['controls', index], 'has no zone on any of its channels');
		});
	});
export type JobFile = z.output<typeof jobSchema>;

/** A file of the version before: every zone with a control of its own. */
const firstJobSchema = z
	.strictObject({
		...shared,
		version: z.literal(1),
		zones: z
			.array(zoneSchema.safeExtend({ keyed: keyedSchema.default({}), onSite: onSiteSchema.prefault({}) }))
			.max(MOST_ZONES)
	})
	.superRefine(({ zones, profiles }, context) => {
		zones.forEach((zone, index) => void known(zone, profiles, ['zones', index], context));
	});

/** A zone with what was keyed and noted of it and its control. */
export interface JobZone extends Zone {
	readonly keyed: Readonly<Record<string, string>>;
	readonly onSite: OnSite;
	/** A number for its control: zones of a job with the same one hang on one control, and agree in what belongs to it. */
	readonly hangsOn: number;
}

/** A job: a whole site, as the program works with it. */
export interface Job extends Omit<JobFile, 'format' | 'version' | 'controls' | 'zones'> {
	readonly zones: readonly JobZone[];
}

/** A job's zone taken apart. */
export const standingOf = (kept: Omit<JobZone, 'hangsOn'> & { readonly hangsOn?: number }) => ({
	zone: without(kept, 'keyed', 'onSite', 'hangsOn') as Zone,
	keyed: kept.keyed,
	onSite: kept.onSite
});

/**
 * Zones that were kept each with a control of its own, on the controls that they must hang on; what was decided where two said otherwise
 * stands in the note of their control.
 */
export function jobZonesJoined(
	kept: readonly Omit<JobZone, 'hangsOn'>[],
	profiles: readonly ControlProfile[]
): JobZone[] {
	const channels = (zone: Zone) => channelsOf(findProfile(zone.control, profiles)!)?.length ?? 1;
	const { zones, hangsOn, decided } = joinBoxes(kept.map(standingOf), channels);
	return zones.map(({ zone, keyed, onSite }, index) => {
		const on = hangsOn[index]!;
		const words = joinedWords(
			decided.filter(({ first }) => hangsOn[first] === on),
			(place) => kept[place]!.name
		);
		const note = [zone.box.note, words].filter((text) => text !== '').join(' ');
		return { ...zone, box: { ...zone.box, note }, keyed, onSite, hangsOn: on };
	});
}

/** What of a file is the site's, whatever its version. */
const siteOfFile = ({ site, visits, calls, weather, profiles }: Pick<JobFile, keyof typeof shared>) => ({
	site,
	visits,
	calls,
	weather,
	profiles
});

function jobOfFile(file: JobFile): Job {
	const { controls, zones } = file;
	return {
		...siteOfFile(file),
		zones: zones.map(({ on, onSite, ...zone }) => {
			const { onSite: noted, keyed, ...box } = controls[on.control]!;
			const options = { ...box.options, channel: on.channel };
			const { name, place, note, ...of } = box;
			return {
				...zone,
				...of,
				options,
				box: { name, place, note },
				otherChannels: null,
				keyed,
				onSite: { ...noted, ...onSite },
				hangsOn: on.control
			};
		})
	};
}

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
	const head = checkHead(document, 'fond-quarter/job', JOB_FILE_VERSION, 'job file', [1]);
	if (!head.ok) return head;
	if ((document as { version: number }).version === 1) {
		const first = readWith(firstJobSchema, document);
		if (!first.ok) return first;
		const site = siteOfFile(first.value);
		return { ok: true, value: { ...site, zones: jobZonesJoined(first.value.zones, site.profiles) } };
	}
	const read = readWith(jobSchema, document);
	return read.ok ? { ok: true, value: jobOfFile(read.value) } : read;
}

/** A job as its file holds it, fields in a fixed order; controls in the order of their first zones. */
export function jobFileOf(job: Job): JobFile {
	const places = [...new Set(job.zones.map((zone) => zone.hangsOn))];
	return {
		format: 'fond-quarter/job',
		version: JOB_FILE_VERSION,
		site: {
			name: job.site.name,
			place: job.site.place,
			note: job.site.note,
			timeZone: job.site.timeZone,
			dates: job.site.dates,
			clock: job.site.clock,
			sources: job.site.sources.map(
				({ id, name, kind, efficiency, performance, waterFirstMinutes, tariff }) => ({
					id,
					name,
					kind,
					efficiency,
					performance,
					waterFirstMinutes,
					tariff
				})
			),
			currency: job.site.currency,
			electricity: job.site.electricity,
			tellsCost: job.site.tellsCost,
			supply: job.site.supply,
			stagger: job.site.stagger
		},
		weather: job.weather,
		profiles: job.profiles,
		visits: job.visits,
		calls: job.calls,
		controls: places.map((on) => {
			const zone = job.zones.find((one) => one.hangsOn === on)!;
			const { keyed, onSite } = zone;
			const box = boxOf(zone);
			return {
				name: box.name,
				place: box.place,
				note: box.note,
				control: box.control,
				options: box.options,
				grouping: box.grouping,
				settings: box.settings,
				clockReadings: box.clockReadings,
				onSite: notesApart(onSite).box,
				// in the order in which it was noted: what was copied over what is told from it
				keyed
			};
		}),
		zones: job.zones.map((whole) => {
			const { onSite, hangsOn } = whole;
			const zone = zonePart(whole);
			return {
				name: zone.name,
				note: zone.note,
				on: { control: places.indexOf(hangsOn), channel: zone.channel },
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
				room: zone.room,
				fedBy: zone.fedBy,
				governs: zone.governs,
				exceptions: zone.exceptions,
				bookings: zone.bookings,
				onSite: notesApart(onSite).zone
			};
		})
	};
}

/** The text of a job file: JSON, indented, fields in a fixed order, so that equal jobs give equal files. */
export function writeJobFile(job: Job): string {
	return `${JSON.stringify(jobFileOf(job), null, '\t')}\n`;
}
