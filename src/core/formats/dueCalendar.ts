import ICAL from 'ical.js';
import { folded } from './foldedLines';
import type { Round, RoundSite } from '../record';
import { type Due } from '../words';

/** Something due with the name of its site. */
export interface DueEntry extends Due {
	readonly siteId: string;
	readonly siteName: string;
	readonly place: string;
}

/** The day after a date, `YYYY-MM-DD`. */
const dayAfter = (date: string) => new Date(Date.parse(date) + 86_400_000).toISOString().slice(0, 10);

interface WholeDay {
	readonly uid: string;
	readonly on: string;
	readonly summary: string;
	readonly place: string;
	readonly description?: string;
}

/** Whole days as an iCalendar file (RFC 5545), each with a mark that stays the same. */
function wholeDays(name: string, days: readonly WholeDay[], now: Date): string {
	const calendar = new ICAL.Component('vcalendar');
	calendar.updatePropertyWithValue('version', '2.0');
	calendar.updatePropertyWithValue('prodid', `-//Fond Quarter//${name}//EN`);
	for (const one of days) {
		const event = new ICAL.Component('vevent');
		event.updatePropertyWithValue('uid', `${one.uid}@fond-quarter`);
		event.updatePropertyWithValue('dtstamp', ICAL.Time.fromJSDate(now, true));
		event.updatePropertyWithValue('dtstart', ICAL.Time.fromDateString(one.on));
		event.updatePropertyWithValue('dtend', ICAL.Time.fromDateString(dayAfter(one.on)));
		event.updatePropertyWithValue('summary', one.summary);
		if (one.description) event.updatePropertyWithValue('description', one.description);
		if (one.place !== '') event.updatePropertyWithValue('location', one.place);
		event.updatePropertyWithValue('transp', 'TRANSPARENT');
		calendar.addSubcomponent(event);
	}
	return folded(calendar.toString());
}

/** What is due as an iCalendar file: one entry for each zone and cause. */
export function writeDueCalendar(due: readonly DueEntry[], now: Date): string {
	const given = new Map<string, number>();
	/** What an entry is: of what is due since some time not the day it is asked for, for that is another tomorrow. */
	const uidOf = (one: DueEntry) => {
		const dated = one.kind === 'clock' || one.kind === 'batteries';
		const uid = `${one.siteId}-${one.zoneId}-${one.kind}${dated ? `-${one.on}` : ''}`;
		const times = (given.get(uid) ?? 0) + 1;
		given.set(uid, times);
		return times === 1 ? uid : `${uid}-${times}`;
	};
	return wholeDays(
		'due',
		due.map((one) => ({
			uid: uidOf(one),
			on: one.on,
			summary: `${one.siteName}, ${one.zoneName}: ${one.sentence}`,
			place: one.place
		})),
		now
	);
}

/** A planned round as an iCalendar file: one entry for each site that has a day and clocks still to be set. */
export function writeRoundCalendar(
	on: string,
	sites: readonly RoundSite[],
	{ stops }: Round,
	now: Date
): string {
	return wholeDays(
		'round',
		sites.flatMap((site): WholeDay[] => {
			const stop = stops[site.siteId];
			const left = site.clocks.filter((clock) => !clock.set);
			if (!stop || left.length === 0) return [];
			const way = `${Math.abs(site.shiftMinutes)} min ${site.shiftMinutes > 0 ? 'on' : 'back'}`;
			return [
				{
					uid: `round-${on}-${site.siteId}`,
					on: stop.day,
					summary: `${site.siteName}: set ${left.length === 1 ? '1 clock' : `${left.length} clocks`} ${way}${stop.who ? ` (${stop.who})` : ''}`,
					place: site.place,
					description: left
						.map((clock) => (clock.how ? `${clock.name}: ${clock.how}` : clock.name))
						.join('\n')
				}
			];
		}),
		now
	);
}
