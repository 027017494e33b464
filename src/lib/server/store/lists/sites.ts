import { whileUnchanged, type Database } from '../../db';
import { findSite, zonesOf } from '../siteReads';
import { SUMMARY_VERSION } from '../summary';

/** A site in the list of jobs, with what is left to do on it. */
export interface SiteListed {
	readonly id: string;
	readonly name: string;
	readonly place: string;
	readonly updatedAt: string;
	readonly deletedAt: string | null;
	readonly zones: number;
	readonly zonesKeyed: number;
	readonly valuesLeft: number;
	readonly zonesMisfit: number;
	/** When the first thing of a visit not yet ended was noted. */
	readonly visitOpenSince: string | null;
}

/** What the zones of a site add up to, from their kept summaries; `old` counts those kept by an earlier version. */
interface ZoneSums {
	readonly siteId: string;
	readonly zones: number;
	readonly keyed: number;
	readonly valuesLeft: number;
	readonly misfit: number;
	readonly old: number;
}

/** All sites, the latest touched first, or those deleted in the last {@link KEPT_DAYS} days. Zones are added up in the database, not read. */
export function listSites(db: Database, deleted = false): Promise<readonly SiteListed[]> {
	return whileUnchanged(db, deleted ? 'sites deleted' : 'sites', () => sitesListed(db, deleted));
}

/** A site's row as far as the list needs it. */
interface LightSite {
	readonly id: string;
	readonly name: string;
	readonly place: string;
	readonly updatedAt: string;
	readonly deletedAt: string | null;
	readonly visitOpenSince: string | null;
}
/** A date as the database keeps it, in ISO 8601. */
const iso = (kept: string) => new Date(kept).toISOString();

async function sitesListed(db: Database, deleted: boolean): Promise<SiteListed[]> {
	const sites = await db.query<LightSite>(
		`SELECT id, document ->> '$.name' AS name, document ->> '$.place' AS place, updatedAt, deletedAt, visitOpenSince
		FROM sites WHERE deletedAt IS ${deleted ? 'NOT NULL' : 'NULL'} ORDER BY ${deleted ? 'deletedAt' : 'updatedAt'} DESC`
	);
	const sums = await db.query<ZoneSums>(
		`SELECT siteId, count(*) AS zones, sum(left = 0) AS keyed, sum(left) AS valuesLeft,
			sum(off > 0) AS misfit, sum(version IS NOT :version) AS old
		FROM (SELECT siteId, summary ->> '$.left' AS left, summary ->> '$.version' AS version,
			(summary ->> '$.coldMinutes') + (summary ->> '$.warmMinutes') AS off
			FROM zones INDEXED BY zones_standing WHERE deletedAt IS NULL) GROUP BY siteId`,
		{ version: SUMMARY_VERSION }
	);
	const bySite = new Map(sums.map((sum) => [sum.siteId, sum]));
	return Promise.all(
		sites.map(async (site): Promise<SiteListed> => {
			const sum = bySite.get(site.id);
			const old = sum && sum.old > 0 ? await zonesOf(db, (await findSite(db, site.id))!) : null;
			return {
				id: site.id,
				name: site.name,
				place: site.place,
				updatedAt: iso(site.updatedAt),
				deletedAt: site.deletedAt && iso(site.deletedAt),
				visitOpenSince: site.visitOpenSince && iso(site.visitOpenSince),
				zones: sum?.zones ?? 0,
				zonesKeyed: old ? old.filter(({ summary }) => summary.left === 0).length : (sum?.keyed ?? 0),
				valuesLeft: old ? old.reduce((sum, { summary }) => sum + summary.left, 0) : (sum?.valuesLeft ?? 0),
				zonesMisfit: old
					? old.filter(({ summary }) => summary.coldMinutes + summary.warmMinutes > 0).length
					: (sum?.misfit ?? 0)
			};
		})
	);
}
