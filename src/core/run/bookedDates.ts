import { z } from 'zod';
import { allowedOptions, displayTime, heldSetpoint, type ControlProfile, type Level } from '../control';
import {
	bookedDays,
	daysApart,
	mondayOf,
	PASSED_OVER_MINUTES,
	stretchesMissing,
	type BookedDay,
	type DayStretches,
	type SpecialDay,
	type Zone
} from '../plan';
import { DAY_MINUTES, DAY_NAMES, duration, splitByDay, type WeekSteps } from '../week';

/** A date on which the week that the control holds is not what the bookings want. */
export interface BookedDate {
	readonly date: string;
	readonly names: readonly string[];
	/** Minutes that should be warm, their lead among them, and stay cold by the week; and warm minutes without a booking. */
	readonly missingMinutes: number;
	readonly spareMinutes: number;
	/** What runs on it as a special day, kept already or proposed; null where it has none. */
	readonly runs: SpecialDay['runs'] | null;
	readonly kept: boolean;
	/** What stays cold even so, and is left to a hand. */
	readonly byHand: DayStretches;
	/** Whether somebody has to do something about it on that day. */
	readonly done: boolean;
	/** What to do, in a sentence. */
	readonly sentence: string;
}

/** By how much a setback lies under comfort at least, in K: common practice. */
const WELL_UNDER_K = 3;

/** What bookings mean by booked and empty: the warmest level, and the first well under it. */
export function bookingLevels(levels: readonly Level[]): { readonly warm: Level; readonly rest: Level } {
	const ranked = [...levels].sort((a, b) => b.setpointC - a.setpointC);
	const warm = ranked[0]!;
	// on a switch (1) that is off
	const underC = warm.setpointC <= 1 ? 0 : warm.setpointC - WELL_UNDER_K;
	return { warm, rest: ranked.find((level) => level.setpointC <= underC) ?? ranked.at(-1)! };
}

/** The warm stretches of each weekday of a held week. */
function warmDays(held: WeekSteps<number>, warmC: number): DayStretches[] {
	return splitByDay(held).map((spans) =>
		spans.filter((span) => span.value >= warmC - 1e-6).map((span) => [span.from, span.to] as const)
	);
}

interface Off {
	readonly day: BookedDay;
	/** The special day that is kept for it. */
	readonly kept: SpecialDay['runs'] | null;
	readonly missing: number;
	readonly spare: number;
}

/**
 * The dates from `since` on whose bookings the held week does not serve, in order, each with its lead: the special day that is kept or, where
 * the control has one to spare and one of its weekdays (or its coolest level) fits the date better, one that is proposed, the
 * coldest dates first; and what stays to be done by hand in spite of it. `warm` and `rest` are the levels meant by booked and empty.
 */
