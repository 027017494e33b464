import { profileOf } from '$core/control';
import { boxWords } from '$core/words';
import { pageLoad } from '$lib/server/pages';
import { holdOf } from '$lib/server/holds';
import { byChannel } from '$core/keying';
import { siteForPages } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

/** The cards of all controls of a site: each is made of what its control is to hold and what is noted there. */
export const load = pageLoad(async ({ params, depends }: PageServerLoadEvent) => {
	depends('fq:keyed');
	const { stored, zones } = await siteForPages(params.siteId);
	const cards = Promise.all(
		[...new Set(zones.map(({ boxId }) => boxId))].map(async (box) => {
			const hung = byChannel(zones.filter(({ boxId }) => boxId === box));
			const first = hung[0]!;
			const profile = profileOf(first.zone, stored.profiles);
			return {
				id: first.id,
				name: hung.length > 1 ? boxWords(first.zone, profile) : first.zone.name,
				profile,
				notes: first.notes,
				hold: await holdOf(
					hung.map(({ zone }) => zone),
					profile
				)
			};
		})
	);
	// what a page waits for may fail before it listens
	cards.catch(() => undefined);
	return { cards };
});
