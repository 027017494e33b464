import { allowedOptions } from '$core/control';
import { fitZone } from '$core/fit';
import { keyCard } from '$core/keying';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { stored, profile } = await parent();
	const { chosen } = fitZone(stored.zone, profile);
	return {
		card: keyCard(profile, allowedOptions(profile, stored.zone.options), chosen.grouping, chosen.program)
	};
};
