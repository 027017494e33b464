import { readJobFile, writeJobFile, type Job } from '$core/formats';
import type { Database } from '../db';
import { callsForFile } from './calls';
import { findSite, zonesRead } from './siteReads';
import { whileUntouched } from './untouched';
import { visitsForFile } from './visits';
import { weatherOf } from './weather';

/** A site as the text of a job file, with its name; null where there is none. Written anew only when the site was touched. */
export async function jobText(
	db: Database,
	id: string
): Promise<{ readonly text: string; readonly name: string } | null> {
	const stored = await findSite(db, id);
	if (!stored || stored.deletedAt) return null;
	const text = await whileUntouched(db, stored, 'job', async () => {
		// one state of all of it, whatever is written meanwhile
		const read = await db.snapshot(async (from) => {
			const now = (await findSite(from, id)) ?? stored;
			const zones = await zonesRead(from, now);
			const ids = zones.map((zone) => zone.id);
			return {
				now,
				zones,
				weather: await weatherOf(from, id),
				visits: await visitsForFile(from, id, ids),
				calls: await callsForFile(from, id, ids)
			};
		});
		const boxes = [...new Set(read.zones.map((zone) => zone.boxId))];
		return writeJobFile({
			site: read.now.site,
			weather: read.weather,
			profiles: [...read.now.profiles],
			visits: read.visits,
			calls: read.calls,
			zones: read.zones.map(({ zone, notes, onSite, boxId }) => ({
				...zone,
				notes,
				onSite,
				hangsOn: boxes.indexOf(boxId)
			}))
		});
	});
	return { text, name: stored.site.name };
}

/** A site as a job document of its own, or null. */
export async function readSiteAsJob(db: Database, id: string): Promise<Job | null> {
	const written = await jobText(db, id);
	const read = written && readJobFile(written.text);
	return read?.ok ? read.value : null;
}
