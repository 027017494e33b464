import { database } from '$lib/server/db';
import { readFirm } from '$lib/server/firm';
import { signInWanted } from '$lib/server/guard';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
	firm: await readFirm(await database()),
	role: locals.role,
	signIn: signInWanted()
});
