import isSame from 'fast-deep-equal';
import { Op } from 'sequelize';
import type { ControlProfile } from '$core/control';
import { notesAt, withNote, type Note, type Notes } from '$core/keying';
import {
	boxOf,
	joinReadings,
	notesApart,
	onSiteSchema,
	visitBegun,
	type OnSite,
	type Site,
	type Zone
} from '$core/plan';
import type { Readable, Tx } from '../db';
import type { Changeable } from './change';
import { boxRow, channelOf, writeStanding, zoneColumns, type Written } from './boxes';
import { siteFromRow, type StoredSite, type StoredZone } from './rows';
import { zoneOfRow } from './siteReads';
import { findProfile } from '$core/control';
import { summarise } from './summary';
import { touchTime } from './untouched';

/** What of a site is to be another. What is not named stays. */
export interface SiteNext {
	readonly site?: Site;
	readonly profiles?: readonly ControlProfile[];
	/** Deleted, or (null) put back. */
	readonly deletedAt?: Date | null;
	readonly visitOpenSince?: Date | null;
}

/** A site, deleted or not as asked for. Every change of it touches it. */
export const siteOf = (id: string, deleted = false): Changeable<StoredSite, SiteNext> => ({
	async read(tx) {
		const row = await tx.sites.get(id);
		return row && (row.deletedAt !== null) === deleted ? siteFromRow(row) : null;
	},
	async write(tx, { revision }, { site, profiles, ...rest }) {
		const next = site ? revision + 1 : revision;
		await tx.sites.update(
			{
				...rest,
				...(site ? { document: site } : {}),
				...(profiles ? { profiles } : {}),
				revision: next,
				updatedAt: touchTime()
			},
			{ id }
		);
		return next;
	}
});

/** Notes that something on the site was changed. */
export async function touchSite(tx: Tx, id: string): Promise<void> {
	await tx.sites.update({ updatedAt: touchTime() }, { id });
}

/**
 * Has a visit go on at a site from now, where none does: nothing that was found, tested or left on the visit before counts for it, at
 * none of its zones. Returns whether it was opened now, after another had ended.
 */
export async function openVisit(tx: Tx, siteId: string): Promise<boolean> {
	const opened = await tx.sites.update({ visitOpenSince: new Date() }, { id: siteId, visitOpenSince: null });
	if (opened === 0 || (await tx.visits.count({ siteId })) === 0) return false;
	const begun = (noted: unknown) => notesApart(visitBegun(onSiteSchema.parse({ ...(noted as object) })));
	for (const { id, onSite } of await tx.zones.all({ where: { siteId } }))
		await tx.zones.update({ onSite: begun(onSite).zone }, { id });
	for (const { id, onSite } of await tx.boxes.all({ where: { siteId } }))
		await tx.boxes.update({ onSite: begun(onSite).box }, { id });
	return true;
}

/** A zone as it stands, with its site. */
export interface ZoneAt extends StoredZone {
	readonly site: StoredSite;
}

/** What of a zone is to be another. What is not named stays. */
export interface ZoneNext {
	readonly zone?: Zone;
	readonly notes?: Notes | null;
	readonly onSite?: OnSite;
	/** The control that it is to hang on from now; what is written of it must be that control's. */
	readonly boxId?: string;
	/** Removed, or (null) put back. */
	readonly deletedAt?: Date | null;
	/** Who plans it, as far as they said. */
	readonly by?: string;
	/** The site's profiles where they are others by now: the zone is summarised by them. */
	readonly profiles?: readonly ControlProfile[];
}

/** The zone as it is stored: looks at its clock that were noted on site stand there alone, so that they can be taken back. */
export function apartFrom(onSite: OnSite, zone: Zone): Zone {
	const there = new Set(onSite.clockReadings.map((reading) => reading.at));
	return { ...zone, clockReadings: zone.clockReadings.filter((reading) => !there.has(reading.at)) };
}

/** The other zones of a control that are not removed. */
const beside = (from: Readable, boxId: string, id: string) =>
	from.zones.all({ where: { boxId, deletedAt: null, id: { [Op.ne]: id } } });

