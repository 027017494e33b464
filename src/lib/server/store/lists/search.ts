import type { Database } from '../../db';

/** Something found: a site, a zone of one, or a visit to one. */
export interface Found {
	readonly kind: 'site' | 'zone' | 'visit';
	readonly siteId: string;
	readonly siteName: string;
	readonly zoneId: string | null;
	/** What was found, to be shown. */
	readonly title: string;
	readonly detail: string;
}

/** Most that is shown of anything. */
const MOST = 40;

/** What is a telephone number, or the end of one, however it is written. */
const TELEPHONE = /^\s*\+?(?:[\s()/.-]*\d){5,}\s*$/;

/** The sites in whose notes, or in a call about which, a telephone number stands, however it is written there. */
function byTelephone(db: Database, figures: string): Promise<Found[]> {
	const bare = (text: string) =>
		[' ', '-', '/', '(', ')', '.'].reduce((all, sign) => `replace(${all}, '${sign}', '')`, text);
	return db.query<Found>(
		`SELECT 'site' AS kind, s.id AS siteId, s.document ->> '$.name' AS siteName, NULL AS zoneId,
			s.document ->> '$.name' AS title, coalesce(c.caller, s.document ->> '$.note') AS detail
		FROM sites s
		LEFT JOIN (SELECT siteId, max(document ->> '$.caller') AS caller FROM calls
			WHERE ${bare("document ->> '$.caller'")} LIKE :figures GROUP BY siteId) c ON c.siteId = s.id
		WHERE s.deletedAt IS NULL AND (c.siteId IS NOT NULL OR ${bare("s.document ->> '$.note'")} LIKE :figures)
		ORDER BY siteName, siteId LIMIT ${MOST}`,
		{ figures: `%${figures}%` }
	);
}

/**
 * Sites, zones and visits that hold every word asked for, in their names, places, notes, controls, what was found and why
 * a check was overruled: best first among each kind. A word is found by its beginning, whatever its case and accents.
 * A telephone number finds the sites that it
 * rings, or where it rang from. Nothing is found for nothing.
 */
export async function search(db: Database, asked: string): Promise<Found[]> {
	const words =
		asked
			.slice(0, 120)
			.match(/[\p{L}\p{N}]+/gu)
			?.slice(0, 8) ?? [];
	if (words.length === 0) return [];
	const site = "s.document ->> '$.name'";
	if (TELEPHONE.test(asked)) {
		const dialled = await byTelephone(db, asked.replace(/\D/g, ''));
		if (dialled.length > 0) return dialled;
	}
	return db.query<Found>(
		`WITH hits AS (
			SELECT t.kind, t.ofId, t.siteId, bm25(searchable_words) AS far
			FROM searchable_words JOIN searchable t ON t.id = searchable_words.rowid
			LEFT JOIN sites s ON s.id = t.siteId LEFT JOIN zones z ON t.kind = 'zone' AND z.id = t.ofId
			WHERE searchable_words MATCH :words AND s.deletedAt IS NULL AND z.deletedAt IS NULL),
		ranked AS (SELECT *, row_number() OVER (PARTITION BY kind ORDER BY far, ofId) AS place FROM hits)
		SELECT r.kind, r.siteId, ${site} AS siteName, z.id AS zoneId,
			CASE r.kind WHEN 'site' THEN ${site} WHEN 'zone' THEN z.document ->> '$.name'
				ELSE coalesce(nullif(v.document ->> '$.note', ''), 'A visit') END AS title,
			CASE r.kind WHEN 'site' THEN s.document ->> '$.place'
				WHEN 'zone' THEN ${site} || ', ' || replace(b.document ->> '$.control', '-', ' ')
				ELSE ${site} || ', ' || substr(v.document ->> '$.at', 1, 10) || ', ' || (v.document ->> '$.who') END AS detail
		FROM ranked r JOIN sites s ON s.id = r.siteId
		LEFT JOIN zones z ON r.kind = 'zone' AND z.id = r.ofId
		LEFT JOIN boxes b ON b.id = z.boxId
		LEFT JOIN visits v ON r.kind = 'visit' AND v.id = r.ofId
		WHERE r.place <= ${MOST}
		ORDER BY CASE r.kind WHEN 'site' THEN 0 WHEN 'zone' THEN 1 ELSE 2 END, r.place`,
		{ words: words.map((word) => `"${word}"*`).join(' ') }
	);
}
