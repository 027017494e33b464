import { pageLoad } from '$lib/server/pages';
import { error } from '@sveltejs/kit';
import { findProfile } from '$core/control';
import { findControl, usesOf } from '$lib/server/store';
import { database } from '$lib/server/db';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, depends }: PageServerLoadEvent) => {
	depends('fq:control');
	const db = await database();
	const own = await findControl(db, params.controlId);
	const profile = own?.profile ?? findProfile(params.controlId);
	if (!profile) error(404, 'There is no such control. If it was deleted it can be put back from Controls.');
	return { profile, revision: own?.revision ?? null, uses: await usesOf(db, params.controlId) };
});
