import type { Fed } from '$core/checks';
import { askingOf, gapsOf, permissionOf, waterFirstWeek } from '$core/house';
import { heatsStore, type Zone } from '$core/plan';
import { isSwitchedOff } from '$core/run';
import { constantWeek, type WeekSteps } from '$core/week';
import { compute } from '../../compute';
import { profileOf } from '$core/control';
import type { StoredSite, StoredZone } from '../rows';

/** What feeds a zone, what governs that, and when it heats. */
export interface Feeding {
	readonly source: string;
	/** When what governs it lets it run; always where nothing does. */
	readonly may: WeekSteps<boolean>;
	/** When it heats the hot water first, and its rooms wait. */
	readonly waterFirst: WeekSteps<boolean>;
	/** The name of the zone whose week are its hours; null without one. */
	readonly governor: string | null;
	/** Whether that is switched off now: then it makes no heat at all. */
	readonly isOff: boolean;
}

/**
 * The source that feeds a room and the zone that governs it; null where nothing feeds it, or it heats a hot-water store: that lets its source
 * run by itself.
 */
function sourceOf({ site, profiles }: StoredSite, zones: readonly StoredZone[], zone: Zone) {
	const source = site.sources.find((one) => one.id === zone.fedBy);
	if (!source || heatsStore(profileOf(zone, profiles), zone)) return null;
	return { source, governor: zones.find((one) => one.zone.governs === source.id) ?? null };
}

/** The zone that governs the source of a zone; null where nothing does. */
export const governorOf = (site: StoredSite, zones: readonly StoredZone[], zone: Zone): StoredZone | null =>
	sourceOf(site, zones, zone)?.governor ?? null;

/** What a zone's control holds, as the way of the heat takes it. */
async function asksOf(zone: Zone, { profiles }: StoredSite) {
	const profile = profileOf(zone, profiles);
	const { chosen } = await compute('zoneFit', { zone, profile });
	return askingOf(zone, profile, chosen.held);
}

/**
 * What feeds one of a site's zones, by the stored weeks of what governs its source and of the hot water there; null where it makes its own
 * heat, or its source runs whenever it calls.
 */
export async function feedingOf(
	stored: StoredSite,
	zones: readonly StoredZone[],
	zone: Zone
): Promise<Feeding | null> {
	const found = sourceOf(stored, zones, zone);
	if (!found) return null;
	const { source, governor } = found;
	const stores =
		source.waterFirstMinutes === null
			? []
			: zones.filter(
					(one) => one.zone.fedBy === source.id && heatsStore(profileOf(one.zone, stored.profiles), one.zone)
				);
	if (!governor && stores.length === 0) return null;
	const water = await Promise.all(stores.map((one) => asksOf(one.zone, stored)));
	return {
		source: source.name,
		may: governor ? permissionOf(await asksOf(governor.zone, stored)) : constantWeek(true),
		waterFirst: waterFirstWeek(source.waterFirstMinutes, water),
		governor: governor?.zone.name ?? null,
		isOff:
			governor !== null &&
			isSwitchedOff(governor.zone, governor.onSite.leftIn, stored.site.timeZone, Date.now())
	};
}

/** When the zones of a site ask in vain for warmth, by their ids; those that nothing governs are left out. */
export async function unfedOf(
	site: StoredSite,
	zones: readonly StoredZone[]
): Promise<Readonly<Record<string, Fed>>> {
	const found = await Promise.all(
		zones.map(async ({ id, zone }) => {
			const governor = governorOf(site, zones, zone);
			const feeding = governor && (await feedingOf(site, zones, zone));
			if (!feeding) return [];
			const { name, exceptions } = governor.zone;
			const { leftIn } = governor.onSite;
			return [
				[
					id,
					{
						source: feeding.source,
						gaps: gapsOf(await asksOf(zone, site), feeding.may),
						governor: { id: governor.id, name, exceptions, leftIn }
					}
				] as const
			];
		})
	);
	return Object.fromEntries(found.flat());
}
