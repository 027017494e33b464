import { DAY_MS } from '../civil';
import { z } from 'zod';
import { shortName } from '../control';

/** Where a site stands in a round: its day, who goes, and its place among that day's sites. */
export const roundStopSchema = z.strictObject({
	day: z.iso.date(),
	who: z.union([shortName, z.literal('')]).default(''),
	place: z.int().min(0).max(9999).default(0)
});
export type RoundStop = z.infer<typeof roundStopSchema>;

/** A round over many sites whose clocks are changed by hand, as far as it is planned: stops by site. */
export const roundSchema = z.strictObject({ stops: z.record(z.string().max(40), roundStopSchema) });
export type Round = z.infer<typeof roundSchema>;

/** Stops to change; null takes a site out of the plan. */
export const roundChangesSchema = z.strictObject({
	stops: z.record(z.string().max(40), roundStopSchema.nullable())
});

/** A site with clocks to be changed by hand on one date. */
export interface RoundSite {
	readonly siteId: string;
	readonly siteName: string;
	readonly place: string;
	/** Minutes by which its clocks go; back is negative. */
	readonly shiftMinutes: number;
	readonly clocks: readonly {
		readonly zoneId: string;
		readonly name: string;
		/** What a person does at it. */
		readonly how: string;
		/** Whether it was on the right hour since the change. */
		readonly set: boolean;
		/** Whether nobody ever saw it on the right hour, so that it is to be looked at. */
		readonly unseen: boolean;
	}[];
}

/** How long a round takes: the way to a site with its door, and each clock. Common practice, to be changed by who knows better. */
export const ROUND_PACE = { minutesAStop: 25, minutesAClock: 4 };

/** Minutes that a site takes: the way and what is still to be set there; nothing where all is set. */
export function stopMinutes(site: RoundSite, pace = ROUND_PACE): number {
	const left = site.clocks.filter((clock) => !clock.set).length;
	return left === 0 ? 0 : pace.minutesAStop + left * pace.minutesAClock;
}

const isWeekend = (day: string) => [0, 6].includes(new Date(`${day}T00:00:00Z`).getUTCDay());
const next = (day: string) => new Date(Date.parse(`${day}T00:00:00Z`) + DAY_MS).toISOString().slice(0, 10);

/** The town of an address: what stands after its last comma. */
const townOf = (place: string) => place.slice(place.lastIndexOf(',') + 1).trim();

/**
 * Spreads sites over days: town by town, the town with most clocks first, each day filled up to so many minutes; a site
 * that alone takes longer has a day to itself. Sites with nothing left to set are left out. Weekends are passed over
 * unless asked for.
 */
export function spreadRound(
	sites: readonly RoundSite[],
	{
		from,
		minutesADay,
		weekends = false,
		pace = ROUND_PACE
	}: {
		readonly from: string;
		readonly minutesADay: number;
		readonly weekends?: boolean;
		readonly pace?: typeof ROUND_PACE;
	}
): Record<string, Pick<RoundStop, 'day' | 'place'>> {
	const open = sites.filter((site) => stopMinutes(site, pace) > 0);
	const clocksIn = new Map<string, number>();
	for (const site of open)
		clocksIn.set(townOf(site.place), (clocksIn.get(townOf(site.place)) ?? 0) + site.clocks.length);
	const ordered = [...open].sort(
		(a, b) =>
			clocksIn.get(townOf(b.place))! - clocksIn.get(townOf(a.place))! ||
			townOf(a.place).localeCompare(townOf(b.place)) ||
			a.place.localeCompare(b.place) ||
			a.siteName.localeCompare(b.siteName)
	);
	const working = (day: string): string => (weekends || !isWeekend(day) ? day : working(next(day)));
	const plan: Record<string, Pick<RoundStop, 'day' | 'place'>> = {};
	let day = working(from);
	let used = 0;
	let place = 0;
	for (const site of ordered) {
		const takes = stopMinutes(site, pace);
		if (used > 0 && used + takes > minutesADay) {
			day = working(next(day));
			used = 0;
			place = 0;
		}
		plan[site.siteId] = { day, place: place++ };
		used += takes;
	}
	return plan;
}
