import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { callSchema, type Call, type CauseKind, type KeptCall, type Report } from '$core/callback';
import type { Database, Readable, Tx } from '../db';
import type { CallRow } from '../db/rows';
import { change, changeWithin, refusal, type Changeable, type Changed } from './change';
import { siteOf, touchSite } from './documents';
import { zonesOfLink } from './links';
import { settingOf } from './settings';

/** A call of a household as it is kept. */
export interface StoredCall {
	readonly id: string;
	readonly siteId: string;
	/** The zone that it is about; null for the whole house. */
	readonly zoneId: string | null;
	/** When it came, in ISO 8601 with offset Z. */
	readonly at: string;
	readonly byCustomer: boolean;
	/** When somebody of the firm took it; null for what a customer said by their link and nobody has taken yet. */
	readonly takenAt: string | null;
	readonly closedAt: string | null;
	readonly revision: number;
	readonly call: Call;
}

/** How many calls a site keeps; and how many words of a customer wait to be taken, at a site and altogether. */
export const MOST_CALLS = 300;
const MOST_WAITING = 5;
const MOST_WAITING_ANYWHERE = 500;
/** From one link one word a minute. */
const BETWEEN_REPORTS_MS = 60_000;

const callOf = ({
	id,
	siteId,
	zoneId,
	at,
	byCustomer,
	takenAt,
	closedAt,
	revision,
	document
}: CallRow): StoredCall => ({
	id,
	siteId,
	zoneId: zoneId === '' ? null : zoneId,
	at: at.toISOString(),
	byCustomer: Boolean(byCustomer),
	takenAt: takenAt?.toISOString() ?? null,
	closedAt: closedAt?.toISOString() ?? null,
	revision,
	call: callSchema.parse(document)
});

/** The calls of a site, the latest first. */
export async function callsOf(from: Readable, siteId: string): Promise<StoredCall[]> {
	return (await from.calls.all({ where: { siteId }, order: [['at', 'DESC']] })).map(callOf);
}

/** The call of an id at a site; null where there is none. */
export async function findCall(from: Readable, siteId: string, id: string): Promise<StoredCall | null> {
	const row = await from.calls.one({ id, siteId });
	return row && callOf(row);
}

/** The calls that are open on all sites, the latest first, each with its site's name. */
export async function openCalls(from: Readable): Promise<(StoredCall & { readonly siteName: string })[]> {
	const [rows, names] = await Promise.all([
		from.calls.all({ where: { closedAt: null }, order: [['at', 'DESC']] }),
		from.query<{ id: string; name: string }>(
			"SELECT s.id, s.document ->> '$.name' AS name FROM sites s WHERE s.deletedAt IS NULL AND s.id IN (SELECT siteId FROM calls WHERE closedAt IS NULL)"
		)
	]);
	const nameOf = new Map(names.map(({ id, name }) => [id, name]));
	return rows.flatMap((row) => {
		const siteName = nameOf.get(row.siteId);
		return siteName === undefined ? [] : [{ ...callOf(row), siteName }];
	});
}

const rowOf = (siteId: string, zoneId: string | null, call: Call, part: Partial<CallRow> = {}): CallRow => {
	const at = new Date();
	return {
		id: randomUUID(),
		siteId,
		zoneId: zoneId ?? '',
		document: call,
		at,
		byCustomer: false,
		takenAt: at,
		closedAt: call.outcome ? at : null,
		revision: 1,
		...part
	};
};

/** What came of a call that is to be kept. */
export type CallAdded =
	| { readonly kind: 'added'; readonly id: string }
	| { readonly kind: 'gone' }
	| { readonly kind: 'zone' }
	| { readonly kind: 'full' };

/** Keeps a call at a site, about one of its zones or (null) the whole house. */
export async function addCall(
	db: Database,
	siteId: string,
	zoneId: string | null,
	call: Call
): Promise<CallAdded> {
	return db.write(async (tx): Promise<CallAdded> => {
		if (!(await siteOf(siteId).read(tx))) return { kind: 'gone' };
		if (zoneId !== null && (await tx.zones.count({ id: zoneId, siteId })) === 0) return { kind: 'zone' };
		if ((await tx.calls.count({ siteId })) >= MOST_CALLS) return { kind: 'full' };
		const row = rowOf(siteId, zoneId, call);
		await tx.calls.create(row);
		await touchSite(tx, siteId);
		return { kind: 'added', id: row.id };
	});
}

const storedCall = (
	siteId: string,
	id: string
): Changeable<StoredCall, { readonly call: Call; readonly zoneId?: string | null }> => ({
	async read(tx) {
		return (await siteOf(siteId).read(tx)) ? findCall(tx, siteId, id) : null;
	},
	async write(tx, current, { call, zoneId = current.zoneId }) {
		const now = new Date();
		const revision = current.revision + 1;
		await tx.calls.update(
			{
				document: call,
				zoneId: zoneId ?? '',
				revision,
				takenAt: current.takenAt ? new Date(current.takenAt) : now,
				closedAt: call.outcome === null ? null : current.closedAt ? new Date(current.closedAt) : now
			},
			{ id }
		);
		await touchSite(tx, siteId);
		return revision;
	}
});

/**
 * Saves a call on the revision that its person knew; whoever saves one that a customer began takes it. With an outcome it is closed,
 * without it is open (again). `zoneId` says which zone it turned out to be.
 */
export const saveCall = (
	db: Database,
	siteId: string,
	id: string,
	revision: number,
	next: { readonly call: Call; readonly zoneId?: string | null }
): Promise<Changed<StoredCall, 'zone'>> =>
	change(db, storedCall(siteId, id), revision, async (tx, current) => {
		const { call, zoneId = current.zoneId } = next;
		if (zoneId !== null && zoneId !== current.zoneId && (await tx.zones.count({ id: zoneId, siteId })) === 0)
			return refusal('zone' as const);
		return { call, zoneId };
	});

