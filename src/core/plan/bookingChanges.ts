import { bookedDays } from './bookedWeek';
import type { Booking } from './exceptions';
import type { Zone } from './zone';

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
	return { ...zone, bookings: [...bookings], exceptions: zone.exceptions.filter((one) => !isStale(one)) };
}
