import { createHash } from 'node:crypto';
import { z } from 'zod';
import type { ControlProfile } from '$core/control';
import { notesAt, type Notes } from '$core/keying';
import { groupingCostSchema, type Zone } from '$core/plan';
import { dayByHandSchema } from '$core/run';
import { compute } from '../compute';

/** Raised whenever the computation behind a summary changes, so that stored ones are made anew. */
export const SUMMARY_VERSION = 7;

/** Where a zone stands, for lists: kept beside the zone and recomputed when either changes. */
export const summarySchema = z.strictObject({
	version: z.literal(SUMMARY_VERSION),
	grouping: z.string(),
	coldKelvinMinutes: z.number(),
	warmKelvinMinutes: z.number(),
	coldMinutes: z.number(),
	warmMinutes: z.number(),
	/** Values that are still to key, the presses that they take, and the values of the whole card. */
	left: z.int(),
	presses: z.int(),
	of: z.int(),
	/** What was keyed and is planned otherwise by now. */
	otherwise: z.enum(['unit', 'grouping']).nullable(),
	/** Groups of days read back from the display as planned, and groups in all. */
	read: z.int(),
	toRead: z.int(),
	/** The dates on which its bookings stay cold unless somebody sets it. */
	byHand: z.array(dayByHandSchema),
	/** What each day grouping costs it, on a control of several channels; null on one that it has to itself. */
	costs: z.record(z.string(), groupingCostSchema).nullable()
});
export type ZoneSummary = z.infer<typeof summarySchema>;

/** How many computed last are kept: a zone is summarised before its change is asked for, and found again within it. */
const MOST = 400;
const latest = new Map<string, Promise<ZoneSummary>>();

/** Computes where a zone stands: fits its week, writes its card, counts what is keyed. */
export function summarise(zone: Zone, noted: Notes | null, profile: ControlProfile): Promise<ZoneSummary> {
	// neither its name nor what was noted of its clock has to do with the week
	const given = {
		zone: { ...zone, name: '-', note: '', clockReadings: [] },
		profile,
		notes: notesAt(profile, noted)
	};
	const key = createHash('sha1').update(JSON.stringify(given)).digest('base64');
	const had = latest.get(key);
	if (had) return had;
	const made = compute('standing', given).then((standing) => ({ version: SUMMARY_VERSION, ...standing }));
	latest.set(key, made as Promise<ZoneSummary>);
	made.catch(() => latest.delete(key));
	if (latest.size > MOST) latest.delete(latest.keys().next().value!);
	return made as Promise<ZoneSummary>;
}
