import { allowedOptions, wantedCooling, type ControlProfile } from '../control';
import { bindingLimits, coolingTargetWeek, onOwnScale, targetWeek, type Zone } from '../plan';
import { fitAll, fitGrouping, suggestedGrouping, type Fit, type FitRequest } from './fit';
import type { Misfit } from './misfit';

/** A zone's fits: one for each grouping, and which of them counts. */
export interface ZoneFit {
	readonly fits: readonly Fit[];
	readonly chosen: Fit;
	/** The grouping the fit itself would take, for all channels of the control together. */
	readonly suggested: string;
}

/** What is fitted of a zone: its target week, on its control's own scale and within the limits that bind its program. */
function requestOf(planned: Zone, profile: ControlProfile): FitRequest {
	const zone = onOwnScale(planned, profile);
	return {
		profile,
		options: allowedOptions(profile, zone.options),
		setpointsC: zone.levels.map((level) => level.setpointC),
		target: targetWeek(zone),
		weights: zone.weights,
		limits: bindingLimits(zone, profile),
		...(profile.cooling
			? {
					cooling: {
						setpointsC: zone.levels.map((level) => wantedCooling(level, profile)),
						target: coolingTargetWeek(zone, profile)
					}
				}
			: {})
	};
}

/** Fits a zone's week in every grouping; the zone's own choice of grouping wins over the suggestion. */
export function fitZone(zone: Zone, profile: ControlProfile): ZoneFit {
	const fits = fitAll(requestOf(zone, profile));
	const suggested = suggestedGrouping(fits, zone.otherChannels);
	const wanted = zone.grouping ?? suggested;
	const chosen =
		fits.find((fit) => fit.grouping.id === wanted) ?? fits.find((fit) => fit.grouping.id === suggested)!;
	return { fits, chosen, suggested };
}

/** The largest weight of a fit whose costs are still whole numbers that a double holds exactly. */
const MOST_WEIGHT = 500_000;

/**
 * A program that misses as much as the chosen one by the zone's weights, and is less cold and warmer for it (735 K·min too cold weigh as much as
 * 4 × 735 too warm): what it misses; null where there is none, or where the chosen one is not proved the best. Found by weighing cold a very little more.
 */
export function tieOf(zone: Zone, profile: ControlProfile, { chosen }: ZoneFit): Misfit | null {
	const { misfit, grouping, couldGain } = chosen;
	if (misfit.coldMinutes === 0 || couldGain > 0) return null;
	const request = requestOf(zone, profile);
	const { cold, warm } = request.weights;
	const times = Math.floor(MOST_WEIGHT / Math.max(cold, warm));
	const other = fitGrouping(
		{ ...request, weights: { cold: cold * times + 1, warm: warm * times } },
		grouping
	);
	const less = misfit.coldKelvinMinutes - other.misfit.coldKelvinMinutes;
	const same = cold * less - warm * (other.misfit.warmKelvinMinutes - misfit.warmKelvinMinutes);
	return less > 1e-6 && Math.abs(same) < 1e-6 ? other.misfit : null;
}

/** The stops of the slider between "never waste" and "never cold": cold and warm weights. */
export const weightStops = [
	{ cold: 1, warm: 100 },
	{ cold: 1, warm: 16 },
	{ cold: 1, warm: 4 },
	{ cold: 1, warm: 2 },
	{ cold: 1, warm: 1 },
	{ cold: 2, warm: 1 },
	{ cold: 4, warm: 1 },
	{ cold: 16, warm: 1 },
	{ cold: 100, warm: 1 }
] as const;

/** The slider stop nearest to a pair of weights, by the logarithm of their ratio. */
export function nearestWeightStop(weights: { cold: number; warm: number }): number {
	const position = (w: { cold: number; warm: number }) =>
		Math.log(Math.max(w.cold, 0.001) / Math.max(w.warm, 0.001));
	const distances = weightStops.map((stop) => Math.abs(position(stop) - position(weights)));
	return distances.indexOf(Math.min(...distances));
}
