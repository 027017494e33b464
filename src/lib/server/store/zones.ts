import { isDeepStrictEqual } from 'node:util';
import { allowedOptions } from '$core/control';
import {
	machineOptions,
	withKeyedBefore,
	notesAt,
	type KeyedBefore,
	type Note,
	type Notes
} from '$core/keying';
import {
	boxOf,
	MOST_ZONES,
	notesApart,
	noteOnSite,
	onBox,
	onControl,
	VISIT_FIELDS,
	visitBegun,
	type OnSite,
	type OnSiteConflict,
	type OnSiteEdit,
	type Zone
} from '$core/plan';
import type { Database, Tx, ZoneRow } from '../db';
import { hungOn } from './boxes';
import { change, changeWithin, refusal, together, type Changed } from './change';
import { profilesOf } from './controls';
import {
	apartFrom,
	noted,
	openVisit,
	summariseAhead,
	touchSite,
	zoneAt,
	zoneOf,
	type ZoneAt
} from './documents';
import { notHeard, type By } from './heard';
import { profileOf } from '$core/control';
import { endedSince, type StoredVisit } from './visitRows';
import { inOrder, isFree, knowing, newBox, putInOrder, type Of } from './newZones';

const takeZone = async (tx: Tx, at: ZoneAt, zone: Zone, by: string) => {
	const profiles = await knowing(tx, at.site, zone.control);
	if (!profiles) return refusal('control' as const);
	const { channel } = zone.options;
	const moved = zone.control === at.zone.control && channel !== at.zone.options.channel;
	if (moved && !(await isFree(tx, at, channel, at.id))) return refusal('channel' as const);
	return { zone, profiles, by };
};

/**
 * Saves a zone if it still stands at the revision that the person's window knew. When another
 * window saved in between, nothing is written and the caller gets what stands there now. `by` is
 * who saves it, as far as they said.
 */
export async function saveZone(
	db: Database,
	{ id: siteId }: Of,
	id: string,
	revision: number,
	zone: Zone,
	by = ''
): Promise<Changed<ZoneAt, 'control' | 'channel'>> {
	await summariseAhead(db, siteId, id, { zone }, await profilesOf(db));
	return change(db, zoneOf(siteId, id), revision, (tx, at) => takeZone(tx, at, zone, by));
}

/** What came of saving several zones: all saved, or the name of the first that could not be and why. */
export type ZonesSaved =
	| { readonly kind: 'saved' }
	| { readonly kind: 'behind' | 'control' | 'channel'; readonly name: string; readonly index: number };

/** Saves several zones of a site together, each on the revision given, or none of them. */
export async function saveZones(
	db: Database,
	{ id: siteId }: Of,
	changes: readonly { id: string; revision: number; zone: Zone }[],
	by = ''
): Promise<ZonesSaved> {
	const own = await profilesOf(db);
	for (const { id, zone } of changes) await summariseAhead(db, siteId, id, { zone }, own);
	return together<ZonesSaved>(db, async (tx, undo) => {
		const before = await Promise.all(changes.map(({ id }) => zoneAt(tx, siteId, id)));
		for (const [index, { id, revision, zone }] of changes.entries()) {
			const was = before[index];
			if (was?.revision !== revision) return undo({ kind: 'behind', name: zone.name, index });
			// what one of them changed of a control that they share stands, unless another changes it too
			const touches = !isDeepStrictEqual(boxOf(zone), boxOf(was.zone));
			const came = await changeWithin(tx, zoneOf(siteId, id), null, (_, at) =>
				takeZone(tx, at, touches ? zone : onBox(zone, boxOf(at.zone)), by)
			);
			if (came.kind !== 'saved')
				undo({ kind: came.kind === 'refused' ? came.because : 'behind', name: zone.name, index });
		}
		return { kind: 'saved' };
	});
}

/**
 * Notes what was done at a control, in its order, with what other devices note meanwhile; what came in
 * already is passed over. Returns all that is noted there now, or undefined if the zone is gone.
 */
export async function noteAtControl(
	db: Database,
	{ id: siteId }: Of,
	id: string,
	more: readonly Note[]
): Promise<Notes | undefined> {
	await summariseAhead(db, siteId, id, { notes: more });
	let notes: Notes | undefined;
	await change(db, zoneOf(siteId, id), null, async (tx, current) => {
		const profile = profileOf(current.zone, current.site.profiles);
		const { fresh, mark } = await notHeard(tx, siteId, `${id}/notes`, more);
		notes = noted(profile, current.notes, fresh);
		await mark();
		return { notes };
	});
	return notes;
}

/** Notes what the version before sends, that may wait in a browser still; see {@link noteAtControl}. Returns whether the zone is there. */
export async function noteKeyedBefore(
	db: Database,
	{ id: siteId }: Of,
	id: string,
	changes: KeyedBefore,
	by?: By
): Promise<boolean> {
	const came = await change(db, zoneOf(siteId, id), null, async (tx, { zone, site, notes }) => {
		const { fresh, mark } = await notHeard(tx, siteId, `${id}/notes`, [{ by }]);
		if (fresh.length === 0) return {};
		await mark();
		const profile = profileOf(zone, site.profiles);
		const grouping = { id: zone.grouping ?? profile.groupings[0]!.id };
		const planned = machineOptions(profile, allowedOptions(profile, zone.options), grouping);
		return { notes: withKeyedBefore(profile, planned, notesAt(profile, notes), changes) };
	});
	return came.kind === 'saved';
}

