import { randomUUID } from 'node:crypto';
import { reasonFor, stopsOf } from '$core/checks';
import { lastWhole, visitSchema, type Firm, type LeftZone, type Visit } from '$core/record';
import type { Database, Readable, Tx } from '../db';
import { changeWithin } from './change';
import { siteOf, touchSite } from './documents';
import { endedSince, visitsOf, type StoredVisit } from './visitRows';
import { readFirm } from './firm';
import type { StoredSite, StoredZone } from './rows';
import { findSite, zonesOf, zonesRead } from './siteReads';
import { unfedOf } from './lists/feeding';
import { profileOf } from '$core/control';
import { checksOf, type Check } from '$core/words';

/** When zones ask in vain, by their ids; see {@link unfedOf}. */
type Unfed = Awaited<ReturnType<typeof unfedOf>>;

/** Everything that is to be said of a zone as it stands, worst first. */
export function checksOfZone(
	stored: StoredZone,
	site: StoredSite,
	{ readBackStops }: Pick<Firm, 'readBackStops'>,
	nowMs: number,
	unfed: Unfed
): Check[] {
	const { zone, summary, onSite } = stored;
	const profile = profileOf(zone, site.profiles);
	return checksOf({
		zone,
		profile,
		onSite,
		...summary,
		livesHere: site.site.occupants,
		readBackStops,
		misfit: summary,
		unfed: unfed[stored.id],
		timeZone: site.site.timeZone,
		nowMs
	});
}

/** A zone as it is left now, for a visit. */
export function leftZone(
	stored: StoredZone,
	site: StoredSite,
	firm: Pick<Firm, 'readBackStops'>,
	nowMs: number,
	unfed: Unfed
): LeftZone {
	return {
		id: stored.id,
		zone: stored.zone,
		onSite: stored.onSite,
		done: stored.summary.of - stored.summary.left,
		of: stored.summary.of,
		checks: checksOfZone(stored, site, firm, nowMs, unfed).map((check) => ({
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
	| { readonly kind: 'stopped'; readonly sentences: readonly string[] }
	| { readonly kind: 'ended'; readonly visit: StoredVisit }
	| { readonly kind: 'gone' };

/**
 * Ends a visit: keeps how every zone is left now. Signed off only where nothing stops it that was not overruled with a
 * reason. What is noted stays as it is until the next visit is begun. A `dwelling` is signed off by itself while the visit goes on elsewhere. The same `id` sent twice ends one visit; `after` is as in
 * {@link noteFields}.
 */
export async function endVisit(
	db: Database,
	{ id: siteId }: Pick<StoredSite, 'id'>,
	{
		who,
		note,
		signedOff,
		dwelling = null
	}: Pick<Visit, 'who' | 'note' | 'signedOff'> & Partial<Pick<Visit, 'dwelling'>>,
	{
		id = randomUUID(),
		after
	}: { readonly id?: string | undefined; readonly after?: string | null | undefined } = {}
): Promise<Ended> {
	// computed before it is written: the weeks of what feeds what are not what a visit notes
	const known = await findSite(db, siteId);
	const unfed = known ? await unfedOf(known, await zonesOf(db, known)) : {};
	// nothing else is written meanwhile: what is noted is in this visit, or opens the next
	return db.write(async (tx): Promise<Ended> => {
		const site = await siteOf(siteId).read(tx);
		if (!site) return { kind: 'gone' };
		if ((await tx.visits.count({ id, siteId })) > 0) return { kind: 'kept', id };
		const other = await endedSince(tx, siteId, after);
		if (other) return { kind: 'ended', visit: other };
		const firm = await readFirm(tx);
		const now = new Date();
		const zones = (await zonesRead(tx, site)).filter(
			({ zone }) => dwelling === null || zone.dwelling === dwelling
		);
		if (dwelling !== null && zones.length === 0) return { kind: 'gone' };
		if (signedOff) {
			const sentences = zones.flatMap((stored) =>
				stopsOf(checksOfZone(stored, site, firm, now.getTime(), unfed), stored.onSite).map(
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
			dwelling,
			zones: zones.map((stored) => leftZone(stored, site, firm, now.getTime(), unfed))
		});
		await tx.visits.create({ id, siteId, document: visit, at: now });
		// at the other dwellings the visit goes on
		if (dwelling !== null) await touchSite(tx, siteId);
		else {
			await tx.pictures.update({ visitAt: now }, { siteId, visitAt: null });
			await changeWithin(tx, siteOf(siteId), null, () => ({ visitOpenSince: null }));
		}
		return { kind: 'kept', id };
	});
}

/**
 * Goes on with the last visit, that was kept and not signed off: a visit is open again, and everything found, tested and left for that one
 * counts for it. False where that visit is not the last one, was signed off, or another is open already.
 */
export async function goOnWith(db: Database, siteId: string, visitId: string): Promise<boolean> {
	return db.write(async (tx) => {
		const site = await siteOf(siteId).read(tx);
		const last = lastWhole(await visitsOf(tx, siteId));
		if (!site || last?.id !== visitId || last.visit.signedOff) return false;
		// who was first has opened it for both
		if (site.visitOpenSince !== null) return false;
		await changeWithin(tx, siteOf(siteId), null, () => ({ visitOpenSince: new Date() }));
		return true;
	});
}

/** Visits as a job file holds them: zones named by their place among the site's; those of zones since removed keep a name of their own. */
export async function visitsForFile(
	from: Readable,
	siteId: string,
	zoneIds: readonly string[]
): Promise<Visit[]> {
	return (await visitsOf(from, siteId)).map(({ visit }) => ({
		...visit,
		zones: visit.zones.map((zone) => {
			const place = zoneIds.indexOf(zone.id);
			return { ...zone, id: place < 0 ? zone.id : String(place) };
		})
	}));
}

/** Stores the visits of a job file; see {@link visitsForFile}. */
export async function createVisits(
	tx: Tx,
	siteId: string,
	visits: readonly Visit[],
	zoneIds: readonly string[]
): Promise<void> {
	await tx.visits.create(
		...visits.map((visit) => ({
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
		}))
	);
}
