import { channelsOf, type ControlProfile } from '$core/control';
import { fitZone, groupingCosts, type ZoneFit } from '$core/fit';
import { readJobFile } from '$core/formats';
import { boxCard, boxStanding, type Notes } from '$core/keying';
import type { Site, Zone } from '$core/plan';
import { coldWeekMoney, type Permission } from '$core/thermal';
import { pricedFit } from '$core/keying';
import type { PrintedPages, PrintedRecord } from '../papers';
import { onlyPixels } from './picture';
import { computeSimulate, computeWarmUp } from './room';
import { computeClock, computeResolve, computeTimeline } from './run';
import { computeCallback } from './callback';
import { computeFit, computeKeyIn } from './zone';

interface OfZone {
	readonly zone: Zone;
	readonly profile: ControlProfile;
}

interface OfHouse {
	readonly site: Pick<Site, 'sources' | 'electricity'>;
	/** When what feeds the zone heats. */
	readonly permission: Permission;
}

interface OfBox {
	readonly zones: readonly Zone[];
	readonly profile: ControlProfile;
}

/** How many fits of stored zones a thread keeps. */
const MOST_FITS = 150;
const fits = new Map<string, ZoneFit>();

/** The fit of a stored zone, made once: what was keyed at it, found there or called has nothing to do with its week. */
function fitOf({ zone, profile }: OfZone): ZoneFit {
	const key = JSON.stringify([{ ...zone, name: '', note: '', clockReadings: [], exceptions: [] }, profile]);
	const fit = fits.get(key) ?? fitZone(zone, profile);
	fits.delete(key);
	fits.set(key, fit);
	if (fits.size > MOST_FITS) fits.delete(fits.keys().next().value!);
	return fit;
}

/** Where the work at a zone's control stands, without the week itself. */
function standing(given: OfZone & { readonly notes: Notes }) {
	const { zone, notes, profile } = given;
	const fit = fitOf(given);
	const { chosen } = fit;
	const { coldKelvinMinutes, warmKelvinMinutes, coldMinutes, warmMinutes } = chosen.misfit;
	const { id: grouping } = chosen.grouping;
	const costs = channelsOf(profile) && groupingCosts(fit.fits);
	return {
		grouping,
		coldKelvinMinutes,
		warmKelvinMinutes,
		coldMinutes,
		warmMinutes,
		...boxStanding([{ zone, fit }], profile, notes),
		costs
	};
}

/** Everything heavy that the server computes: what it is called, what it takes and what it gives. All of it is plain data. */
export const tasks = {
	standing,
	zoneFit: fitOf,
	/** The card of a control, whatever hangs on it. */
	boxCard: ({ zones, profile }: OfBox) =>
		boxCard(
			zones.map((zone) => ({ zone, fit: fitOf({ zone, profile }) })),
			profile
		),
	coldWeekMoney: ({ zone, profile, site, permission }: OfZone & OfHouse) =>
		coldWeekMoney(zone, profile, fitOf({ zone, profile }).chosen.held, site, permission),
	pricedFit: (given: OfZone) => pricedFit(given.zone, given.profile, fitOf(given)),
	// the printer with its faces is loaded when somebody prints
	customerPdf: async (given: PrintedPages) => (await import('../papers')).customerPdf(given),
	recordPdf: async (given: PrintedRecord) => (await import('../papers')).recordPdf(given),
	picture: onlyPixels,
	readJob: readJobFile,
	fit: computeFit,
	keyIn: computeKeyIn,
	resolve: computeResolve,
	timeline: computeTimeline,
	clock: ({ request, nowMs }: { request: Parameters<typeof computeClock>[0]; nowMs: number }) =>
		computeClock(request, nowMs),
	warmUp: computeWarmUp,
	simulate: computeSimulate,
	callback: computeCallback
};
export type Tasks = typeof tasks;
