import type { ControlProfile } from '$core/control';
import { toHold, type ToHold } from '$core/keying';
import type { Zone } from '$core/plan';
import { compute } from './compute';

/** What a control is to hold for the zones that hang on it, their weeks fitted in a worker. */
export async function holdOf(zones: readonly Zone[], profile: ControlProfile): Promise<ToHold> {
	const fitted = await Promise.all(
		zones.map(async (zone) => ({ zone, fit: await compute('zoneFit', { zone, profile }) }))
	);
	return toHold(fitted, profile);
}
