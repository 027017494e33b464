import { fitZone } from '$core/fit';
import type { PageServerLoad } from './$types';

/** The fit is there with the first picture; from then on a worker follows the edits. */
export const load: PageServerLoad = async ({ parent }) => {
	const { stored, profile } = await parent();
	return { firstFit: fitZone(stored.zone, profile) };
};
