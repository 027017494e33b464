import { z } from 'zod';
import { findProfile, type ControlProfile } from '$core/control';
import { keyingStanding, type Keyed } from '$core/keying';
import type { Zone } from '$core/plan';

/** Raised whenever the computation behind a summary changes, so that stored ones are made anew. */
export const SUMMARY_VERSION = 4;

/** Where a zone stands, for lists: kept beside the zone and recomputed when either changes. */
export const summarySchema = z.strictObject({
	version: z.literal(SUMMARY_VERSION),
	grouping: z.string(),
	coldKelvinMinutes: z.number(),
	warmKelvinMinutes: z.number(),
	coldMinutes: z.number(),
	warmMinutes: z.number(),
	done: z.int(),
	of: z.int(),
	/** Groups of days read back from the display as planned, and groups in all. */
	read: z.int(),
	toRead: z.int()
});
export type ZoneSummary = z.infer<typeof summarySchema>;

/** Computes where a zone stands: fits its week, writes its card, counts what is keyed. */
export function summarise(zone: Zone, keyed: Keyed, profile: ControlProfile): ZoneSummary {
	const { chosen, done, of, read, toRead } = keyingStanding(zone, profile, keyed);
	const { coldKelvinMinutes, warmKelvinMinutes, coldMinutes, warmMinutes } = chosen.misfit;
	return {
		version: SUMMARY_VERSION,
		grouping: chosen.grouping.id,
		coldKelvinMinutes,
		warmKelvinMinutes,
		coldMinutes,
		warmMinutes,
		done,
		of,
		read,
		toRead
	};
}

/** The profile of a zone's control; the first shipped one if the site has lost it, so that the zone still opens. */
export function profileOf(zone: Zone, own: readonly ControlProfile[]): ControlProfile {
	return findProfile(zone.control, own) ?? findProfile('six-step-room-stat')!;
}
