import { allowedOptions, type ControlProfile } from '$core/control';
import { fitZone, type ZoneFit } from '$core/fit';
import { keyingPrice, type KeyingPrice } from '$core/keying';
import type { Zone } from '$core/plan';

/** A zone's fits with what keying each of them takes, in the same order. */
export interface PricedFit extends ZoneFit {
	readonly prices: readonly KeyingPrice[];
}

/** Fits a zone and prices every grouping: what a page that shows them side by side needs. */
export function pricedFit(zone: Zone, profile: ControlProfile): PricedFit {
	const fit = fitZone(zone, profile);
	const options = allowedOptions(profile, zone.options);
	return {
		...fit,
		prices: fit.fits.map((one) => keyingPrice(profile, options, one.grouping, one.program))
	};
}
