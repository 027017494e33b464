import { randomUUID } from 'node:crypto';
import { Op } from 'sequelize';
import { readWith, type Job, type Read } from '$core/formats';
import { freshCopy, nothingNoted, siteSchema, type Site } from '$core/plan';
import type { Database } from '../db';
import { change, refusal, type Changed } from './change';
import { siteOf } from './documents';
import { readSiteAsJob } from './jobText';
import type { StoredSite } from './rows';
import { stampOf, touchTime } from './untouched';
import { createCalls } from './calls';
import { createVisits } from './visits';
import { putWeather } from './weather';
import { newRows } from './newZones';

/** How long a deleted site or zone can be put back before it is purged at start. */
export const KEPT_DAYS = 30;

/** Stores a job as a new site, all or nothing, and returns its id. Its name is what `named` makes of the names taken already. */
async function storeJob(
	db: Database,
	job: Job,
	named: (taken: ReadonlySet<string>) => string
): Promise<{ readonly id: string; readonly name: string }> {
	const id = randomUUID();
	const rows = await newRows(id, job);
	return db.write(async (tx) => {
		const sites = await tx.query<{ name: string }>(
			"SELECT document ->> '$.name' AS name FROM sites WHERE deletedAt IS NULL"
		);
		const name = named(new Set(sites.map((site) => site.name)));
		const now = new Date();
		await tx.sites.create({
			id,
			document: { ...job.site, name },
			profiles: job.profiles,
			revision: 1,
			createdAt: now,
			updatedAt: touchTime(),
			deletedAt: null,
			visitOpenSince: null
		});
		await tx.boxes.create(...rows.boxes);
		await tx.zones.create(...rows.zones);
		await putWeather(tx, id, job.weather);
		const zoneIds = rows.zones.map((row) => row.id);
		await createVisits(tx, id, job.visits, zoneIds);
		await createCalls(tx, id, job.calls, zoneIds);
		return { id, name };
	});
}

/** Stores a job as a new site, all or nothing, and returns its id. */
export async function createSite(db: Database, job: Job): Promise<string> {
	return (await storeJob(db, job, () => job.site.name)).id;
}

/**
 * Stores a job file as a new site. Where a site of its name is there already, the new one gets a name of its own, and a
 * sentence says so.
 */
export async function importSite(
	db: Database,
	job: Job
): Promise<{ readonly id: string; readonly note: string | null }> {
	const asked = job.site.name;
	const { id, name } = await storeJob(db, job, (taken) => {
		if (!taken.has(asked)) return asked;
		let n = 2;
		while (taken.has(`${asked.slice(0, 74)} (${n})`)) n++;
		return `${asked.slice(0, 74)} (${n})`;
	});
	const note = name === asked ? null : `A site called ${asked} is here already: this one is called ${name}.`;
	return { id, note };
}

/** A mark of everything on a site: another after any change there. */
export const siteMark = (site: StoredSite): string => stampOf(site).trim().replaceAll(' ', '_');

/**
 * Puts a whole job in the place of a site's content, all or nothing. With the mark ({@link siteMark}) of what the person knew only
 * where nothing on the site has changed since.
 */
export async function replaceSite(
	db: Database,
	id: string,
	job: Job,
	mark: string | null
): Promise<Changed<StoredSite, 'changed'>> {
	const rows = await newRows(id, job);
	return change(db, siteOf(id), null, async (tx, current) => {
		if (mark !== null && siteMark(current) !== mark) return refusal('changed' as const);
		await tx.zones.update({ deletedAt: new Date() }, { siteId: id, deletedAt: null });
		await tx.boxes.create(...rows.boxes);
		await tx.zones.create(...rows.zones);
		await putWeather(tx, id, job.weather);
		const zoneIds = rows.zones.map((row) => row.id);
		await tx.visits.remove({ siteId: id });
		await createVisits(tx, id, job.visits, zoneIds);
		await tx.calls.remove({ siteId: id, takenAt: { [Op.ne]: null } });
		await createCalls(tx, id, job.calls, zoneIds);
		return { site: job.site, profiles: job.profiles };
	});
}

/** Changes fields of a site; the others stay as whoever changed them last has left them. A refusal says which field is wrong. */
export async function changeSite(
	db: Database,
	id: string,
	fields: Readonly<Record<string, unknown>>,
	revision: number | null = null
): Promise<Changed<StoredSite, Extract<Read<Site>, { ok: false }>['problem']>> {
	return change(db, siteOf(id), revision, (_, { site }) => {
		const { supply } = fields;
		// of the supply too only what was sent
		const part = supply !== null && typeof supply === 'object' ? { ...site.supply, ...supply } : site.supply;
		const read = readWith(siteSchema, { ...site, ...fields, supply: part });
		return read.ok ? { site: read.value } : refusal(read.problem);
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
		calls: [],
		zones: job.zones.map((zone) => ({ ...freshCopy(zone), notes: null, onSite: nothingNoted }))
	});
}

/** Deletes a site so that it can be put back. Returns whether it was there. */
export async function deleteSite(db: Database, id: string): Promise<boolean> {
	return (await change(db, siteOf(id), null, () => ({ deletedAt: new Date() }))).kind === 'saved';
}

/** Puts a deleted site back. Returns whether it was there. */
export async function restoreSite(db: Database, id: string): Promise<boolean> {
	return (await change(db, siteOf(id, true), null, () => ({ deletedAt: null }))).kind === 'saved';
}

/** Removes for good what (sites, zones, own controls) was deleted more than {@link KEPT_DAYS} days ago. */
export async function purgeDeleted(db: Database, now = new Date()): Promise<void> {
	const before = { [Op.lt]: new Date(now.getTime() - KEPT_DAYS * 86_400_000) };
	await db.write(async (tx) => {
		await tx.zones.remove({ deletedAt: before });
		const left = await tx.query<{ id: string }>(
			'SELECT id FROM boxes WHERE id NOT IN (SELECT boxId FROM zones)'
		);
		await tx.boxes.remove({ id: { [Op.in]: left.map(({ id }) => id) } });
		await tx.sites.remove({ deletedAt: before });
		await tx.controls.remove({ deletedAt: before });
		await tx.heard.remove({ at: before });
	});
}
