import { allowedOptions, type ControlProfile } from '../control';
import { fitZone, tieOf, type Misfit, type ZoneFit } from '../fit';
import { keyingPrice, type KeyingPrice } from './price';
import type { Zone } from '../plan';

/** A zone's fits with what keying each of them takes, in the same order. */
export interface PricedFit extends ZoneFit {
	readonly prices: readonly KeyingPrice[];
	/** What misses as much as the chosen one, less cold and warmer; see {@link tieOf}. */
	readonly tie: Misfit | null;
}

/** Fits a zone and prices every grouping: what a page that shows them side by side needs. */
export function pricedFit(
	zone: Zone,
	profile: ControlProfile,
	fit: ZoneFit = fitZone(zone, profile)
): PricedFit {
	const options = allowedOptions(profile, zone.options);
	return {
		...fit,
		tie: tieOf(zone, profile, fit),
		prices: fit.fits.map((one) => keyingPrice(profile, options, one.grouping, one.program))
	};
}
