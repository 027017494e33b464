import { z } from 'zod';
import { profileSchema, type ControlProfile } from '$core/control';
import { keyedSchema } from '$core/formats';
import {
	joinReadings,
	onSiteNoticeSchema,
	onSiteSchema,
	siteSchema,
	zoneNoticeSchema,
	zoneSchema,
	type OnSite,
	type Site,
	type Zone
} from '$core/plan';
import type { Keyed } from '$core/keying';
import type { SiteRow, ZoneRow } from '../db';
import { profileOf } from './profileOf';
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
	readonly keyed: Keyed;
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

/** A zone as a row of {@link NOTICE_COLUMNS}: its plan and what was noted of it as far as lists of all sites need them, in JSON. */
export interface NoticeRow {
	readonly id: string;
	readonly siteId: string;
	readonly zone: string;
	readonly onSite: string;
}
const part = (column: string, name: string) => `'${name}', json(coalesce(${column} -> '$.${name}', 'null'))`;
/** What is selected for a {@link NoticeRow}: the database takes the documents apart, which are long. */
export const NOTICE_COLUMNS = `id, siteId, json_object(${[
	'name',
	'control',
	'options',
	'exceptions',
	'clockReadings'
]
	.map((name) => part('document', name))
	.join(', ')}) AS zone, onSite`;

/** What is missing in a document is taken as its schema says. */
const said = (json: string) =>
	Object.fromEntries(Object.entries(JSON.parse(json) as object).filter(([, value]) => value !== null));

/** A zone for the lists of all sites; see {@link NoticeRow}. */
export function noticeFromRow({ id, zone: document, onSite: noted }: NoticeRow) {
	const planned = zoneNoticeSchema.parse(said(document));
	const onSite = onSiteNoticeSchema.parse(said(noted));
	const clockReadings = joinReadings(planned.clockReadings, onSite.clockReadings);
	return { id, zone: { ...planned, clockReadings }, onSite };
}

export async function zoneFromRow(row: ZoneRow, profiles: readonly ControlProfile[]): Promise<StoredZone> {
	const planned = zoneSchema.parse(row.document);
	const onSite = onSiteSchema.parse(row.onSite ?? {});
	const zone = {
		...planned,
		clockReadings: joinReadings(planned.clockReadings, onSite.clockReadings)
	};
	const keyed = keyedSchema.parse(row.keyed);
	const summary = summarySchema.safeParse(row.summary);
	return {
		id: row.id,
		siteId: row.siteId,
		revision: row.revision,
		zone,
		keyed,
		onSite,
		summary: summary.success ? summary.data : await summarise(zone, keyed, profileOf(zone, profiles)),
		updatedAt: row.updatedAt.toISOString(),
		deletedAt: row.deletedAt?.toISOString() ?? null,
		planned: row.plannedAt && { at: row.plannedAt.toISOString(), by: row.plannedBy ?? '' }
	};
}