/** What came of noting fields on site: what is noted now and what two people noted differently; or why a value was refused; or which visit ended meanwhile. */
export type Noted =
	| { readonly kind: 'noted'; readonly onSite: OnSite; readonly conflicts: readonly OnSiteConflict[] }
	| { readonly kind: 'ended'; readonly visit: StoredVisit }
	| { readonly kind: 'refused'; readonly sentence: string }
	| { readonly kind: 'gone' };

/** Edits of a visit that is only being begun: what stood there on the one before is no other's note, and no entry of it is taken over. */
function begunBy(edits: readonly OnSiteEdit[], before: OnSite): OnSiteEdit[] {
	const old = (entry: unknown, of: unknown) =>
		Array.isArray(of) && of.some((one) => isDeepStrictEqual(one, entry));
	return edits.map((edit) => {
		if (!(VISIT_FIELDS as readonly string[]).includes(edit.key)) return edit;
		const { key, value } = edit;
		return { key, value: Array.isArray(value) ? value.filter((one) => !old(one, before[key])) : value };
	});
}

/**
 * Notes fields found or done at a zone's control, merged with what other devices note. `after` is the visit that the device knew as the
 * last one that ended (null: none); where another has ended since, nothing is noted: whose visit it belongs to is for a person to say.
 */
export async function noteFields(
	db: Database,
	{ id: siteId }: Of,
	id: string,
	edits: readonly OnSiteEdit[],
	after?: string | null
): Promise<Noted> {
	let came: Noted = { kind: 'gone' };
	await change(db, zoneOf(siteId, id), null, async (tx, current) => {
		const visit = await endedSince(tx, siteId, after);
		if (visit) {
			came = { kind: 'ended', visit };
			return refusal('ended');
		}
		const { fresh, mark } = await notHeard(tx, siteId, `${id}/on-site`, edits);
		// a clock set on a round opens no visit
		const opened = fresh.some(({ key }) => key !== 'clockReadings') && (await openVisit(tx, siteId));
		const result = opened
			? noteOnSite(visitBegun(current.onSite), begunBy(fresh, current.onSite))
			: noteOnSite(current.onSite, fresh);
		if ('refused' in result) {
			came = { kind: 'refused', sentence: result.refused };
			return refusal(result.refused);
		}
		// what is offered to a person is told again until its answer was heard
		const offered = fresh.findIndex(({ key, value }) =>
			result.conflicts.some((one) => one.key === key && isDeepStrictEqual(one.mine, value))
		);
		await mark(offered < 0 ? fresh : fresh.slice(0, offered));
		came = { kind: 'noted', onSite: result.noted, conflicts: result.conflicts };
		return { onSite: result.noted };
	});
	return came;
}

/** What came of hanging a zone on another control: hung, or why not. */
export type ZoneHung = 'hung' | 'gone' | 'beside' | 'channel';

/**
 * Hangs a zone on a channel of the control of the zone `beside`, whose plan for it then counts, or (null) on a control of its own, which keeps
 * what the shared one was. Refused where that channel governs another zone.
 */
export async function hangZone(
	db: Database,
	{ id: siteId }: Of,
	id: string,
	besideId: string | null,
	channel: number,
	by = ''
): Promise<ZoneHung> {
	const came = await change(db, zoneOf(siteId, id), null, async (tx, at) => {
		if (besideId === null) {
			const zone = { ...at.zone, otherChannels: null };
			const boxId = await newBox(tx, siteId, {
				zone: apartFrom(at.onSite, zone),
				notes: at.notes,
				onSite: at.onSite
			});
			return { zone, boxId, by };
		}
		const beside = besideId === id ? null : await zoneAt(tx, siteId, besideId);
		if (!beside) return refusal('beside' as const);
		if (!(await isFree(tx, beside, channel, id))) return refusal('channel' as const);
		const own = profileOf(at.zone, at.site.profiles);
		const zone =
			at.zone.control === beside.zone.control
				? at.zone
				: onControl(at.zone, own, profileOf(beside.zone, at.site.profiles));
		const onSite = { ...beside.onSite, ...notesApart(at.onSite).zone };
		return {
			zone: hungOn(zone, channel, beside.zone),
			notes: beside.notes,
			onSite,
			boxId: beside.boxId,
			by
		};
	});
	if (came.kind === 'refused') return came.because;
	return came.kind === 'saved' ? 'hung' : 'gone';
}

/** Removes a zone so that it can be put back. Returns whether it was there. */
export async function removeZone(db: Database, { id: siteId }: Of, id: string): Promise<boolean> {
	const removed = await change(db, zoneOf(siteId, id), null, () => ({ deletedAt: new Date() }));
	return removed.kind === 'saved';
}

/** Puts a removed zone back in its place, where there is room for it. */
export async function restoreZone(db: Database, { id: siteId }: Of, id: string): Promise<boolean> {
	const back = await change(db, zoneOf(siteId, id, true), null, async (tx) =>
		(await tx.zones.count({ siteId, deletedAt: null })) < MOST_ZONES
			? { deletedAt: null }
			: refusal('full' as const)
	);
	return back.kind === 'saved';
}

/** Puts the site's zones in this order; zones not named keep their order behind the named ones, removed ones behind those. */
export async function orderZones(db: Database, { id: siteId }: Of, order: readonly string[]): Promise<void> {
	await db.write(async (tx) => {
		const rows = await inOrder(tx, siteId);
		const place = (row: ZoneRow) => {
			const index = order.indexOf(row.id);
			return row.deletedAt !== null ? order.length + 1 : index < 0 ? order.length : index;
		};
		await putInOrder(
			tx,
			[...rows].sort((a, b) => place(a) - place(b))
		);
		await touchSite(tx, siteId);
	});
}
