import { fitZone } from '$core/fit';
import { zoneForPages } from '$lib/server/jobs';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => {
	const { stored, profile } = await zoneForPages(params.siteId, params.zoneId);
	const { chosen } = fitZone(stored.zone, profile);
	return {
		stored: { zone: stored.zone, revision: stored.revision },
		profile,
		program: chosen.program,
		held: chosen.held,
		/** The server's clock: the right time, as far as this program knows. */
		nowMs: Date.now()
	};
};
