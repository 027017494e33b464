import type { Fed } from '$core/checks';
import { gapsOf, permissionOf } from '$core/house';
import type { Zone } from '$core/plan';
import { isSwitchedOff } from '$core/run';
import type { WeekSteps } from '$core/week';
import { compute } from '../../compute';
import { profileOf } from '../profileOf';
import type { StoredSite, StoredZone } from '../rows';

/** What feeds a zone, what governs that, and when it may run; null where it makes its own heat, or nothing governs its source. */
export interface Feeding {
	readonly source: string;
	readonly may: WeekSteps<boolean>;
	/** The name of the zone whose week are its hours. */
	readonly governor: string;
	/** Whether that is switched off now: then it makes no heat at all. */
	readonly isOff: boolean;
}

/** The source that feeds a zone, and the zone that governs it; null where nothing does. */
export function governorOf({ site }: StoredSite, zones: readonly StoredZone[], { fedBy }: Zone) {
	const source = site.sources.find((one) => one.id === fedBy);
	const governor = source && zones.find(({ zone }) => zone.governs === source.id);
	return governor ? { source, governor } : null;
}

/** What feeds one of a site's zones, by the stored week of the zone that governs its source. */
export async function feedingOf(
	stored: StoredSite,
	zones: readonly StoredZone[],
	zone: Zone
): Promise<Feeding | null> {
	const found = governorOf(stored, zones, zone);
	if (!found) return null;
	const { source, governor } = found;
	const profile = profileOf(governor.zone, stored.profiles);
	const { chosen } = await compute('zoneFit', { zone: governor.zone, profile });
	return {
		source: source.name,
		may: permissionOf({ held: chosen.held, isSwitch: profile.temperature === null }),
		governor: governor.zone.name,
		isOff: isSwitchedOff(governor.zone, governor.onSite.leftIn, stored.site.timeZone, Date.now())
	};
}

/** When the zones of a site ask in vain for warmth, by their ids; those that nothing governs are left out. */
export async function unfedOf(
	site: StoredSite,
	zones: readonly StoredZone[]
): Promise<Readonly<Record<string, Fed>>> {
	const found = await Promise.all(
		zones.map(async ({ id, zone }) => {
			const feeding = await feedingOf(site, zones, zone);
			if (!feeding) return [];
			const { governor } = governorOf(site, zones, zone)!;
			const profile = profileOf(zone, site.profiles);
			const { chosen } = await compute('zoneFit', { zone, profile });
			const asks = { held: chosen.held, isSwitch: profile.temperature === null };
			const { name, exceptions } = governor.zone;
			const { leftIn } = governor.onSite;
			return [
				[
					id,
					{
						source: feeding.source,
						gaps: gapsOf(asks, feeding.may),
						governor: { id: governor.id, name, exceptions, leftIn }
					}
				] as const
			];
		})
	);
	return Object.fromEntries(found.flat());
}
