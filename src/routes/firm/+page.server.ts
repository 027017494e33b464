import { pageLoad } from '$lib/server/pages';
import { database } from '$lib/server/db';
import { readFirm } from '$lib/server/store';
import { signInWanted } from '$lib/server/guard';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ locals }: PageServerLoadEvent) => ({
	firm: await readFirm(await database()),
	role: locals.role,
	signIn: signInWanted()
}));
