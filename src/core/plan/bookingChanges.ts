import isSame from 'fast-deep-equal';
import { bookedDays, weekFrom, type BookedDay } from './bookedWeek';
import type { ControlProfile } from '../control';
import type { Booking, Exception } from './exceptions';
import { withWanted, type Zone } from './zone';

/** What a calendar that is read again has otherwise than before. */
export interface BookingChanges {
	readonly added: readonly Booking[];
	readonly moved: readonly { readonly was: Booking; readonly is: Booking }[];
	readonly gone: readonly Booking[];
}

const byStart = (a: Booking, b: Booking) => (a.from < b.from ? -1 : a.from > b.from ? 1 : 0);
const idOf = ({ name, from, to }: Booking) => JSON.stringify([name, from, to]);
const notIn = (all: readonly Booking[], others: readonly Booking[]) => {
	const known = new Set(others.map(idOf));
	return all.filter((one) => !known.has(idOf(one)));
};

/**
 * What differs between two readings of a calendar, of what ends after the date `since`: of one name those that are the same stay, the others
 * are taken for moved in the order of their beginnings, and what is left over of either is new or gone.
 */
export function bookingChanges(
	before: readonly Booking[],
	after: readonly Booking[],
	since: string
): BookingChanges {
	const ahead = ({ to }: Booking) => to > `${since}T00:00`;
	const gone = notIn(before.filter(ahead), after).sort(byStart);
	const added: Booking[] = [];
	const moved: { was: Booking; is: Booking }[] = [];
	for (const is of notIn(after.filter(ahead), before).sort(byStart)) {
		const at = gone.findIndex(({ name }) => name === is.name);
		if (at < 0) added.push(is);
		else moved.push({ was: gone.splice(at, 1)[0]!, is });
	}
	return { added, moved, gone };
}

/** What is noted of a special day that stands for bookings. */
export const bookedNote = (names: readonly string[]): string => names.join(', ').slice(0, 120);

const byDate = (bookings: readonly Booking[]): ReadonlyMap<string, BookedDay> =>
	new Map(bookedDays(bookings).map((day) => [day.date, day]));

/** The booked day that a special day stands for; undefined for one that a person planned. */
function standsFor(one: Exception, booked: ReadonlyMap<string, BookedDay>): BookedDay | undefined {
	const day = one.kind === 'special-day' ? booked.get(one.date) : undefined;
	return day && day.names.length > 0 && 'note' in one && one.note === bookedNote(day.names) ? day : undefined;
}

/** A zone with a calendar read again: special days that stood for bookings which are gone or moved go with them, so that nothing is heated for nobody. */
export function withBookings(zone: Zone, bookings: readonly Booking[]): Zone {
	const [was, is] = [byDate(zone.bookings), byDate(bookings)];
	const isStale = (one: Exception) => {
		const day = standsFor(one, was);
		return day !== undefined && !isSame(day.stretches, is.get(day.date)?.stretches ?? []);
	};
	return {
		...zone,
		bookings: [...bookings],
		bookedWeek: bookings.length === 0 ? null : zone.bookedWeek,
		exceptions: zone.exceptions.filter((one) => !isStale(one))
	};
}

/**
 * A zone that is to live just what is booked in the week of a Monday, `warm` while booked and at `rest` else: each week is keyed by itself, and
 * the special days that stood for bookings go, for their dates are in their week.
 */
export function inWeekOf(
	zone: Zone,
	{ groupings }: Pick<ControlProfile, 'groupings'>,
	monday: string,
	warm: string,
	rest: string
): Zone {
	const finest = groupings.reduce((a, b) => (b.groups.length > a.groups.length ? b : a));
	const booked = byDate(zone.bookings);
	return {
		...withWanted({ ...zone, routine: null }, weekFrom(zone.bookings, monday, warm, rest)),
		bookedWeek: monday,
		// another grouping each week would be another card
		grouping: zone.grouping ?? finest.id,
		exceptions: zone.exceptions.filter((one) => !standsFor(one, booked))
	};
}
