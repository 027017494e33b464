import { channelsOf, type ControlProfile } from '$core/control';
import { fitZone, groupingCosts, type ZoneFit } from '$core/fit';
import { readJobFile, weekLines, writeJobFile } from '$core/formats';
import { heatWeek } from '$core/house';
import { boxCard, boxStanding, type Notes } from '$core/keying';
import type { Site, Zone } from '$core/plan';
import { daysByHand } from '$core/run';
import { coldWeekMoney } from '$core/thermal';
import { pricedFit } from '$core/keying';
import { customerPage, type CustomerChoice } from '$core/words';
import type { PrintedPages, PrintedRecord } from '../papers';
import type { onlyPixels } from './picture';
import { posted } from './posted';
import { seenBy } from '../store/sight';

interface OfZone {
	readonly zone: Zone;
	readonly profile: ControlProfile;
}

interface ForCustomer extends OfZone {
	readonly site: Pick<
		Site,
		'name' | 'place' | 'timeZone' | 'tellsCost' | 'currency' | 'sources' | 'electricity'
	>;
	/** What feeds the zone, and when that heats. */
	readonly feeding: (Parameters<typeof heatWeek>[0] & { readonly source: string }) | null;
	readonly choice: CustomerChoice;
	readonly setUpBy: string | null;
	readonly nowMs: number;
}

interface OfBox {
	readonly zones: readonly Zone[];
	readonly profile: ControlProfile;
}

/** How many fits of stored zones a thread keeps. */
const MOST_FITS = 400;
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
		byHand: daysByHand(zone, profile, chosen.held),
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
	/** The page that a customer keeps of a zone. */
	customerPage({ zone, profile, site, feeding, choice, setUpBy, nowMs }: ForCustomer) {
		const fit = fitOf({ zone, profile });
		const permission = feeding && heatWeek(feeding);
		const money = site.tellsCost ? coldWeekMoney(zone, profile, fit.chosen.held, site, permission) : null;
		return customerPage(zone, profile, site, nowMs, {
			choice,
			setUpBy,
			fed: feeding,
			lets: site.sources.find(({ id }) => id === zone.governs)?.name ?? null,
			cost: money && { money, currency: site.currency },
			fit
		});
	},
	/** What a zone brings to the CSV of a site's weeks. */
	weekLines: (given: OfZone) => weekLines(given.zone, given.profile, fitOf(given)),
	pricedFit: (given: OfZone) => pricedFit(given.zone, given.profile, fitOf(given)),
	// the printer with its faces, and what reads pictures, are loaded by the one thread that needs them, when it does: native code is not loaded by two at once
	customerPdf: async (given: PrintedPages) => (await import('../papers')).customerPdf(given),
	recordPdf: async (given: PrintedRecord) => (await import('../papers')).recordPdf(given),
	picture: async (file: Parameters<typeof onlyPixels>[0]) => (await import('./picture')).onlyPixels(file),
	readJob: readJobFile,
	/** A job file as whoever only reads may see it. */
	seenJob(text: string) {
		const read = readJobFile(text);
		if (!read.ok) throw new Error('a stored site is no job');
		return writeJobFile(seenBy('reader', read.value));
	},
	posted
};
export type Tasks = typeof tasks;
