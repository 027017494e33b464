import { pageLoad } from '$lib/server/pages';
import { database } from '$lib/server/db';
import { storedFirm } from '$lib/server/store';
import { signInWanted } from '$lib/server/guard';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ locals }: PageServerLoadEvent) => {
	const { value, revision } = await storedFirm(await database());
	return {
		firm: value,
		revision,
		role: locals.role,
		signIn: signInWanted()
	};
});
