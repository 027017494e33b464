import { pageLoad } from '$lib/server/pages';
import { database } from '$lib/server/db';
import { outcomesOf, storedFirm } from '$lib/server/store';
import { signInWanted } from '$lib/server/guard';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ locals }: PageServerLoadEvent) => {
	const db = await database();
	const { value, revision } = await storedFirm(db);
	return {
		firm: value,
		revision,
		outcomes: await outcomesOf(db),
		role: locals.role,
		signIn: signInWanted()
	};
});
