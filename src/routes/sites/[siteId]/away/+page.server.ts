import { heldWeeks } from '$lib/server/holds';
import { pageLoad } from '$lib/server/pages';
import { siteForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, depends }: PageServerLoadEvent) => {
	depends('fq:site');
	const { stored, zones } = await siteForPages(params.siteId);
	const held = heldWeeks(zones, stored);
	// what a page waits for may fail before it listens
	held.catch(() => undefined);
	return {
		/** The server's clock: the right time, as far as this program knows. */
		nowMs: Date.now(),
		held
	};
});
