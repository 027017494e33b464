import { allowedOptions, wantedCooling, type ControlProfile } from '../control';
import { bindingLimits, coolingTargetWeek, onOwnScale, targetWeek, type Zone } from '../plan';
import { fitAll, suggestedGrouping, type Fit } from './fit';

/** A zone's fits: one for each grouping, and which of them counts. */
export interface ZoneFit {
	readonly fits: readonly Fit[];
	readonly chosen: Fit;
	/** The grouping the fit itself would take, for all channels of the control together. */
	readonly suggested: string;
}

/** Fits a zone's target week, on its control's own scale and within the limits that bind its program, in every grouping; the zone's own choice of grouping wins over the suggestion. */
export function fitZone(planned: Zone, profile: ControlProfile): ZoneFit {
	const zone = onOwnScale(planned, profile);
	const fits = fitAll({
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
	});
	const suggested = suggestedGrouping(fits, zone.otherChannels);
	const wanted = zone.grouping ?? suggested;
	const chosen =
		fits.find((fit) => fit.grouping.id === wanted) ?? fits.find((fit) => fit.grouping.id === suggested)!;
	return { fits, chosen, suggested };
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
