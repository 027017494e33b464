import ICAL from 'ical.js';
import { findIana } from 'windows-iana';
import { daysFromDate, instantOf, isTimeZone, localTime, wallAt } from '../civil';
import { DAY_MINUTES } from '../week';

/** Years whose clock changes are counted; before and after, a zone keeps the offset that it has at the edge. */
const [FIRST_YEAR, LAST_YEAR] = [1970, 2100];
const yearWall = (year: number) => daysFromDate({ year, month: 1, day: 1 }) * DAY_MINUTES;
const [EARLIEST, LATEST] = [yearWall(FIRST_YEAR) + 2 * DAY_MINUTES, yearWall(LAST_YEAR)];

/** How a written time becomes an instant (ms since 1970) and back: by UTC, by a zone's name, by the file's own description, or as it stands at the site. */
export interface CalendarZone {
	readonly instant: (wall: number) => number;
	readonly wall: (ms: number) => number;
	/** Whether the file names none: then it is the site's. */
	readonly floating: boolean;
}

/** The wall minute since 1970 of a written time. */
export const wallOf = ({ year, month, day, hour, minute }: ICAL.Time): number =>
	daysFromDate({ year, month, day }) * DAY_MINUTES + hour * 60 + minute;

/** A time zone by its name: of the tz database, of a path that ends with one, or of Windows (CLDR). Null where it is none. */
function zoneNamed(name: string): string | null {
	if (isTimeZone(name)) return name;
	const parts = name.split('/');
	const ending = [parts.slice(-2).join('/'), parts.slice(-3).join('/')].find(
		(one) => one !== name && one.includes('/') && isTimeZone(one)
	);
	if (ending) return ending;
	const [windows] = findIana(name);
	return windows && isTimeZone(windows) ? windows : null;
}

const named = (name: string): CalendarZone => ({
	instant(wall) {
		const near = Math.min(LATEST, Math.max(EARLIEST, wall));
		return instantOf(name, near) + (wall - near) * 60_000;
	},
	wall(ms) {
		const near = Math.min(LATEST * 60_000, Math.max(EARLIEST * 60_000, ms));
		return wallAt(name, near) + Math.floor((ms - near) / 60_000);
	},
	floating: false
});
export const UTC = named('UTC');

/** A zone by the file's own description of it. */
function describedBy(own: ICAL.Timezone): CalendarZone {
	const offset = (wall: number) => {
		const time = ICAL.Time.fromDateTimeString(`${localTime(wall)}:00`);
		time.zone = own;
		return own.utcOffset(time) / 60;
	};
	return {
		instant: (wall) => (wall - offset(wall)) * 60_000,
		wall: (ms) => {
			const utc = Math.floor(ms / 60_000);
			return utc + offset(utc + offset(utc));
		},
		floating: false
	};
}

/**
 * The time zones of a file: which one a written time is in. `unknown` hears of a name that is neither known nor described: times in it are taken as local at the site.
 */
export function zonesOfCalendar(
	descriptions: readonly ICAL.Component[],
	siteZone: string,
	unknown: (tzid: string) => void
): (property: ICAL.Property, time: ICAL.Time) => CalendarZone {
	const described = new Map(
		descriptions.map((component) => {
			const zone = new ICAL.Timezone(component);
			return [zone.tzid, zone] as const;
		})
	);
	const here: CalendarZone = { ...named(siteZone), floating: true };
	const known = new Map<string, CalendarZone>();
	return (property, time) => {
		if (time.zone === ICAL.Timezone.utcTimezone) return UTC;
		const tzid = property.getFirstParameter('tzid') as string | undefined;
		if (!tzid) return here;
		const had = known.get(tzid);
		if (had) return had;
		const name = zoneNamed(tzid);
		const own = described.get(tzid);
		if (!name && !own) unknown(tzid);
		const zone = name ? named(name) : own ? describedBy(own) : named(siteZone);
		known.set(tzid, zone);
		return zone;
	};
}
