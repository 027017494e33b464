import { randomUUID } from 'node:crypto';
import { findProfile } from '$core/control';
import { standingOf, type Job } from '$core/formats';
import { channelCount, MOST_ZONES, nothingNoted, type Zone } from '$core/plan';
import type { BoxRow, Database, Tx, ZoneRow } from '../db';
import {
	amongChannels,
	boxRow,
	channelOf,
	hungOn,
	seen,
	writeStanding,
	zoneColumns,
	type Written
} from './boxes';
import { changeWithin } from './change';
import { profilesOf } from './controls';
import { siteOf, touchSite, zoneAt, type ZoneAt } from './documents';
import type { StoredSite } from './rows';
import { profileOf } from '$core/control';
import { findSite } from './siteReads';
import { summarise } from './summary';

/** The site that a zone belongs to: what else is known of it is read where it is changed. */
export type Of = Pick<StoredSite, 'id'>;

/**
 * Why a zone was not taken: its control is known neither to the site nor to the installation, the site is full, its channel governs another
 * zone, or the zone on whose control it is to hang is not there.
 */
export type ZoneRefused = 'control' | 'full' | 'channel' | 'beside';

/** The rows of new zones from their place on, and of the controls that they hang on. */
export interface NewRows {
	readonly zones: ZoneRow[];
	readonly boxes: BoxRow[];
}

/** The row of a new zone on a control. */
async function zoneRow(
	siteId: string,
	boxId: string,
	position: number,
	{ zone, notes, onSite }: Written,
	profiles: StoredSite['profiles']
): Promise<ZoneRow> {
	const now = new Date();
	return {
		id: randomUUID(),
		siteId,
		boxId,
		position,
		...zoneColumns({ zone, onSite }),
		summary: await summarise(zone, notes, profileOf(zone, profiles)),
		revision: 1,
		createdAt: now,
		updatedAt: now,
		deletedAt: null,
		plannedAt: null,
		plannedBy: null
	};
}

/** The rows of a job's zones and controls. */
export async function newRows(siteId: string, job: Pick<Job, 'zones' | 'profiles'>): Promise<NewRows> {
	const boxes = new Map<number, BoxRow>();
	const zones: ZoneRow[] = [];
	for (const [position, one] of job.zones.entries()) {
		const written = standingOf(one);
		const box = boxes.get(one.hangsOn) ?? boxRow(siteId, written);
		boxes.set(one.hangsOn, box);
		zones.push(await zoneRow(siteId, box.id, position, written, job.profiles));
	}
	const all = { zones, boxes: [...boxes.values()] };
	for (const box of all.boxes) {
		const on = zones.filter((row) => row.boxId === box.id);
		if (on.length < 2) continue;
		const among = await amongChannels(
			on.map((row) => seen(row, box)),
			job.profiles
		);
		for (const { row, zone, notes } of among)
			row.summary = await summarise(zone, notes, profileOf(zone, job.profiles));
	}
	return all;
}

/**
 * The profiles of a site that is able to use a control: as they are where it knows it, else with its own copy of the
 * installation's, so that a later change there touches no zone unasked. Null where nobody knows the control.
 */
export async function knowing(
	tx: Tx,
	site: StoredSite,
	controlId: string
): Promise<StoredSite['profiles'] | null> {
	if (findProfile(controlId, site.profiles)) return site.profiles;
	const kept = (await profilesOf(tx)).find((profile) => profile.id === controlId);
	if (!kept) return null;
	const profiles = [...site.profiles, kept];
	await changeWithin(tx, siteOf(site.id), null, () => ({ profiles }));
	return profiles;
}

/** The zones of a site in their order, removed ones in their places: put back, they stand there again. */
export const inOrder = (tx: Tx, siteId: string): Promise<ZoneRow[]> =>
	tx.zones.all({
		where: { siteId },
		order: [
			['position', 'ASC'],
			['createdAt', 'ASC']
		]
	});

export async function putInOrder(tx: Tx, rows: readonly ZoneRow[]): Promise<void> {
	for (const [position, row] of rows.entries())
		if (row.position !== position) await tx.zones.update({ position }, { id: row.id });
}

/** Creates the control of a new zone and returns its id. */
export async function newBox(tx: Tx, siteId: string, written: Written): Promise<string> {
	const row = boxRow(siteId, written);
	await tx.boxes.create(row);
	return row.id;
}

/** Whether a channel of a zone's control governs no zone but perhaps itself, and is one of its channels. */
export async function isFree(
	tx: Tx,
	{ boxId, zone, site }: ZoneAt,
	channel: number,
	but?: string
): Promise<boolean> {
	if (channel >= channelCount(profileOf(zone, site.profiles))) return false;
	const rows = await tx.zones.all({ where: { boxId, deletedAt: null } });
	return rows.every((row) => row.id === but || channelOf(row) !== channel);
}

