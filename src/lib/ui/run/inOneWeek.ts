import type { ControlProfile, Level } from '$core/control';
import { fitZone } from '$core/fit';
import { bookedNote, weekOfBookings, withWanted, type Exception, type Zone } from '$core/plan';
import { bookedDates, type BookedDate } from '$core/run';

/** One week for good: as it is planned, the dates that it does not serve, and the day grouping that holds it. */
export interface OneWeek {
	readonly zone: Zone;
	readonly dates: readonly BookedDate[];
	readonly grouping: string;
}

/** A zone in the week that its bookings follow best from a date on, as its control holds it; `warm` while booked, at `rest` else. */
export function inOneWeek(
	zone: Zone,
	profile: ControlProfile,
	{ warm, rest, since }: { readonly warm: Level; readonly rest: Level; readonly since: string }
): OneWeek {
	const planned = withWanted(
		{ ...zone, routine: null, grouping: null, bookedWeek: null },
		weekOfBookings(zone.bookings, warm.id, rest.id, since)
	);
	const { chosen } = fitZone(planned, profile);
	const dates = bookedDates(planned, profile, chosen.held, { warm, rest, since });
	return { zone: planned, dates, grouping: chosen.grouping.name };
}

/** The special days that are proposed for dates and not kept yet. */
export const proposedDays = (dates: readonly BookedDate[]) =>
	dates.filter(({ runs, kept }) => runs !== null && !kept);

/** That week taken, with the special days that are proposed for what it does not serve. */
export const oneWeekTaken = ({ zone, dates }: OneWeek): Zone => ({
	...zone,
	exceptions: [
		...zone.exceptions,
		...proposedDays(dates).map(({ date, runs, names }): Exception => ({
			kind: 'special-day',
			id: crypto.randomUUID(),
			date,
			runs: runs!,
			note: bookedNote(names)
		}))
	]
});
