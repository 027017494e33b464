import { expose } from 'comlink';
import { allowedOptions, profileSchema, type ControlProfile } from '$core/control';
import { fitZone, type ZoneFit } from '$core/fit';
import { zoneSchema, type Zone } from '$core/plan';
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
		/** By the document as it was sent: of weeks in a row each is the one before of the next. */
		const made = new Map<unknown, { readonly zone: Zone; readonly fit: ZoneFit }>();
		const fitted = (sent: unknown, control: ControlProfile) => {
			const had = made.get(sent);
			if (had) return had;
			const zone = zoneSchema.parse(sent);
			const now = { zone, fit: fitZone(zone, control) };
			made.set(sent, now);
			return now;
		};
		for (const [index, { zone, profile, was }] of pairs.entries()) {
			const control = profileSchema.parse(profile);
			const now = fitted(zone, control);
			const { chosen } = now.fit;
			const options = allowedOptions(control, now.zone.options);
			outcomes.push({
				grouping: chosen.grouping.name,
				coldMinutes: chosen.misfit.coldMinutes,
				warmMinutes: chosen.misfit.warmMinutes,
				values: keyingPrice(control, options, chosen.grouping, chosen.program).values,
				toKey: was === undefined ? null : cardDistance(fitted(was, control), now, control)
			});
			if (index % 4 === 3) onprogress(index + 1);
		}
		return outcomes;
	}
};
export type FitWorkerApi = typeof api;

expose(api);
