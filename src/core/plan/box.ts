import { z } from 'zod';
import { oneLine } from '../schema';
import { channelsOf, controlOptionsSchema, shortNote, slug, type ControlProfile } from '../control';
import { onSiteSchema, type OnSite, type OnSiteKey } from './onSite';
import { clockReadingSchema, MOST_READINGS, settingsSchema } from './settings';

/** What a control is called on its site: the words for the box itself, apart from what it governs. */
export const boxNameSchema = z.strictObject({
	/** What it is called; empty: after its kind. */
	name: oneLine(80).default(''),
	/** Where it hangs: "airing cupboard". */
	place: oneLine(120).default(''),
	note: shortNote.default('')
});

/**
 * A control: a box on a wall with one profile, one set of options, one clock. Its channels govern zones; what stands here is said, keyed and
 * looked at once, however many they are.
 */
export const boxSchema = boxNameSchema.extend({
	/** The id of the control profile. */
	control: slug,
	options: controlOptionsSchema.omit({ channel: true }),
	/** The chosen day grouping of all its channels; null leaves the choice to the fit. */
	grouping: slug.nullable(),
	/** What is set at it apart from its program. */
	settings: settingsSchema.prefault({}),
	/** What its clock was found to show, oldest first. */
	clockReadings: z.array(clockReadingSchema).max(MOST_READINGS).default([])
});
export type Box = z.infer<typeof boxSchema>;

/** What is noted on site of a zone itself; everything else is noted of the control that it hangs on. */
export const ZONE_NOTES = [
	'occupants',
	'storeC',
	'roomC',
	'floorC',
	'supplyC',
	'test',
	'promised',
	'promisedBy',
	'overruled'
] as const satisfies readonly OnSiteKey[];

const zoneNotes = Object.fromEntries(ZONE_NOTES.map((key) => [key, true])) as {
	[Key in (typeof ZONE_NOTES)[number]]: true;
};
/** What was found and done at a zone. */
export const zoneOnSiteSchema = onSiteSchema.pick(zoneNotes);
/** What was found and done at a control. */
export const boxOnSiteSchema = onSiteSchema.omit(zoneNotes);
export type ZoneOnSite = z.infer<typeof zoneOnSiteSchema>;
export type BoxOnSite = z.infer<typeof boxOnSiteSchema>;

/** What is noted of a zone and its control, taken apart. */
export function notesApart(onSite: OnSite): { readonly zone: ZoneOnSite; readonly box: BoxOnSite } {
	const own = new Set<string>(ZONE_NOTES);
	const entries = Object.entries(onSite);
	return {
		zone: Object.fromEntries(entries.filter(([key]) => own.has(key))) as ZoneOnSite,
		box: Object.fromEntries(entries.filter(([key]) => !own.has(key))) as BoxOnSite
	};
}

/** How many zones a control can govern: one for each of its channels. */
export const channelCount = (profile: ControlProfile): number => channelsOf(profile)?.length ?? 1;
