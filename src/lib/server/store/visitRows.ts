import { visitSchema, type Visit } from '$core/record';
import type { Readable } from '../db';

/** A visit with its id. */
export interface StoredVisit {
	readonly id: string;
	readonly visit: Visit;
}

/** A site's visits, oldest first. */
export async function visitsOf(from: Readable, siteId: string): Promise<StoredVisit[]> {
	const rows = await from.visits.all({ where: { siteId }, order: [['at', 'ASC']] });
	return rows.map(({ id, document }) => ({ id, visit: visitSchema.parse(document) }));
}

/** The visit to the whole site that ended last, where that is another than the one that somebody knew as the last (null: none); null where nothing is known of what they knew. */
export async function endedSince(
	from: Readable,
	siteId: string,
	after: string | null | undefined
): Promise<StoredVisit | null> {
	if (after === undefined) return null;
	const [last] = await from.query<{ id: string }>(
		"SELECT id FROM visits WHERE siteId = :siteId AND document ->> '$.dwelling' IS NULL ORDER BY at DESC LIMIT 1",
		{ siteId }
	);
	if (!last || last.id === after) return null;
	const row = await from.visits.get(last.id);
	return row && { id: row.id, visit: visitSchema.parse(row.document) };
}
