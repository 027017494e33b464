import { randomUUID } from 'node:crypto';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import { writeJobFile, type Job, type JobZone } from '$core/formats';
import { freshCopy, nothingNoted, type Site } from '$core/plan';
import { whileUnchanged, type Database } from '../db';
import type { ZoneRow } from '../db/database';
import { siteFromRow, zoneFromRow, type StoredSite, type StoredZone } from './rows';
import { profileOf, summarise, SUMMARY_VERSION } from './summary';
import { touchTime, whileUntouched } from './untouched';
import { createVisits, visitsForFile } from './visits';
import { saveWeather, weatherOf } from './weather';

/** How long a deleted site or zone can be put back before it is purged at start. */
export const KEPT_DAYS = 30;

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

/** Row of a new zone. */
export function zoneRow(
	siteId: string,
	position: number,
	jobZone: JobZone,
	job: Pick<StoredSite, 'profiles'>
): ZoneRow {
	const { keyed, onSite, ...zone } = jobZone;
	const now = new Date();
	return {
		id: randomUUID(),
		siteId,
		position,
		document: zone,
		keyed,
		onSite,
		summary: summarise(zone, keyed, profileOf(zone, job.profiles)),
		revision: 1,
		createdAt: now,
		updatedAt: now,
		deletedAt: null
	};
}

/** Stores a job as a new site, all or nothing, and returns its id. */
export async function createSite(db: Database, job: Job): Promise<string> {
	const id = randomUUID();
	const now = new Date();
	const rows = job.zones.map((zone, position) => zoneRow(id, position, zone, job));
	await db.write(async (transaction) => {
		await db.sites.create(
			{
				id,
				document: job.site,
				profiles: job.profiles,
				revision: 1,
				createdAt: now,
				updatedAt: now,
				deletedAt: null,
				visitOpenSince: null
			},
			{ transaction }
		);
		await db.zones.bulkCreate(rows, { transaction });
		await saveWeather(db, id, job.weather, transaction);
		await createVisits(
			db,
			id,
			job.visits,
			rows.map((row) => row.id),
			transaction
		);
	});
	return id;
}

/**
 * Stores a job file as a new site. Where a site of its name is there already, the new one gets a name of its own, and a
 * sentence says so.
 */
export async function importSite(
	db: Database,
	job: Job
): Promise<{ readonly id: string; readonly note: string | null }> {
	const taken = new Set(
		(await db.sites.findAll({ where: { deletedAt: null } })).map((row) => siteFromRow(row.get()).site.name)
	);
	const { name } = job.site;
	if (!taken.has(name)) return { id: await createSite(db, job), note: null };
	let n = 2;
	while (taken.has(`${name.slice(0, 74)} (${n})`)) n++;
	const own = `${name.slice(0, 74)} (${n})`;
	return {
		id: await createSite(db, { ...job, site: { ...job.site, name: own } }),
		note: `A site called ${name} is here already: this one is called ${own}.`
	};
}

/** The site with this id, deleted or not; null if there is none. */
export async function findSite(db: Database, id: string): Promise<StoredSite | null> {
	const row = await db.sites.findByPk(id);
	return row ? siteFromRow(row.get()) : null;
}

/** A site's zones in their order; those removed only if asked for. Read anew only when the site was touched since. */
export function zonesOf(db: Database, site: StoredSite, removed = false): Promise<readonly StoredZone[]> {
	return whileUntouched(db, site, removed ? 'zones removed' : 'zones', () => zonesRead(db, site, removed));
}

/** A site's zones as they stand at this moment, whatever changed since the site was read: for what is written on top of them. */
export async function zonesRead(
	db: Database,
	site: StoredSite,
	removed = false,
	transaction?: Transaction
): Promise<StoredZone[]> {
	const rows = await db.zones.findAll({
		...(transaction && { transaction }),
		where: { siteId: site.id, deletedAt: removed ? { [Op.ne]: null } : null },
		order: [
			['position', 'ASC'],
			['createdAt', 'ASC']
		]
	});
	return rows.map((row) => zoneFromRow(row.get(), site.profiles));
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
	const sites = await db.sequelize.query<LightSite>(
		`SELECT id, document ->> '$.name' AS name, document ->> '$.place' AS place, updatedAt, deletedAt, visitOpenSince
		FROM sites WHERE deletedAt IS ${deleted ? 'NOT NULL' : 'NULL'} ORDER BY ${deleted ? 'deletedAt' : 'updatedAt'} DESC`,
		{ type: QueryTypes.SELECT }
	);
	const sums = await db.sequelize.query<ZoneSums>(
		`SELECT siteId, count(*) AS zones, sum(done = total) AS keyed, sum(total - done) AS valuesLeft,
			sum(off > 0) AS misfit, sum(version IS NOT :version) AS old
		FROM (SELECT siteId, summary ->> '$.done' AS done, summary ->> '$.of' AS total, summary ->> '$.version' AS version,
			(summary ->> '$.coldMinutes') + (summary ->> '$.warmMinutes') AS off
			FROM zones INDEXED BY zones_standing WHERE deletedAt IS NULL) GROUP BY siteId`,
		{ type: QueryTypes.SELECT, replacements: { version: SUMMARY_VERSION } }
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
				zonesKeyed: old ? old.filter(({ summary }) => summary.done === summary.of).length : (sum?.keyed ?? 0),
				valuesLeft: old
					? old.reduce((left, { summary }) => left + summary.of - summary.done, 0)
					: (sum?.valuesLeft ?? 0),
				zonesMisfit: old
					? old.filter(({ summary }) => summary.coldMinutes + summary.warmMinutes > 0).length
					: (sum?.misfit ?? 0)
			};
		})
	);
}

