import { dateOfDay, wallAt } from '../civil';
import type { ControlProfile } from '../control';
import { dueOf } from '../checks';
import { LEFT_WORDS, type OnSiteNotice, type ZoneNotice } from '../plan';
import { awayStanding, lastRight, nextTransitions } from '../run';

/** Something that somebody must come or call for. */
export interface Due {
	/** `YYYY-MM-DD`; today's date for what is due since some time. */
	readonly on: string;
	readonly kind: 'clock' | 'batteries' | 'left-on' | 'promised';
	readonly sentence: string;
	readonly zoneId: string;
	readonly zoneName: string;
	readonly late: boolean;
}

export interface DueZone {
	readonly id: string;
	readonly zone: ZoneNotice;
	readonly onSite: OnSiteNotice;
	readonly profile: ControlProfile;
}

/** How far ahead a due list looks, in days. */
export const DUE_DAYS = 400;

/**
 * What is due at a site, soonest first: clocks changed by hand (missed ones too, until a reading says that the clock was
 * set after them), batteries, holidays and holds left on, promised returns.
 */
export function dueAt(zones: readonly DueZone[], timeZone: string, nowMs: number): Due[] {
	const dateAt = (ms: number) => dateOfDay(Math.floor(wallAt(timeZone, ms) / 1440));
	const today = dateAt(nowMs);
	const last = dateAt(nowMs + DUE_DAYS * 86_400_000);
	const all = zones.flatMap(({ id, zone, onSite, profile }): Due[] => {
		const due: Due[] = [];
		const put = (on: string, kind: Due['kind'], sentence: string) => {
			if (on <= last) due.push({ on, kind, sentence, zoneId: id, zoneName: zone.name, late: on < today });
		};
		if (profile.habits.clock.summerTime === 'by-hand') {
			const right = lastRight(zone.clockReadings);
			// changes since it was last right are still to be made; without any reading only those ahead are known
			const from = right ? Date.parse(right.at) : nowMs;
			const changes = nextTransitions(timeZone, from, 40).filter(
				(change) => change.atMs <= nowMs + DUE_DAYS * 86_400_000
			);
			const missed = changes.filter((change) => change.atMs <= nowMs).at(-1);
			if (missed)
				put(dateAt(missed.atMs), 'clock', 'Its clock was not changed: everything comes at the wrong hour.');
			for (const change of changes.filter(({ atMs }) => atMs > nowMs)) {
				const minutes = change.afterMinutes - change.beforeMinutes;
				put(
					dateAt(change.atMs),
					'clock',
					`Set its clock ${Math.abs(minutes)} min ${minutes > 0 ? 'on' : 'back'}, by hand.`
				);
			}
		}
		if (profile.habits.power === 'batteries' && onSite.batteriesOn !== null)
			put(dueOf(onSite.batteriesOn, onSite.batteryMonths), 'batteries', 'Change its batteries.');
		const away = awayStanding(zone, profile, timeZone, nowMs);
		if (away.bad) put(today, 'left-on', `It is ${away.words}.`);
		if (onSite.leftIn !== null && onSite.leftIn !== 'automatic')
			put(today, 'left-on', `It was left in ${LEFT_WORDS[onSite.leftIn]}.`);
		if (onSite.promisedBy !== null)
			put(
				onSite.promisedBy,
				'promised',
				onSite.promised === '' ? 'Come back, as promised.' : `Promised: ${onSite.promised}`
			);
		return due;
	});
	return all.sort((a, b) => (a.on === b.on ? a.zoneName.localeCompare(b.zoneName) : a.on < b.on ? -1 : 1));
}