/** A zone on a site that is not deleted, itself removed or not as asked for. What of it belongs to its control is written there. */
export const zoneOf = (siteId: string, id: string, removed = false): Changeable<ZoneAt, ZoneNext> => ({
	read: (tx) => zoneAt(tx, siteId, id, removed),
	async write(tx, current, next) {
		const { notes = current.notes, onSite = current.onSite } = next;
		const zone = apartFrom(onSite, next.zone ?? current.zone);
		const profiles = next.profiles ?? current.site.profiles;
		const revision = next.zone ? current.revision + 1 : current.revision;
		const written = { zone, notes, onSite };
		const others = await beside(tx, current.boxId, id);
		// another control, or a channel that another zone took meanwhile: it hangs on one of its own from now
		const taken = others.some((row) => channelOf(row) === zone.options.channel);
		const changes = next.zone !== undefined && zone.control !== current.zone.control;
		// what was removed from it counts as on it: put back, it is to find what it hung on
		const leaves = changes
			? (await tx.zones.count({ boxId: current.boxId, id: { [Op.ne]: id } })) > 0
			: next.deletedAt === null && taken;
		let boxId = next.boxId ?? current.boxId;
		if (leaves && next.boxId === undefined) {
			const row = boxRow(siteId, written);
			await tx.boxes.create(row);
			boxId = row.id;
		}
		await tx.zones.update(
			{
				...(next.zone ? { plannedAt: new Date(), plannedBy: next.by ?? '' } : {}),
				...(next.zone || next.onSite ? zoneColumns(written) : {}),
				...(next.deletedAt !== undefined ? { deletedAt: next.deletedAt } : {}),
				boxId,
				revision,
				updatedAt: new Date()
			},
			{ id }
		);
		if (next.zone || next.notes !== undefined || next.onSite)
			await writeBox(tx, boxId, id, written, next.zone !== undefined);
		if (next.zone || next.notes !== undefined || next.deletedAt !== undefined) {
			await writeStanding(tx, boxId, profiles);
			if (boxId !== current.boxId) await writeStanding(tx, current.boxId, profiles);
		}
		await touchSite(tx, siteId);
		return revision;
	}
});

/** Writes what belongs to a control; where its plan is another now, so is that of every other zone on it. */
async function writeBox(
	tx: Tx,
	boxId: string,
	id: string,
	{ zone, notes, onSite }: Written,
	planned: boolean
): Promise<void> {
	const had = await tx.boxes.get(boxId);
	const document = boxOf(zone);
	await tx.boxes.update(
		{ ...(planned ? { document } : {}), notes, onSite: notesApart(onSite).box },
		{ id: boxId }
	);
	if (!planned || isSame(had?.document, document)) return;
	for (const row of await beside(tx, boxId, id))
		await tx.zones.update({ revision: row.revision + 1, updatedAt: new Date() }, { id: row.id });
}

/** A zone with its site as they stand; null where it is not there so. */
export async function zoneAt(
	from: Readable,
	siteId: string,
	id: string,
	removed = false
): Promise<ZoneAt | null> {
	const siteRow = await from.sites.get(siteId);
	const row = await from.zones.one({ id, siteId, deletedAt: removed ? { [Op.ne]: null } : null });
	if (!siteRow || siteRow.deletedAt || !row) return null;
	const site = siteFromRow(siteRow);
	return { ...(await zoneOfRow(from, site, row)), site };
}

/** What is noted at a control with more of it, in its order. */
export const noted = (profile: ControlProfile, was: Notes | null, more: readonly Note[]): Notes =>
	more.reduce((notes, note) => withNote(profile, notes, soFar(note)), notesAt(profile, was));

/** A note with when it was made, that is not to come: a device whose clock goes ahead noted it at the latest just now. */
const soFar = (note: Note): Note =>
	note.by ? { ...note, by: { ...note.by, atMs: Math.min(note.by.atMs, Date.now()) } } : note;

/**
 * Computes where a zone will stand before the change is asked for, so that the others wait for nothing: inside the change it is found
 * as computed, unless somebody was quicker.
 */
export async function summariseAhead(
	from: Readable,
	siteId: string,
	id: string,
	next: { readonly zone?: Zone; readonly notes?: readonly Note[] },
	profiles: readonly ControlProfile[] = []
): Promise<void> {
	const at = await zoneAt(from, siteId, id);
	if (!at) return;
	const planned = next.zone ?? at.zone;
	const zone = {
		...planned,
		clockReadings: joinReadings(planned.clockReadings, at.onSite.clockReadings)
	};
	// one that nobody knows is refused later, in words
	const profile = findProfile(zone.control, [...at.site.profiles, ...profiles]);
	if (!profile) return;
	const notes = next.notes ? noted(profile, at.notes, next.notes) : at.notes;
	await summarise({ ...zone, otherChannels: null }, notes, profile);
	if (at.zone.otherChannels)
		await summarise({ ...zone, otherChannels: at.zone.otherChannels }, notes, profile);
}
