import { signInWanted } from '$lib/server/guard';
import { pageLoad } from '$lib/server/pages';
import type { LayoutServerLoadEvent } from './$types';

export const load = pageLoad(({ locals }: LayoutServerLoadEvent) => ({
	theme: locals.theme,
	role: locals.role,
	/** Whether there is anything to sign out of. */
	signsOut: locals.role !== null && signInWanted()
}));
