import { pageLoad } from '$lib/server/pages';

/** The server's clock: the right time, as far as this program knows. */
export const load = pageLoad(() => ({ nowMs: Date.now() }));