/** What came of adding a zone: its id, or why not. */
export type ZoneAdded =
	| { readonly kind: 'added'; readonly id: string }
	| { readonly kind: 'refused'; readonly because: ZoneRefused }
	| { readonly kind: 'gone' };

/**
 * Adds a zone after the given one (or last): with a control of its own, or on that of the zone `beside`, by whose plan for it the new one
 * then goes; its channel there must be free.
 */
export async function addZone(
	db: Database,
	{ id: siteId }: Of,
	written: Written,
	after: string | null = null,
	besideId: string | null = null
): Promise<ZoneAdded> {
	// fitted before the change is asked for, by the profile that it will most likely have
	const { zone, notes } = written;
	const likely = findProfile(zone.control, await profilesOf(db));
	if (likely) await summarise(zone, notes, likely);
	return db.write(async (tx): Promise<ZoneAdded> => {
		const site = await siteOf(siteId).read(tx);
		if (!site) return { kind: 'gone' };
		const rows = await inOrder(tx, siteId);
		if (rows.filter((row) => row.deletedAt === null).length >= MOST_ZONES)
			return { kind: 'refused', because: 'full' };
		const beside = besideId === null ? null : await zoneAt(tx, siteId, besideId);
		if (besideId !== null && !beside) return { kind: 'refused', because: 'beside' };
		const { channel } = zone.options;
		if (beside && (beside.zone.control !== zone.control || !(await isFree(tx, beside, channel))))
			return { kind: 'refused', because: 'channel' };
		const profiles = await knowing(tx, site, zone.control);
		if (!profiles) return { kind: 'refused', because: 'control' };
		const index = rows.findIndex((row) => row.id === after);
		const position = index < 0 ? rows.length : index + 1;
		const made = beside
			? { ...written, zone: hungOn(zone, channel, beside.zone), notes: beside.notes }
			: written;
		const boxId = beside ? beside.boxId : await newBox(tx, siteId, made);
		const row = await zoneRow(siteId, boxId, position, made, profiles);
		await tx.zones.create(row);
		if (beside) await writeStanding(tx, boxId, profiles);
		await putInOrder(tx, [...rows.slice(0, position), row, ...rows.slice(position)]);
		await touchSite(tx, siteId);
		return { kind: 'added', id: row.id };
	});
}

/** What came of adding several zones: their ids, or why none was taken and by which. */
export type ZonesAdded =
	| { readonly kind: 'added'; readonly ids: readonly string[] }
	| { readonly kind: 'refused'; readonly because: ZoneRefused; readonly index: number }
	| { readonly kind: 'gone' };

/** Adds zones after those that are there, all or none; those that hang on one number have one control, a channel each. */
export async function addZones(
	db: Database,
	{ id: siteId }: Of,
	zones: readonly { readonly zone: Zone; readonly hangsOn: number }[]
): Promise<ZonesAdded> {
	const known = await findSite(db, siteId);
	if (!known || known.deletedAt !== null) return { kind: 'gone' };
	// what the site has of its own stands before what the installation knows
	const profiles = [...known.profiles, ...(await profilesOf(db))];
	for (const [index, { zone, hangsOn }] of zones.entries()) {
		const refused = (because: ZoneRefused): ZonesAdded => ({ kind: 'refused', because, index });
		const profile = findProfile(zone.control, profiles);
		if (!profile) return refused('control');
		const before = zones.slice(0, index).filter((one) => one.hangsOn === hangsOn);
		const isOther = ({ zone: on }: (typeof zones)[number]) =>
			on.control === zone.control && on.options.channel !== zone.options.channel;
		if (zone.options.channel >= channelCount(profile) || !before.every(isOther)) return refused('channel');
	}
	// fitted before anything is written
	const rows = await newRows(siteId, {
		profiles,
		zones: zones.map(({ zone, hangsOn }) => ({ ...zone, hangsOn, notes: null, onSite: nothingNoted }))
	});
	return db.write(async (tx): Promise<ZonesAdded> => {
		let site = await siteOf(siteId).read(tx);
		if (!site) return { kind: 'gone' };
		const there = await inOrder(tx, siteId);
		if (there.filter((row) => row.deletedAt === null).length + zones.length > MOST_ZONES)
			return { kind: 'refused', because: 'full', index: 0 };
		for (const [index, { zone }] of zones.entries()) {
			const now: StoredSite['profiles'] | null = await knowing(tx, site, zone.control);
			if (!now) return { kind: 'refused', because: 'control', index };
			site = { ...site, profiles: now };
		}
		await tx.boxes.create(...rows.boxes);
		await tx.zones.create(...rows.zones.map((row, i) => ({ ...row, position: there.length + i })));
		await touchSite(tx, siteId);
		return { kind: 'added', ids: rows.zones.map(({ id }) => id) };
	});
}
