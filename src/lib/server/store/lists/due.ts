import { HOUR_MS } from '$core/civil';
import { Op } from 'sequelize';
import { lastRightMs } from '$core/run';
import { dueAt, DUE_KINDS, type Due } from '$core/words';
import { whileUnchanged, type Database } from '../../db';
import { NOTICE_SELECT, noticeFromRow, siteFromRow, type NoticeRow, type StoredSite } from '../rows';
import { profileOf } from '$core/control';
import { stampOf, type Touched } from '../untouched';

/** Something due, with its site. */
export interface DueOnSite extends Due {
	readonly siteId: string;
	readonly siteName: string;
	readonly place: string;
}

/** A clock that somebody must change by hand. */
export interface ClockByHand {
	readonly zoneId: string;
	readonly name: string;
	/** What a person does at it. */
	readonly how: string;
	/** When it was last seen to be on the right hour, as far as that was noted. */
	readonly rightMs: number | null;
}

/** What a site comes down to for the lists of all sites. */
interface Digest {
	readonly siteId: string;
	readonly siteName: string;
	readonly place: string;
	readonly timeZone: string;
	/** Soonest first. */
	readonly due: readonly DueOnSite[];
	readonly clocksByHand: readonly ClockByHand[];
}

/** What was promised to somebody who called. */
interface PromiseRow {
	readonly siteId: string;
	readonly zoneId: string;
	readonly zoneName: string;
	readonly promised: string;
	readonly on: string;
}
const PROMISES = `SELECT siteId, zoneId, document ->> '$.zoneName' AS zoneName, document ->> '$.promised' AS promised,
	document ->> '$.promisedBy' AS "on" FROM calls
	WHERE siteId IN (:ids) AND closedAt IS NULL AND takenAt IS NOT NULL AND document ->> '$.promisedBy' IS NOT NULL`;

function digestOf(
	{ id, site, profiles }: StoredSite,
	stored: readonly ReturnType<typeof noticeFromRow>[],
	promises: readonly PromiseRow[],
	nowMs: number
): Digest {
	const { name, place, timeZone } = site;
	const zones = stored.map((one) => ({ ...one, profile: profileOf(one.zone, profiles) }));
	// what is about the whole house is seen to from its first zone
	const [first] = zones;
	const atZones = promises.flatMap((one) => {
		if (one.zoneId !== '') return [one];
		return first ? [{ ...one, zoneId: first.id, zoneName: first.zone.name }] : [];
	});
	return {
		siteId: id,
		siteName: name,
		place,
		timeZone,
		due: dueAt(zones, timeZone, nowMs, atZones).map((due) => ({
			...due,
			siteId: id,
			siteName: name,
			place
		})),
		clocksByHand: zones.flatMap(({ id: zoneId, boxId, zone, profile }, i): ClockByHand[] => {
			// a control has one clock, whatever hangs on it
			if (zones.findIndex((one) => one.boxId === boxId) !== i) return [];
			const { summerTime, how } = profile.habits.clock;
			if (summerTime !== 'by-hand') return [];
			return [{ zoneId, name: zone.name, how, rightMs: lastRightMs(zone.clockReadings) }];
		})
	};
}

/** Sites with their zones read at once: between them others are answered. */
const AT_ONCE = 16;

/** The digests of a database's sites with the stamps they were made under. */
const known = new WeakMap<Database, Map<string, { readonly stamp: string; readonly digest: Digest }>>();

