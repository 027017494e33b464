import { pageLoad } from '$lib/server/pages';
import { shippedProfiles } from '$core/control';
import { carriedBySites, countUses, listControls } from '$lib/server/store';
import { database } from '$lib/server/db';
import type { PageServerLoadEvent } from './$types';
import { profileInShort } from '$core/words';

export const load = pageLoad(async ({ depends }: PageServerLoadEvent) => {
	depends('fq:controls');
	const db = await database();
	const [own, deleted, carried, uses] = await Promise.all([
		listControls(db),
		listControls(db, true),
		carriedBySites(db),
		countUses(db)
	]);
	const row = (profile: (typeof shippedProfiles)[number]) => ({
		id: profile.id,
		name: profile.name,
		short: profile.summary || profileInShort(profile),
		zones: uses.get(profile.id) ?? 0
	});
	return {
		own: own.map((control) => row(control.profile)),
		shipped: shippedProfiles.map(row),
		carried: carried.map(({ profile, siteName }) => ({ ...row(profile), siteName, profile })),
		deleted: deleted.map(({ id, profile }) => ({ id, name: profile.name }))
	};
});
