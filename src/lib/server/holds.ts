import { profileOf } from '$core/control';
import type { ControlProfile } from '$core/control';
import { toHold, type ToHold } from '$core/keying';
import type { Zone } from '$core/plan';
import type { WeekSteps } from '$core/week';
import { compute } from './compute';
import { type StoredSite, type StoredZone } from './store';

/** What a control is to hold for the zones that hang on it, their weeks fitted in a worker. */
export async function holdOf(zones: readonly Zone[], profile: ControlProfile): Promise<ToHold> {
	const fitted = await Promise.all(
		zones.map(async (zone) => ({ zone, fit: await compute('zoneFit', { zone, profile }) }))
	);
	return toHold(fitted, profile);
}

/** What the control of each of a site's zones holds, by the zones' ids: in °C, or 0 and 1. */
export async function heldWeeks(
	zones: readonly StoredZone[],
	{ profiles }: StoredSite
): Promise<Readonly<Record<string, WeekSteps<number>>>> {
	return Object.fromEntries(
		await Promise.all(
			zones.map(async ({ id, zone }) => {
				const fit = await compute('zoneFit', { zone, profile: profileOf(zone, profiles) });
				return [id, fit.chosen.held] as const;
			})
		)
	);
}