/** Every site, read anew only where it or the hour has changed. */
function digests(db: Database, nowMs: number): Promise<readonly Digest[]> {
	const hour = String(Math.floor(nowMs / HOUR_MS));
	return whileUnchanged(
		db,
		'digests',
		async () => {
			const sites = await db.query<Touched>(
				'SELECT id, updatedAt, revision, deletedAt FROM sites WHERE deletedAt IS NULL'
			);
			const had = known.get(db);
			const now = new Map<string, { readonly stamp: string; readonly digest: Digest }>();
			const lost = sites.filter((site) => {
				const one = had?.get(site.id);
				if (one?.stamp !== stampOf(site, hour)) return true;
				now.set(site.id, one);
				return false;
			});
			/** A part of the sites with their zones; the next is read while this one is looked at. */
			const read = (at: number) => {
				const part = lost.slice(at, at + AT_ONCE);
				const ids = part.map((site) => site.id);
				const rows = Promise.all([
					db.sites.all({ where: { id: { [Op.in]: ids } } }),
					db.query<NoticeRow>(
						`${NOTICE_SELECT} WHERE z.siteId IN (:ids) AND z.deletedAt IS NULL ORDER BY z.position`,
						{ ids }
					),
					db.query<PromiseRow>(PROMISES, { ids })
				]);
				// whoever waits for it hears of a failure
				rows.catch(() => undefined);
				return { part, rows };
			};
			let next = read(0);
			for (let at = 0; at < lost.length; at += AT_ONCE) {
				const { part, rows } = next;
				const [siteRows, zoneRows, promises] = await rows;
				if (at + AT_ONCE < lost.length) next = read(at + AT_ONCE);
				for (const light of part) {
					const row = siteRows.find((one) => one.id === light.id);
					if (!row || row.deletedAt) continue;
					const site = siteFromRow(row);
					const zones = zoneRows.filter((zone) => zone.siteId === site.id).map(noticeFromRow);
					now.set(site.id, {
						stamp: stampOf(light, hour),
						digest: digestOf(
							site,
							zones,
							promises.filter((one) => one.siteId === site.id),
							nowMs
						)
					});
				}
				await new Promise((resolve) => setImmediate(resolve));
			}
			known.set(db, now);
			return [...now.values()].map((one) => one.digest);
		},
		hour
	);
}

const before = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);

/** What is due on all sites, soonest first. */
export function dueList(db: Database, nowMs = Date.now()): Promise<readonly DueOnSite[]> {
	return whileUnchanged(
		db,
		'due',
		async () =>
			(await digests(db, nowMs))
				.flatMap((site) => site.due)
				.sort((a, b) => before(a.on, b.on) || before(a.siteName, b.siteName)),
		String(Math.floor(nowMs / HOUR_MS))
	);
}

/** How much of each kind is due on all sites, how much of it is late, and what comes next that is not. */
export interface DueCounts {
	readonly all: number;
	readonly late: number;
	readonly kinds: Readonly<Record<Due['kind'], number>>;
	readonly next: DueOnSite | null;
}

/** See {@link DueCounts}. */
export function dueCounts(db: Database, nowMs = Date.now()): Promise<DueCounts> {
	return whileUnchanged(
		db,
		'due counts',
		async () => {
			const kinds = Object.fromEntries(Object.keys(DUE_KINDS).map((kind) => [kind, 0])) as Record<
				Due['kind'],
				number
			>;
			let late = 0;
			let next: DueOnSite | null = null;
			for (const one of await dueList(db, nowMs)) {
				kinds[one.kind]++;
				if (one.late) late++;
				else next ??= one;
			}
			const all = Object.values(kinds).reduce((sum, count) => sum + count, 0);
			return { all, late, kinds, next };
		},
		String(Math.floor(nowMs / HOUR_MS))
	);
}

/** What is due next at each site that has something due. */
export async function nextDue(db: Database, nowMs = Date.now()): Promise<ReadonlyMap<string, DueOnSite>> {
	return new Map(
		(await digests(db, nowMs)).flatMap(({ siteId, due }) => (due[0] ? [[siteId, due[0]] as const] : []))
	);
}

/** The sites with clocks that are changed by hand, and those clocks. */
export async function sitesByHand(db: Database, nowMs = Date.now()): Promise<readonly Digest[]> {
	return (await digests(db, nowMs)).filter((site) => site.clocksByHand.length > 0);
}
