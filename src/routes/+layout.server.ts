import { pageLoad } from '$lib/server/pages';
import type { LayoutServerLoadEvent } from './$types';

export const load = pageLoad(({ locals }: LayoutServerLoadEvent) => ({
	theme: locals.theme,
	signedIn: locals.role !== null
}));
