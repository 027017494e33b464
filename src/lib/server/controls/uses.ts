import { isDeepStrictEqual } from 'node:util';
import { allowedOptions, findProfile, type ControlProfile } from '$core/control';
import type { Zone } from '$core/plan';
import type { Database } from '../db';
import { findSite, zonesOf, type StoredSite } from '../jobs';
import { profileOf, summarise } from '../jobs/summary';
import { touchTime } from '../jobs/untouched';
import { findControl, listControls } from './controls';

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
	const rows = await db.sites.findAll({ where: { deletedAt: null }, attributes: ['id'] });
	const found = await Promise.all(rows.map((row) => findSite(db, row.get().id)));
	return found.filter((site) => site !== null);
}

/** How many zones use each control, by its id. */
export async function countUses(db: Database): Promise<Map<string, number>> {
	const counts = new Map<string, number>();
	const [rows] = (await db.sequelize.query(
		`SELECT json_extract(zones.document, '$.control') AS control, count(*) AS many FROM zones
		 JOIN sites ON sites.id = zones.siteId
		 WHERE zones.deletedAt IS NULL AND sites.deletedAt IS NULL GROUP BY control`
	)) as [{ control: string; many: number }[], unknown];
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
 * The site able to use a control: as it is where it knows it, else with its own copy of the installation's,
 * so that a later change there touches no zone unasked. Null where nobody knows the control.
 */
export async function siteKnowing(
	db: Database,
	site: StoredSite,
	controlId: string
): Promise<StoredSite | null> {
	if (findProfile(controlId, site.profiles)) return site;
	const kept = await findControl(db, controlId);
	if (!kept) return null;
	return db.write(async (transaction) => {
		const row = await db.sites.findByPk(site.id, { transaction });
		const profiles = (row!.get().profiles as ControlProfile[]).filter((one) => one.id !== controlId);
		await row!.update({ profiles: [...profiles, kept.profile], updatedAt: touchTime() }, { transaction });
		return { ...site, profiles: [...profiles, kept.profile] };
	});
}

/**
 * Brings every site that uses an own control to its present version: the site's copy is replaced, what its
 * zones chose and it no longer offers goes back to the factory's, and their summaries are made anew.
 * Returns how many sites and zones were behind.
 */
export async function takeUp(db: Database, id: string): Promise<{ sites: number; zones: number }> {
	const kept = await findControl(db, id);
	if (!kept) return { sites: 0, zones: 0 };
	let touchedSites = 0;
	let touchedZones = 0;
	for (const site of await sites(db)) {
		const copy = site.profiles.find((profile) => profile.id === id);
		if (!copy || isDeepStrictEqual(copy, kept.profile)) continue;
		touchedSites++;
		const profiles = site.profiles.map((profile) => (profile.id === id ? kept.profile : profile));
		const zones = (await zonesOf(db, site)).filter(({ zone }) => zone.control === id);
		await db.write(async (transaction) => {
			await db.sites.update({ profiles, updatedAt: touchTime() }, { where: { id: site.id }, transaction });
			for (const { id: zoneId, zone, keyed, revision } of zones) {
				const offered = kept.profile.groupings.some((grouping) => grouping.id === zone.grouping);
				const document: Zone = {
					...zone,
					options: allowedOptions(kept.profile, zone.options),
					grouping: offered ? zone.grouping : null
				};
				const [count] = await db.zones.update(
					{
						document,
						summary: summarise(document, keyed, kept.profile),
						revision: revision + 1,
						updatedAt: new Date()
					},
					{ where: { id: zoneId, revision }, transaction }
				);
				touchedZones += count;
			}
		});
	}
	return { sites: touchedSites, zones: touchedZones };
}
