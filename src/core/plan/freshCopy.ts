import type { Zone } from './zone';

/**
 * A zone's plan for another control, or another house: what was found at its clock, who was away and what took place in the
 * room stay where they belong. Special days stay: they are part of the plan.
 */
export function freshCopy<Z extends Zone>(zone: Z): Z {
	return {
		...zone,
		otherChannels: null,
		clockReadings: [],
		bookings: [],
		bookedWeek: null,
		exceptions: zone.exceptions.filter((one) => one.kind === 'special-day')
	};
}
