import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import { checksOf, reasonFor, stopsOf, type Check } from '$core/checks';
import { visitSchema, type Firm, type LeftZone, type Visit } from '$core/record';
import type { Database } from '../db';
import { readFirm } from '../firm';
import type { StoredSite, StoredZone } from './rows';
import { zonesRead } from './sites';
import { profileOf } from './summary';
import { touchTime } from './untouched';

/** A visit with its id. */
export interface StoredVisit {
	readonly id: string;
	readonly visit: Visit;
}

/** A site's visits, oldest first. */
export async function visitsOf(db: Database, siteId: string): Promise<StoredVisit[]> {
	const rows = await db.visits.findAll({ where: { siteId }, order: [['at', 'ASC']] });
	return rows.map((row) => ({ id: row.get().id, visit: visitSchema.parse(row.get().document) }));
}

/** Everything that is to be said of a zone as it stands, worst first. */
export function checksOfZone(
	stored: StoredZone,
	site: StoredSite,
	{ readBackStops }: Pick<Firm, 'readBackStops'>,
	nowMs = Date.now()
): Check[] {
	const { zone, summary, keyed, onSite } = stored;
	const profile = profileOf(zone, site.profiles);
	return checksOf({
		zone,
		profile,
		onSite,
		keyed,
		done: summary.done,
		of: summary.of,
		read: summary.read,
		toRead: summary.toRead,
		readBackStops,
		misfit: summary,
		groupingName: profile.groupings.find(({ id }) => id === summary.grouping)?.name ?? summary.grouping,
		timeZone: site.site.timeZone,
		nowMs
	});
}

/** A zone as it is left now, for a visit. */
export function leftZone(
	stored: StoredZone,
	site: StoredSite,
	firm: Pick<Firm, 'readBackStops'>,
	nowMs: number
): LeftZone {
	return {
		id: stored.id,
		zone: stored.zone,
		onSite: stored.onSite,
		done: stored.summary.done,
		of: stored.summary.of,
		checks: checksOfZone(stored, site, firm, nowMs).map((check) => ({
			id: check.id,
			severity: check.severity,
			sentence: check.sentence,
			reason: reasonFor(check, stored.onSite)
		}))
	};
}

/** What came of ending a visit: kept, or what still stops the sign-off. */
export type Ended =
	| { readonly kind: 'kept'; readonly id: string }
	| { readonly kind: 'stopped'; readonly sentences: readonly string[] };

/**
 * Ends a visit: keeps how every zone is left now. Signed off only where nothing stops it that was not overruled with a
 * reason. What is noted stays as it is until the next visit is begun.
 */
export async function endVisit(
	db: Database,
	site: StoredSite,
	{ who, note, signedOff }: Pick<Visit, 'who' | 'note' | 'signedOff'>
): Promise<Ended> {
	const firm = await readFirm(db);
	// nothing else is written meanwhile: what is noted is in this visit, or opens the next
	return db.write(async (transaction): Promise<Ended> => {
		const now = new Date();
		const zones = await zonesRead(db, site, false, transaction);
		if (signedOff) {
			const sentences = zones.flatMap((stored) =>
				stopsOf(checksOfZone(stored, site, firm, now.getTime()), stored.onSite).map(
					(check) => `${stored.zone.name}: ${check.sentence}`
				)
			);
			if (sentences.length > 0) return { kind: 'stopped', sentences };
		}
		const visit = visitSchema.parse({
			at: now.toISOString(),
			who,
			note,
			signedOff,
			zones: zones.map((stored) => leftZone(stored, site, firm, now.getTime()))
		});
		const id = randomUUID();
		await db.visits.create({ id, siteId: site.id, document: visit, at: now }, { transaction });
		await db.pictures.update({ visitAt: now }, { where: { siteId: site.id, visitAt: null }, transaction });
		await db.sites.update(
			{ visitOpenSince: null, updatedAt: touchTime() },
			{ where: { id: site.id }, transaction }
		);
		return { kind: 'kept', id };
	});
}

/** Visits as a job file holds them: zones named by their place among the site's; those of zones since removed keep a name of their own. */
export async function visitsForFile(
	db: Database,
	siteId: string,
	zoneIds: readonly string[]
): Promise<Visit[]> {
	return (await visitsOf(db, siteId)).map(({ visit }) => ({
		...visit,
		zones: visit.zones.map((zone) => {
			const place = zoneIds.indexOf(zone.id);
			return { ...zone, id: place < 0 ? zone.id : String(place) };
		})
	}));
}

/** Stores the visits of a job file; see {@link visitsForFile}. */
export async function createVisits(
	db: Database,
	siteId: string,
	visits: readonly Visit[],
	zoneIds: readonly string[],
	transaction: Transaction
): Promise<void> {
	await db.visits.bulkCreate(
		visits.map((visit) => ({
			id: randomUUID(),
			siteId,
			at: new Date(visit.at),
			document: {
				...visit,
				zones: visit.zones.map((zone) => ({
					...zone,
					id: zoneIds[Number(zone.id)] ?? (/^\d+$/.test(zone.id) ? `gone-${zone.id}` : zone.id)
				}))
			}
		})),
		{ transaction }
	);
}
