import { expose } from 'comlink';
import { allowedOptions, profileSchema } from '$core/control';
import { fitZone } from '$core/fit';
import { zoneSchema } from '$core/plan';
import { cardDistance, keyingPrice, pricedFit, type PricedFit } from '$core/keying';

/** What a re-fit of many zones says of each: how well its control holds it, and what there is to key. */
export interface Outcome {
	readonly grouping: string;
	readonly coldMinutes: number;
	readonly warmMinutes: number;
	readonly values: number;
	/** The values that are keyed to come there from what was planned before; null where nothing was said of that, or hardly one stays. */
	readonly toKey: number | null;
}

/** Fits zones off the main thread. All documents cross the border through their schemas. */
const api = {
	fit(zone: unknown, profile: unknown): PricedFit {
		return pricedFit(zoneSchema.parse(zone), profileSchema.parse(profile));
	},
	async fitMany(
		pairs: readonly { readonly zone: unknown; readonly profile: unknown; readonly was?: unknown }[],
		onprogress: (done: number) => void
	): Promise<Outcome[]> {
		const outcomes: Outcome[] = [];
		for (const [index, { zone, profile, was }] of pairs.entries()) {
			const [known, control] = [zoneSchema.parse(zone), profileSchema.parse(profile)];
			const fit = fitZone(known, control);
			const { chosen } = fit;
			const before = was === undefined ? null : zoneSchema.parse(was);
			const options = allowedOptions(control, known.options);
			outcomes.push({
				grouping: chosen.grouping.name,
				coldMinutes: chosen.misfit.coldMinutes,
				warmMinutes: chosen.misfit.warmMinutes,
				values: keyingPrice(control, options, chosen.grouping, chosen.program).values,
				toKey:
					before &&
					cardDistance({ zone: before, fit: fitZone(before, control) }, { zone: known, fit }, control)
			});
			if (index % 4 === 3) onprogress(index + 1);
		}
		return outcomes;
	}
};
export type FitWorkerApi = typeof api;

expose(api);
