import { gapsOf, permissionOf, type Gap } from '$core/house';
import type { Zone } from '$core/plan';
import type { WeekSteps } from '$core/week';
import { compute } from '../../compute';
import { profileOf } from '../profileOf';
import type { StoredSite, StoredZone } from '../rows';

/** What feeds a zone, and when it may: null where it makes its own heat, or nothing governs its source. */
export interface Feeding {
	readonly source: string;
	readonly may: WeekSteps<boolean>;
}

/** What feeds one of a site's zones, by the stored week of the zone that governs its source. */
export async function feedingOf(
	{ site, profiles }: StoredSite,
	zones: readonly StoredZone[],
	{ fedBy }: Zone
): Promise<Feeding | null> {
	const source = site.sources.find((one) => one.id === fedBy);
	const governor = source && zones.find(({ zone }) => zone.governs === source.id);
	if (!governor) return null;
	const profile = profileOf(governor.zone, profiles);
	const { chosen } = await compute('zoneFit', { zone: governor.zone, profile });
	return {
		source: source.name,
		may: permissionOf({ held: chosen.held, isSwitch: profile.temperature === null })
	};
}

/** When the zones of a site ask in vain for warmth, by their ids; those that nothing governs are left out. */
export async function unfedOf(
	site: StoredSite,
	zones: readonly StoredZone[]
): Promise<Readonly<Record<string, { readonly source: string; readonly gaps: readonly Gap[] }>>> {
	const found = await Promise.all(
		zones.map(async ({ id, zone }) => {
			const feeding = await feedingOf(site, zones, zone);
			if (!feeding) return [];
			const profile = profileOf(zone, site.profiles);
			const { chosen } = await compute('zoneFit', { zone, profile });
			const asks = { held: chosen.held, isSwitch: profile.temperature === null };
			return [[id, { source: feeding.source, gaps: gapsOf(asks, feeding.may) }] as const];
		})
	);
	return Object.fromEntries(found.flat());
}