/** A site as the text of a job file, with its name; null where there is none. Written anew only when the site was touched. */
export async function jobText(
	db: Database,
	id: string
): Promise<{ readonly text: string; readonly name: string } | null> {
	const stored = await findSite(db, id);
	if (!stored || stored.deletedAt) return null;
	const text = await whileUntouched(db, stored, 'job', async () => {
		const zones = await zonesOf(db, stored);
		return writeJobFile({
			format: 'fond-quarter/job',
			version: 1,
			site: stored.site,
			weather: await weatherOf(db, id),
			profiles: [...stored.profiles],
			visits: await visitsForFile(
				db,
				id,
				zones.map((zone) => zone.id)
			),
			zones: zones.map(({ zone, keyed, onSite }) => ({ ...zone, keyed: { ...keyed }, onSite }))
		});
	});
	return { text, name: stored.site.name };
}

/** A site as a job document of its own, or null. */
export async function readSiteAsJob(db: Database, id: string): Promise<Job | null> {
	const written = await jobText(db, id);
	return written && (JSON.parse(written.text) as Job);
}

/** Puts a whole job in the place of a site's content, all or nothing. Returns whether the site was there at that revision. */
export async function replaceSite(
	db: Database,
	id: string,
	job: Job,
	revision: number | null
): Promise<boolean> {
	const rows = job.zones.map((zone, position) => zoneRow(id, position, zone, job));
	return db.write(async (transaction) => {
		const now = touchTime();
		const [count] = await db.sites.update(
			{
				document: job.site,
				profiles: job.profiles,
				revision: db.sequelize.literal('revision + 1') as unknown as number,
				updatedAt: now
			},
			{ where: { id, deletedAt: null, ...(revision === null ? {} : { revision }) }, transaction }
		);
		if (count === 0) return false;
		await db.zones.update({ deletedAt: now }, { where: { siteId: id, deletedAt: null }, transaction });
		await db.zones.bulkCreate(rows, { transaction });
		await saveWeather(db, id, job.weather, transaction);
		await db.visits.destroy({ where: { siteId: id }, transaction });
		await createVisits(
			db,
			id,
			job.visits,
			rows.map((row) => row.id),
			transaction
		);
		return true;
	});
}

/** Changes a site's own fields. */
export async function updateSite(db: Database, id: string, site: Site): Promise<boolean> {
	return db.write(async (transaction) => {
		const [count] = await db.sites.update(
			{
				document: site,
				revision: db.sequelize.literal('revision + 1') as unknown as number,
				updatedAt: touchTime()
			},
			{ where: { id, deletedAt: null }, transaction }
		);
		return count > 0;
	});
}

/** Copies a site's plan under the name "… (copy)", without what was found, keyed, noted or visited there, and returns the copy's id; null if there is none. */
export async function duplicateSite(db: Database, id: string): Promise<string | null> {
	const job = await readSiteAsJob(db, id);
	if (!job) return null;
	const name = `${job.site.name.slice(0, 72)} (copy)`;
	return createSite(db, {
		...job,
		site: { ...job.site, name, stagger: null },
		visits: [],
		zones: job.zones.map((zone) => ({ ...freshCopy(zone), keyed: {}, onSite: nothingNoted }))
	});
}

/** Deletes a site so that it can be put back. Returns whether it was there. */
export async function deleteSite(db: Database, id: string): Promise<boolean> {
	return db.write(async (transaction) => {
		const where = { id, deletedAt: null };
		return (await db.sites.update({ deletedAt: new Date() }, { where, transaction }))[0] > 0;
	});
}

/** Puts a deleted site back. Returns whether it was there. */
export async function restoreSite(db: Database, id: string): Promise<boolean> {
	return db.write(async (transaction) => {
		const where = { id, deletedAt: { [Op.ne]: null } };
		return (await db.sites.update({ deletedAt: null }, { where, transaction }))[0] > 0;
	});
}

/** Notes that something on the site was changed, for the order of the list. */
export async function touchSite(db: Database, id: string, transaction?: Transaction): Promise<void> {
	await db.sites.update({ updatedAt: touchTime() }, { where: { id }, transaction });
}

/** Removes for good what (sites, zones, own controls) was deleted more than {@link KEPT_DAYS} days ago. */
export async function purgeDeleted(db: Database, now = new Date()): Promise<void> {
	const before = { [Op.lt]: new Date(now.getTime() - KEPT_DAYS * 86_400_000) };
	await db.write(async (transaction) => {
		await db.zones.destroy({ where: { deletedAt: before }, transaction });
		await db.sites.destroy({ where: { deletedAt: before }, transaction });
		await db.controls.destroy({ where: { deletedAt: before }, transaction });
	});
}
