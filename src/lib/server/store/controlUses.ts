import { isDeepStrictEqual } from 'node:util';
import { allowedOptions, type ControlProfile } from '$core/control';
import type { Zone } from '$core/plan';
import type { Database } from '../db';
import { changeWithin } from './change';
import { findControl, listControls } from './controls';
import { siteOf, zoneOf } from './documents';
import { siteFromRow, type StoredSite } from './rows';
import { zonesOf, zonesRead } from './siteReads';
import { profileOf } from '$core/control';

/** A zone that uses a control, and whether its site works with the version that is kept now. */
export interface ControlUse {
	readonly siteId: string;
	readonly siteName: string;
	readonly zoneId: string;
	readonly zone: Zone;
	/** The version of the profile that the site works with. */
	readonly profile: ControlProfile;
	readonly current: boolean;
}

async function sites(db: Database): Promise<StoredSite[]> {
	return (await db.sites.all({ where: { deletedAt: null } })).map(siteFromRow);
}

/** How many zones use each control, by its id. */
export async function countUses(db: Database): Promise<Map<string, number>> {
	const counts = new Map<string, number>();
	const rows = await db.query<{ control: string; many: number }>(
		`SELECT json_extract(boxes.document, '$.control') AS control, count(*) AS many FROM zones
		 JOIN boxes ON boxes.id = zones.boxId
		 JOIN sites ON sites.id = zones.siteId
		 WHERE zones.deletedAt IS NULL AND sites.deletedAt IS NULL GROUP BY control`
	);
	for (const { control, many } of rows) counts.set(control, many);
	return counts;
}

/** The zones that use a control, site by site. */
export async function usesOf(db: Database, id: string): Promise<ControlUse[]> {
	const kept = await findControl(db, id);
	const uses: ControlUse[] = [];
	for (const site of await sites(db)) {
		const zones = (await zonesOf(db, site)).filter(({ zone }) => zone.control === id);
		for (const { id: zoneId, zone } of zones) {
			const profile = profileOf(zone, site.profiles);
			const current = !kept || isDeepStrictEqual(profile, kept.profile);
			uses.push({ siteId: site.id, siteName: site.site.name, zoneId, zone, profile, current });
		}
	}
	return uses;
}

/** Profiles that came with a site's file and are not among the installation's own, with the site's name. */
export async function carriedBySites(db: Database): Promise<{ profile: ControlProfile; siteName: string }[]> {
	const kept = new Set((await listControls(db)).map((control) => control.id));
	const carried = new Map<string, { profile: ControlProfile; siteName: string }>();
	for (const site of await sites(db))
		for (const profile of site.profiles)
			if (!kept.has(profile.id) && !carried.has(profile.id))
				carried.set(profile.id, { profile, siteName: site.site.name });
	return [...carried.values()];
}

/** The profiles that a site's zones may use besides those shipped: the site's own copies, then the installation's others. */
export async function ownProfilesFor(db: Database, site: StoredSite): Promise<ControlProfile[]> {
	const copied = new Set(site.profiles.map((profile) => profile.id));
	const kept = (await listControls(db)).map((control) => control.profile);
	return [...site.profiles, ...kept.filter((profile) => !copied.has(profile.id))];
}

/**
 * Brings every site that uses an own control to its present version: the site's copy is replaced, what its
 * zones chose and it no longer offers goes back to the factory's, and their summaries are made anew.
 * Returns how many sites and zones were behind.
 */
export async function takeUp(db: Database, id: string): Promise<{ sites: number; zones: number }> {
	const behind = (await sites(db)).filter((site) => site.profiles.some((profile) => profile.id === id));
	const taken = { sites: 0, zones: 0 };
	// site by site, so that nobody waits for all of them
	for (const { id: siteId } of behind) {
		const zones = await db.write(async (tx) => {
			const kept = await findControl(tx, id);
			const site = await siteOf(siteId).read(tx);
			const copy = site?.profiles.find((profile) => profile.id === id);
			if (!kept || !site || !copy || isDeepStrictEqual(copy, kept.profile)) return null;
			const profiles = site.profiles.map((profile) => (profile.id === id ? kept.profile : profile));
			await changeWithin(tx, siteOf(siteId), null, () => ({ profiles }));
			const using = (await zonesRead(tx, site)).filter(({ zone }) => zone.control === id);
			for (const { id: zoneId } of using)
				await changeWithin(tx, zoneOf(siteId, zoneId), null, (_, { zone }) => {
					const offered = kept.profile.groupings.some((grouping) => grouping.id === zone.grouping);
					const options = allowedOptions(kept.profile, zone.options);
					return { zone: { ...zone, options, grouping: offered ? zone.grouping : null }, profiles };
				});
			return using.length;
		});
		if (zones === null) continue;
		taken.sites++;
		taken.zones += zones;
	}
	return taken;
}
