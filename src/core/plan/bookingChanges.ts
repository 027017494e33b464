import { bookedDays, weekFrom } from './bookedWeek';
import type { ControlProfile } from '../control';
import type { Booking } from './exceptions';
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

/** A zone with a calendar read again: special days that stood for bookings which are gone or moved go with them, so that nothing is heated for nobody. */
export function withBookings(zone: Zone, bookings: readonly Booking[]): Zone {
	const byDate = (all: readonly Booking[]) => new Map(bookedDays(all).map((day) => [day.date, day]));
	const [was, is] = [byDate(zone.bookings), byDate(bookings)];
	const isStale = (one: Zone['exceptions'][number]) => {
		if (one.kind !== 'special-day') return false;
		const before = was.get(one.date);
		return (
			before !== undefined &&
			before.names.length > 0 &&
			bookedNote(before.names) === one.note &&
			JSON.stringify(before.stretches) !== JSON.stringify(is.get(one.date)?.stretches ?? [])
		);
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
	const names = new Map(bookedDays(zone.bookings).map((day) => [day.date, bookedNote(day.names)]));
	const stands = (one: Zone['exceptions'][number]) =>
		one.kind === 'special-day' && one.note !== '' && names.get(one.date) === one.note;
	return {
		...withWanted({ ...zone, routine: null }, weekFrom(zone.bookings, monday, warm, rest)),
		bookedWeek: monday,
		// another grouping each week would be another card
		grouping: zone.grouping ?? finest.id,
		exceptions: zone.exceptions.filter((one) => !stands(one))
	};
}
