import { z } from 'zod';
import { channelsOf, findProfile, profileSchema, type ControlProfile, profileOf } from '../control';
import {
	boxOf,
	boxOnSiteSchema,
	boxSchema,
	channelCount,
	type Box,
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
import { MOST_VALUES, notesBefore, notesSchema, type Notes } from '../keying';
import { readWith, shownText, without, type Read } from '../schema';

/**
 * The version that this program writes. It reads those before too: in the second what was keyed was noted by what the display showed, in
 * the first every zone had a control of its own.
 */
export const JOB_FILE_VERSION = 3;

/** The largest job file read, in bytes: far above 200 zones with busy weeks, fully keyed. */
export const LARGEST_JOB_FILE = 8_000_000;

/** What was keyed at a control as versions before noted it: what the display showed, by the id of a value. */
export const keyedBeforeSchema = z
	.record(z.string().max(160), shownText(40))
	.transform((keyed): Record<string, string> =>
		Object.fromEntries(Object.entries(keyed).slice(-MOST_VALUES))
	);

/** A control in a file, with what was keyed, found and done at it. */
const jobControlSchema = boxSchema.extend({
	onSite: boxOnSiteSchema.prefault({}),
	/** What was keyed at it and read from its display; null where nothing was. */
	notes: notesSchema.nullable().default(null)
});
/** A control in a file of the version before. */
const secondControlSchema = boxSchema.extend({
	onSite: boxOnSiteSchema.prefault({}),
	keyed: keyedBeforeSchema.default({})
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
	.superRefine(hangsTogether);
export type JobFile = z.output<typeof jobSchema>;

/** A file of the version before, which noted what was keyed by what the display showed. */
const secondJobSchema = z
	.strictObject({
		...shared,
		version: z.literal(2),
		controls: z.array(secondControlSchema).max(MOST_ZONES),
		zones: z.array(fileZoneSchema).max(MOST_ZONES)
	})
	.superRefine(hangsTogether);

/** Says where controls and zones of a file do not belong together. */
function hangsTogether(
	{ controls, zones, profiles }: Pick<JobFile, 'zones' | 'profiles'> & { readonly controls: readonly Box[] },
	context: Context
): void {
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
			wrong(context, [...path, 'channel'], 'names a channel that another zone is on');
		taken.add(`${control}/${channel}`);
	});
	controls.forEach((_, index) => {
		if (!zones.some(({ on }) => on.control === index))
			wrong(context, ['controls', index], 'has no zone on any of its channels');
	});
}

/** A file of the first version: every zone with a control of its own. */
const firstJobSchema = z
	.strictObject({
		...shared,
		version: z.literal(1),
		zones: z
			.array(
				zoneSchema.safeExtend({ keyed: keyedBeforeSchema.default({}), onSite: onSiteSchema.prefault({}) })
			)
			.max(MOST_ZONES)
	})
	.superRefine(({ zones, profiles }, context) => {
		zones.forEach((zone, index) => void known(zone, profiles, ['zones', index], context));
	});

/** A zone with what was keyed and noted of it and its control. */
export interface JobZone extends Zone {
	readonly notes: Notes | null;
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
	zone: without(kept, 'notes', 'onSite', 'hangsOn') as Zone,
	notes: kept.notes,
	onSite: kept.onSite
});

/** What was noted at a control by the version before, as it is noted now. */
export const notesOfKeyed = (
	{ control, options, grouping }: Pick<Zone, 'control' | 'options' | 'grouping'>,
	keyed: Readonly<Record<string, string>>,
	profiles: readonly ControlProfile[]
): Notes | null => {
	const profile = findProfile(control, profiles);
	return profile ? notesBefore(profile, options, grouping, keyed) : null;
};

/** A zone as the first version kept it, with a control of its own. */
interface KeptBefore extends Zone {
	readonly keyed: Readonly<Record<string, string>>;
	readonly onSite: OnSite;
}

/**
 * Zones that were kept each with a control of its own, on the controls that they must hang on; what was decided where two said otherwise
 * stands in the note of their control.
 */
export function jobZonesJoined(
	kept: readonly KeptBefore[],
	profiles: readonly ControlProfile[]
): (KeptBefore & Pick<JobZone, 'hangsOn'>)[] {
	const channels = (zone: Zone) => channelsOf(profileOf(zone, profiles))?.length ?? 1;
	const apart = kept.map(({ keyed, onSite, ...zone }) => ({ zone, keyed, onSite }));
	const { zones, hangsOn, decided } = joinBoxes(apart, channels);
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
			const { onSite: noted, notes, ...box } = controls[on.control]!;
			const options = { ...box.options, channel: on.channel };
			const { name, place, note, ...of } = box;
			return {
				...zone,
				...of,
				options,
				box: { name, place, note },
				otherChannels: null,
				notes,
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
	const head = checkHead(document, 'fond-quarter/job', JOB_FILE_VERSION, 'job file', [1, 2]);
	if (!head.ok) return head;
	const { version } = document as { version: number };
	if (version === 1) {
		const first = readWith(firstJobSchema, document);
		if (!first.ok) return first;
		const site = siteOfFile(first.value);
		const zones = jobZonesJoined(first.value.zones, site.profiles).map(({ keyed, ...zone }) => ({
			...zone,
			notes: notesOfKeyed(zone, keyed, site.profiles)
		}));
		return { ok: true, value: { ...site, zones } };
	}
	if (version === 2) {
		const second = readWith(secondJobSchema, document);
		if (!second.ok) return second;
		const controls = second.value.controls.map(({ keyed, ...control }) => ({
			...control,
			notes: notesOfKeyed(
				{ ...control, options: { ...control.options, channel: 0 } },
				keyed,
				second.value.profiles
			)
		}));
		return { ok: true, value: jobOfFile({ ...second.value, version: JOB_FILE_VERSION, controls }) };
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
			occupants: job.site.occupants,
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
			const { notes, onSite } = zone;
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
				notes
			};
		}),
		zones: job.zones.map((whole) => {
			const { onSite, hangsOn } = whole;
			const zone = zonePart(whole);
			return {
				name: zone.name,
				note: zone.note,
				dwelling: zone.dwelling,
				type: zone.type,
				on: { control: places.indexOf(hangsOn), channel: zone.channel },
				levels: zone.levels.map(({ id, letter, name, note, setpointC, coolC, asks }) => ({
					id,
					letter,
					name,
					note,
					setpointC,
					coolC,
					...(asks === undefined ? {} : { asks })
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
				bookedWeek: zone.bookedWeek,
				onSite: notesApart(onSite).zone
			};
		})
	};
}

/** The text of a job file: JSON, indented, fields in a fixed order, so that equal jobs give equal files. */
export function writeJobFile(job: Job): string {
	return `${JSON.stringify(jobFileOf(job), null, '\t')}\n`;
}
