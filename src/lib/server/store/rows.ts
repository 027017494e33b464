import { z } from 'zod';
import { profileSchema, type ControlProfile } from '$core/control';
import {
	joinReadings,
	onSiteNoticeSchema,
	SEEN_FIELDS,
	siteSchema,
	zoneNoticeSchema,
	type OnSite,
	type Site,
	type Zone
} from '$core/plan';
import type { Notes } from '$core/keying';
import { dayByHandSchema } from '$core/run';
import type { SiteRow } from '../db';
import type { Seen } from './boxes';
import { profileOf } from '$core/control';
import { summarise, summarySchema, type ZoneSummary } from './summary';

/** A site as the program works with it, read from its row through the schema. */
export interface StoredSite {
	readonly id: string;
	readonly revision: number;
	readonly site: Site;
	readonly profiles: readonly ControlProfile[];
	readonly updatedAt: string;
	readonly deletedAt: string | null;
	/** When the first thing of a visit not yet ended was noted. */
	readonly visitOpenSince: string | null;
}

/** A zone as the program works with it. */
export interface StoredZone {
	readonly id: string;
	readonly siteId: string;
	readonly revision: number;
	readonly zone: Zone;
	/** The control that it hangs on. */
	readonly boxId: string;
	readonly notes: Notes | null;
	readonly onSite: OnSite;
	readonly summary: ZoneSummary;
	readonly updatedAt: string;
	readonly deletedAt: string | null;
	/** When its plan was saved last and by whom, as far as they said; null where it stands as it was made. */
	readonly planned: { readonly at: string; readonly by: string } | null;
}

export function siteFromRow(row: SiteRow): StoredSite {
	return {
		id: row.id,
		revision: row.revision,
		site: siteSchema.parse(row.document),
		profiles: z.array(profileSchema).parse(row.profiles),
		updatedAt: row.updatedAt.toISOString(),
		deletedAt: row.deletedAt?.toISOString() ?? null,
		visitOpenSince: row.visitOpenSince?.toISOString() ?? null
	};
}

/** A zone as a row of {@link NOTICE_SELECT}: its plan and what was noted of it as far as lists of all sites need them, in JSON. */
export interface NoticeRow {
	readonly id: string;
	readonly siteId: string;
	readonly boxId: string;
	readonly zone: string;
	/** What was noted of the zone itself, and of its control. */
	readonly zoneOnSite: string;
	readonly onSite: string;
	/** Of its summary the dates left to a hand; null where it is made anew. */
	readonly byHand: string | null;
}
/** A field of a notice, from the document that keeps it: what belongs to the control stands in the control's. */
const part = (name: string) => {
	const column = (SEEN_FIELDS as readonly string[]).includes(name) ? 'b.document' : 'z.document';
	return `'${name}', json(coalesce(${column} -> '$.${name}', 'null'))`;
};
/** What is selected for a {@link NoticeRow}: the database takes the documents apart, which are long. */
export const NOTICE_SELECT = `SELECT z.id, z.siteId, z.boxId, z.onSite AS zoneOnSite, b.onSite, z.summary -> '$.byHand' AS byHand, json_object(${Object.keys(
	zoneNoticeSchema.shape
)
	.map(part)
	.join(', ')}) AS zone FROM zones z JOIN boxes b ON b.id = z.boxId`;

/** What is missing in a document is taken as its schema says. */
const said = (json: string) =>
	Object.fromEntries(Object.entries(JSON.parse(json) as object).filter(([, value]) => value !== null));

/** A zone for the lists of all sites; see {@link NoticeRow}. */
export function noticeFromRow({ id, boxId, zone: document, zoneOnSite, onSite: noted, byHand }: NoticeRow) {
	const planned = zoneNoticeSchema.parse(said(document));
	const onSite = onSiteNoticeSchema.parse({ ...said(noted), ...said(zoneOnSite) });
	const clockReadings = joinReadings(planned.clockReadings, onSite.clockReadings);
	const days = z.array(dayByHandSchema).safeParse(JSON.parse(byHand ?? '[]'));
	return { id, boxId, zone: { ...planned, clockReadings }, onSite, byHand: days.data ?? [] };
}

export async function zoneFromSeen(
	{ row, zone, notes, onSite }: Seen,
	profiles: readonly ControlProfile[]
): Promise<StoredZone> {
	const summary = summarySchema.safeParse(row.summary);
	return {
		id: row.id,
		siteId: row.siteId,
		boxId: row.boxId,
		revision: row.revision,
		zone,
		notes,
		onSite,
		summary: summary.success ? summary.data : await summarise(zone, notes, profileOf(zone, profiles)),
		updatedAt: row.updatedAt.toISOString(),
		deletedAt: row.deletedAt?.toISOString() ?? null,
		planned: row.plannedAt && { at: row.plannedAt.toISOString(), by: row.plannedBy ?? '' }
	};
}