export function bookedDates(
	zone: Pick<Zone, 'bookings' | 'bookedWeek' | 'exceptions' | 'lead' | 'options' | 'levels'>,
	profile: ControlProfile,
	held: WeekSteps<number>,
	{ warm, rest, since }: { readonly warm: Level; readonly rest: Level; readonly since: string }
): BookedDate[] {
	const options = allowedOptions(profile, zone.options);
	const warmC = heldSetpoint(profile, options, warm.setpointC);
	const weekdays = warmDays(held, warmC);
	const special = new Map(
		zone.exceptions.flatMap((one) => (one.kind === 'special-day' ? [[one.date, one.runs]] : []))
	);
	/** When it is warm on a date. */
	const had = (day: BookedDay, runs: SpecialDay['runs'] | null): DayStretches => {
		if (runs === null) return weekdays[day.weekday]!;
		if ('like' in runs) return weekdays[runs.like]!;
		const level = zone.levels.find(({ id }) => id === runs.level);
		return level && heldSetpoint(profile, options, level.setpointC) >= warmC - 1e-6 ? [[0, DAY_MINUTES]] : [];
	};
	const off: Off[] = bookedDays(zone.bookings, zone.lead)
		// where each week is keyed by itself, those of the others are not asked of this one
		.filter(({ date }) => date >= since && (zone.bookedWeek === null || mondayOf(date) === zone.bookedWeek))
		.map((day) => ({
			day,
			kept: special.get(day.date) ?? null,
			...daysApart(day.warm, weekdays[day.weekday]!)
		}))
		.filter(({ kept, missing, spare }) => kept !== null || missing > 0 || spare > PASSED_OVER_MINUTES);

	const better = ({ day, missing, spare }: Off): SpecialDay['runs'] | null => {
		let best: SpecialDay['runs'] | null = null;
		let least = 4 * missing + spare;
		const offer = (runs: SpecialDay['runs']) => {
			const apart = daysApart(day.warm, had(day, runs));
			const cost = 4 * apart.missing + apart.spare;
			if (cost < least) [best, least] = [runs, cost];
		};
		offer({ level: rest.id });
		weekdays.forEach((_, like) => like !== day.weekday && offer({ like }));
		return best;
	};
	const taken = [...special.keys()].filter((date) => date >= since).length;
	let left = Math.max(0, (profile.habits.specialDays?.most ?? 0) - taken);
	const proposed = new Map<string, SpecialDay['runs']>();
	for (const one of [...off].sort((a, b) => b.missing - a.missing || b.spare - a.spare)) {
		if (left === 0) break;
		const runs = one.kept === null ? better(one) : null;
		if (!runs) continue;
		proposed.set(one.day.date, runs);
		left--;
	}

	const clock = (minute: number) => displayTime(minute, options.clock);
	const spans = (stretches: DayStretches) =>
		stretches.map(([from, to]) => `${clock(from)}–${clock(to)}`).join(', ');
	return off.flatMap(({ day, kept, missing, spare }): BookedDate[] => {
		const runs = kept ?? proposed.get(day.date) ?? null;
		const apart = daysApart(day.warm, had(day, runs));
		const byHand = stretchesMissing(day.warm, had(day, runs));
		const done = apart.missing === 0 && runs !== null;
		// a special day that serves its date is nothing to be said
		if (done && kept !== null) return [];
		const booked =
			day.stretches.length > 0 ? `booked ${spans(day.stretches)}, ` : 'booked early the day after, ';
		const why =
			kept !== null
				? `${booked}${duration(apart.missing)} cold on its special day`
				: missing > 0
					? `${booked}${duration(missing)} with its warm-up cold by the week`
					: `${duration(spare)} warm by the week with nobody there`;
		const special =
			runs === null
				? null
				: 'like' in runs
					? `special day, run as ${DAY_NAMES[runs.like]}`
					: `special day, ${zone.levels.find(({ id }) => id === runs.level)?.name ?? rest.name} all day`;
		const hand =
			byHand.length > 0
				? `by hand: ${warm.name} ${spans(byHand)}`
				: runs === null
					? `by hand: ${rest.name}`
					: null;
		return [
			{
				date: day.date,
				names: day.names,
				missingMinutes: missing,
				spareMinutes: spare,
				runs,
				kept: kept !== null,
				byHand,
				done,
				sentence: `${why}: ${[special, hand].filter(Boolean).join(', and ')}`
			}
		];
	});
}

/** A date on which bookings stay cold unless somebody sets the control on that day. */
export const dayByHandSchema = z.strictObject({
	date: z.string(),
	/** What is booked. */
	names: z.array(z.string()),
	/** The level that is set by hand, by its name. */
	level: z.string(),
	/** When it is to be warm, in minutes from midnight. */
	stretches: z.array(z.tuple([z.number(), z.number()]))
});
export type DayByHand = z.infer<typeof dayByHandSchema>;

/** How many dates are told. */
const MOST_BY_HAND = 400;

/** The dates on which a zone's bookings stay cold by its held week and its special days. */
export function daysByHand(
	zone: Parameters<typeof bookedDates>[0],
	profile: ControlProfile,
	held: WeekSteps<number>
): DayByHand[] {
	const levels = bookingLevels(zone.levels);
	// what is only proposed serves nobody
	const asPlanned = { ...profile, habits: { ...profile.habits, specialDays: null } };
	return bookedDates(zone, asPlanned, held, { ...levels, since: '2000-01-01' })
		.filter(({ byHand }) => byHand.length > 0)
		.slice(-MOST_BY_HAND)
		.map(({ date, names, byHand }) => ({
			date,
			names: [...names],
			level: levels.warm.name,
			stretches: byHand.map(([from, to]): [number, number] => [from, to])
		}));
}
