import { allowedOptions } from '$core/control';
import { fitZone } from '$core/fit';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { stored, profile } = await parent();
	const { chosen } = fitZone(stored.zone, profile);
	return { held: chosen.held, misfit: chosen.misfit, options: allowedOptions(profile, stored.zone.options) };
};
