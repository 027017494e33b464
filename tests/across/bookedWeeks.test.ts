import { expect, it } from 'vitest';
import { allowedOptions, shippedProfiles } from '$core/control';
import { fitZone } from '$core/fit';
import { inWeekOf, newZone, weeksAfter, type Booking } from '$core/plan';
import { bookedDates, bookingLevels } from '$core/run';

const MONDAY = '2026-03-02';
const bookings: readonly Booking[] = [
	{ name: 'Choir', from: '2026-03-03T19:00', to: '2026-03-03T21:00' },
	{ name: 'Wedding', from: '2026-03-07T12:00', to: '2026-03-07T23:00' },
	{ name: 'Lecture', from: '2026-03-12T18:00', to: '2026-03-12T20:00' }
];
/** Controls on which each day of the week can be another: the others hold some of their days alike, whatever is booked. */
const daily = shippedProfiles.filter(({ groupings }) => groupings.some(({ groups }) => groups.length === 7));

it.each(
	daily.flatMap((profile) =>
		(['C', 'F'] as const).map((unit) => [`${profile.id} in °${unit}`, profile, unit] as const)
	)
)(
	'a week planned by itself serves what is booked in it, and is asked for no other week: %s',
	(_, profile, unit) => {
		const fresh = newZone('Hall', profile);
		const zone = {
			...fresh,
			bookings: [...bookings],
			options: allowedOptions(profile, { ...fresh.options, unit })
		};
		const { warm, rest } = bookingLevels(zone.levels);
		for (const [weeks, booked] of [
			[0, 2],
			[1, 1],
			[2, 0]
		] as const) {
			const monday = weeksAfter(MONDAY, weeks);
			const planned = inWeekOf(zone, profile, monday, warm.id, rest.id);
			const { chosen } = fitZone(planned, profile);
			const dates = (of: typeof planned) =>
				bookedDates(of, profile, chosen.held, { warm, rest, since: MONDAY });
			expect(dates(planned).filter(({ byHand }) => byHand.length > 0)).toEqual([]);
			// one week for good would leave the others to a hand
			const good = dates({ ...planned, bookedWeek: null }).filter(({ missingMinutes }) => missingMinutes > 0);
			expect(good).toHaveLength(bookings.length - booked);
		}
	}
);
