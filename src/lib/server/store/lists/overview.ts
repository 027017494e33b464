import { error } from '@sveltejs/kit';
import type { ControlProfile } from '$core/control';
import { database, type Database } from '../../db';
import { whileUntouched } from '../untouched';
import { byChannel } from '$core/keying';
import { dateOfDay, dateWords, wallAt } from '$core/civil';
import { isUndrawn, leadIsStale, testStanding } from '$core/plan';
import { DAY_MINUTES } from '$core/week';
import { without } from '$core/schema';
import { awayStanding, boxWords, channelName, clockStanding, type SiteHistory } from '$core/words';
import type { StoredSite, StoredZone } from '../rows';
import { findSite, findZone, zonesOf } from '../siteReads';
import { profileOf } from '$core/control';
import { siteMark } from '../sites';

/** A site with its zones, for the pages of that site. Answers 404 (throws SvelteKit's error) when it is not there. */
export async function siteForPages(
	id: string
): Promise<{ stored: StoredSite; zones: readonly StoredZone[]; removed: readonly StoredZone[] }> {
	const db = await database();
	const stored = await findSite(db, id);
	if (!stored) error(404, 'There is no such site.');
	if (stored.deletedAt) error(404, `${stored.site.name} has been deleted. It can be put back from Jobs.`);
	const [zones, removed] = await Promise.all([zonesOf(db, stored), zonesOf(db, stored, true)]);
	return { stored, zones, removed };
}

/** What is known of the visits and calls of a site. What a customer says touches no site: calls are read each time. */
export async function historyOf(db: Database, site: StoredSite): Promise<SiteHistory> {
	const visits = whileUntouched(db, site, 'history', async () => {
		const [count, [last]] = await Promise.all([
			db.visits.count({ siteId: site.id }),
			db.query<{ at: string; signedOff: number }>(
				"SELECT at, document ->> '$.signedOff' AS signedOff FROM visits WHERE siteId = :siteId AND document ->> '$.dwelling' IS NULL ORDER BY at DESC LIMIT 1",
				{ siteId: site.id }
			)
		]);
		return {
			visits: count,
			last: last ? { atMs: Date.parse(last.at), signedOff: Boolean(last.signedOff) } : null,
			isOpen: site.visitOpenSince !== null
		};
	});
	const open = await db.calls.all({ where: { siteId: site.id, closedAt: null } });
	return { ...(await visits), openCalls: open.map(({ zoneId }) => zoneId || null) };
}

/** When each zone was signed off, as a date in words, by its id: none whose last visit was not. */
async function signedOf(
	db: Database,
	{ id: siteId, site }: StoredSite
): Promise<ReadonlyMap<string, string>> {
	const left = await db.query<{ zoneId: string; at: string; signedOff: number }>(
		`SELECT zone.value ->> '$.id' AS zoneId, visits.at AS at, visits.document ->> '$.signedOff' AS signedOff
		FROM visits, json_each(visits.document, '$.zones') AS zone WHERE visits.siteId = :siteId ORDER BY visits.at`,
		{ siteId }
	);
	const last = new Map(left.map((one) => [one.zoneId, one]));
	const day = (at: string) =>
		dateWords(dateOfDay(Math.floor(wallAt(site.timeZone, Date.parse(at)) / DAY_MINUTES)), 'short');
	return new Map([...last.values()].flatMap((one) => (one.signedOff ? [[one.zoneId, day(one.at)]] : [])));
}

/** A zone in a list: its name, control, drawn week and where it stands. */
function zoneInList(stored: StoredZone, site: StoredSite, signed: ReadonlyMap<string, string>) {
	const { id, zone, summary, updatedAt } = stored;
	const profile = profileOf(zone, site.profiles);
	const { timeZone } = site.site;
	const nowMs = Date.now();
	return {
		id,
		revision: stored.revision,
		name: zone.name,
		control: profile.name,
		boxId: stored.boxId,
		/** Its control with its place, and the channel that governs it. */
		box: boxWords(zone, profile),
		channel: channelName(zone, profile),
		isSwitch: profile.temperature === null,
		undrawn: isUndrawn(zone, profile),
		levels: zone.levels,
		wanted: zone.wanted,
		/** The whole zone as it stands at `revision`, for renaming and copying it. */
		document: zone,
		summary: without(summary, 'byHand'),
		clock: clockStanding(zone, profile, timeZone, nowMs),
		proof: zone.room === null ? 'room not described' : leadIsStale(zone) ? 'preheat out of date' : 'computed',
		away: awayStanding(zone, profile, timeZone, nowMs),
		/** Whether every step of its functional test was seen on this visit, and when it was last signed off. */
		tested: testStanding(stored.onSite.test) === 'passed',
		signed: signed.get(id) ?? null,
		updatedAt
	};
}
/** The zones of a site in a list, made anew when the site was touched or the minute is over: what a clock shows now is said. */
export function zonesInList(
	db: Database,
	site: StoredSite,
	zones: readonly StoredZone[]
): Promise<readonly ZoneInList[]> {
	const minute = String(Math.floor(Date.now() / 60_000));
	return whileUntouched(
		db,
		site,
		'in list',
		async () => {
			// only dwellings of a type say it
			const signed = zones.some(({ zone }) => zone.type !== '') ? await signedOf(db, site) : new Map();
			return zones.map((zone) => zoneInList(zone, site, signed));
		},
		minute
	);
}
export type ZoneInList = ReturnType<typeof zoneInList>;

/** A zone with its site and profile, for the pages of that zone. Answers 404 (throws SvelteKit's error) when it is not there. */
export async function zoneForPages(
	siteId: string,
	zoneId: string
): Promise<{
	stored: StoredZone;
	/** The zones of its control, itself among them, in the order of its channels. */
	channels: readonly StoredZone[];
	profile: ControlProfile;
	mark: string;
}> {
	const db = await database();
	const site = await findSite(db, siteId);
	if (!site) error(404, 'There is no such site.');
	const stored = await findZone(db, site, zoneId);
	if (!stored) error(404, 'There is no such zone on this site.');
	if (stored.deletedAt)
		error(404, `${stored.zone.name} has been removed. It can be put back from the board.`);
	const channels = stored.zone.otherChannels
		? byChannel((await zonesOf(db, site)).filter(({ boxId }) => boxId === stored.boxId))
		: [stored];
	return { stored, channels, profile: profileOf(stored.zone, site.profiles), mark: siteMark(site) };
}
