import { findProfile, shippedProfiles } from '$core/control';
import { database } from '$lib/server/db';
import { pageLoad } from '$lib/server/pages';
import { listControls } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ url, depends }: PageServerLoadEvent) => {
	depends('fq:controls');
	// only what has its keys described can be rehearsed
	const own = (await listControls(await database()))
		.map(({ profile }) => profile)
		.filter(({ panel }) => panel !== null);
	const asked = findProfile(url.searchParams.get('control') ?? '', own);
	const short = ({ id, name }: (typeof shippedProfiles)[number]) => ({ id, name });
	return {
		profile: asked?.panel ? asked : shippedProfiles[0]!,
		own: own.map(short),
		shipped: shippedProfiles.map(short)
	};
});
