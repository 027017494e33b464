import { displayTime, heldSetpoint, type ControlOptions, type ControlProfile, type Level } from '../control';
import {
	bookedDays,
	daysApart,
	PASSED_OVER_MINUTES,
	type BookedDay,
	type Booking,
	type DayStretches,
	type SpecialDay
} from '../plan';
import { DAY_NAMES, duration, splitByDay, type WeekSteps } from '../week';

/** A date on which the week that the control holds is not what the bookings want. */
export interface BookedDate {
	readonly date: string;
	readonly names: readonly string[];
	/** Booked minutes that stay cold, and warm minutes without a booking. */
	readonly missingMinutes: number;
	readonly spareMinutes: number;
	/** What the control is given for it as a special day; null where it is left to a hand. */
	readonly runs: SpecialDay['runs'] | null;
	/** What to do, in a sentence. */
	readonly sentence: string;
}

/** The warm stretches of each weekday of a held week. */
function warmDays(held: WeekSteps<number>, warmC: number): DayStretches[] {
	return splitByDay(held).map((spans) =>
		spans.filter((span) => span.value >= warmC - 1e-6).map((span) => [span.from, span.to] as const)
	);
}

interface Off {
	readonly day: BookedDay;
	readonly missing: number;
	readonly spare: number;
}

/**
 * The dates from `since` on whose bookings the held week does not serve, in order: a special day where the control
 * has one to spare and one of its weekdays (or its coolest level) fits the date better, the coldest dates first; for
 * the rest what to do by hand. `warm` and `rest` are the levels meant by booked and empty.
 */
export function bookedDates(
	profile: ControlProfile,
	options: ControlOptions,
	held: WeekSteps<number>,
	bookings: readonly Booking[],
	warm: Level,
	rest: Level,
	since: string
): BookedDate[] {
	const weekdays = warmDays(held, heldSetpoint(profile, options, warm.setpointC));
	const off: Off[] = bookedDays(bookings)
		.filter((day) => day.date >= since)
		.map((day) => ({ day, ...daysApart(day.stretches, weekdays[day.weekday]!) }))
		.filter(({ missing, spare }) => missing > 0 || spare > PASSED_OVER_MINUTES);

	const better = ({ day, missing, spare }: Off): SpecialDay['runs'] | null => {
		const here = 4 * missing + spare;
		let best: SpecialDay['runs'] | null = null;
		let least = here;
		const offer = (runs: SpecialDay['runs'], had: DayStretches) => {
			const apart = daysApart(day.stretches, had);
			const cost = 4 * apart.missing + apart.spare;
			if (cost < least) [best, least] = [runs, cost];
		};
		offer({ level: rest.id }, []);
		weekdays.forEach((had, like) => like !== day.weekday && offer({ like }, had));
		return best;
	};
	let left = profile.habits.specialDays?.most ?? 0;
	const special = new Map<string, SpecialDay['runs']>();
	for (const one of [...off].sort((a, b) => b.missing - a.missing || b.spare - a.spare)) {
		if (left === 0) break;
		const runs = better(one);
		if (!runs) continue;
		special.set(one.day.date, runs);
		left--;
	}

	const clock = (minute: number) => displayTime(minute, options.clock);
	const spans = (stretches: DayStretches) =>
		stretches.map(([from, to]) => `${clock(from)}–${clock(to)}`).join(', ');
	return off.map(({ day, missing, spare }) => {
		const runs = special.get(day.date) ?? null;
		const why =
			missing > 0
				? `booked ${spans(day.stretches)}, ${duration(missing)} of it cold by the week`
				: `${duration(spare)} warm by the week with nobody there`;
		const todo = runs
			? 'like' in runs
				? `special day, run as ${DAY_NAMES[runs.like]}`
				: `special day, ${rest.name} all day`
			: missing > 0
				? `by hand: ${warm.name} ${spans(day.stretches)}`
				: `by hand: ${rest.name}`;
		return {
			date: day.date,
			names: day.names,
			missingMinutes: missing,
			spareMinutes: spare,
			runs,
			sentence: `${why}: ${todo}`
		};
	});
}