/** Removes a call. Returns whether there was one. */
export const removeCall = (db: Database, siteId: string, id: string): Promise<boolean> =>
	db.write(async (tx) => {
		const removed = (await tx.calls.remove({ id, siteId })) > 0;
		if (removed) await touchSite(tx, siteId);
		return removed;
	});

/** What came of a customer's word. */
export type Reported = 'kept' | 'ended' | 'room' | 'full' | 'soon';

/** Keeps what a customer says by their link: marked as theirs, bounded, and changing nothing until somebody of the firm takes it. */
export async function reportByLink(db: Database, token: string, report: Report): Promise<Reported> {
	const opened = await zonesOfLink(db, token);
	if (!opened) return 'ended';
	const { site, zones } = opened;
	const zone = report.room === null ? null : zones[report.room];
	if (zone === undefined) return 'room';
	const { said, caller, facts } = report;
	const call = callSchema.parse({ zoneName: zone?.zone.name ?? '', said, caller, facts });
	return db.write(async (tx): Promise<Reported> => {
		const waiting = await tx.calls.all({
			where: { siteId: site.id, takenAt: null },
			order: [['at', 'DESC']]
		});
		// this machine's clock may have been set back since
		if (waiting.some(({ at }) => Math.abs(Date.now() - at.getTime()) < BETWEEN_REPORTS_MS)) return 'soon';
		if (waiting.length >= MOST_WAITING || (await tx.calls.count({ takenAt: null })) >= MOST_WAITING_ANYWHERE)
			return 'full';
		await tx.calls.create(rowOf(site.id, zone?.id ?? null, call, { byCustomer: true, takenAt: null }));
		return 'kept';
	});
}

/** From when on this firm's closed calls count for what is likely; null: all of them. */
const countedSchema = z.strictObject({ since: z.iso.datetime().nullable().default(null) });
const counted = settingOf('calls', countedSchema, {});

/** How many calls of all sites turned out to be what, as far as they are counted. */
export interface Outcomes {
	readonly since: string | null;
	readonly counts: Readonly<Partial<Record<CauseKind, number>>>;
}

/** See {@link Outcomes}. */
export async function outcomesOf(from: Readable): Promise<Outcomes> {
	const { since } = countedSchema.parse((await from.settings.get('calls'))?.document ?? {});
	const rows = await from.query<{ kind: CauseKind; count: number }>(
		`SELECT document ->> '$.outcome.kind' AS kind, count(*) AS count FROM calls
			WHERE closedAt IS NOT NULL AND document ->> '$.outcome.kind' IS NOT NULL AND closedAt > :since GROUP BY 1`,
		{ since: since === null ? '' : since.replace('T', ' ').replace('Z', ' +00:00') }
	);
	return { since, counts: Object.fromEntries(rows.map(({ kind, count }) => [kind, count])) };
}

/** Counts closed calls from now on only: what is likely goes by common practice again. */
export async function countAnew(db: Database): Promise<void> {
	await db.write((tx) => changeWithin(tx, counted, null, () => ({ since: new Date().toISOString() })));
}

/** Calls as a job file holds them, oldest first: what a customer said and nobody has taken is not among them. */
export async function callsForFile(
	from: Readable,
	siteId: string,
	zoneIds: readonly string[]
): Promise<KeptCall[]> {
	return (await callsOf(from, siteId))
		.filter(({ takenAt }) => takenAt !== null)
		.reverse()
		.map(({ call, zoneId, at, byCustomer, closedAt }) => ({
			...call,
			zone: zoneId === null ? -1 : zoneIds.indexOf(zoneId),
			at,
			byCustomer,
			closedAt
		}));
}

/** Stores the calls of a job file; see {@link callsForFile}. */
export async function createCalls(
	tx: Tx,
	siteId: string,
	calls: readonly KeptCall[],
	zoneIds: readonly string[]
): Promise<void> {
	await tx.calls.create(
		...calls.map(({ zone, at, byCustomer, closedAt, ...call }) =>
			rowOf(siteId, zoneIds[zone] ?? null, call, {
				at: new Date(at),
				byCustomer,
				takenAt: new Date(at),
				closedAt: closedAt === null ? null : new Date(closedAt)
			})
		)
	);
}

/** Open calls as lists show them: with where each is gone on with. What is about a whole house is gone on with at its first zone. */
export async function openCallsInList(from: Readable, siteId: string | null = null) {
	const open = (await openCalls(from)).filter((one) => siteId === null || one.siteId === siteId);
	const firsts = await from.query<{ siteId: string; id: string }>(
		`SELECT z.siteId, z.id FROM zones z WHERE z.deletedAt IS NULL AND z.siteId IN (:sites)
			AND z.position = (SELECT min(o.position) FROM zones o WHERE o.siteId = z.siteId AND o.deletedAt IS NULL)`,
		{ sites: open.length > 0 ? open.map((one) => one.siteId) : [''] }
	);
	const firstOf = new Map(firsts.map((row) => [row.siteId, row.id]));
	return open.map(({ id, siteId: at, siteName, zoneId, call, takenAt, at: when }) => {
		const zone = zoneId ?? firstOf.get(at);
		return {
			id,
			href: zone ? `/sites/${at}/zones/${zone}/callback?call=${id}` : `/sites/${at}`,
			siteId: at,
			siteName,
			zoneName: call.zoneName,
			said: call.said,
			facts: call.facts,
			caller: call.caller,
			promised: call.promised,
			at: when,
			isFresh: takenAt === null
		};
	});
}
