import type { PageServerLoad } from './$types';

/** The server's clock: the right time, as far as this program knows. */
export const load: PageServerLoad = () => ({ nowMs: Date.now() });
