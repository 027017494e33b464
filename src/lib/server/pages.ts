import { error, type ServerLoadEvent } from '@sveltejs/kit';
import { Busy, Late } from './compute';
import { troubleSentence } from './http/trouble';
import { seenBy } from './store/sight';

/**
 * A page's load on the server: what it gives is cut to what the person's role may see, and what cannot be computed just now is said.
 * Every page's data goes through here, and says when it was read, in ms since 1970.
 */
export function pageLoad<Event extends ServerLoadEvent, Data extends Record<string, unknown>>(
	load: (event: Event) => Promise<Data> | Data
): (event: Event) => Promise<Data & { readonly readAtMs: number }> {
	return async (event) => {
		// before anything is read: what came in later may be missing
		const readAtMs = Date.now();
		try {
			const data = seenBy((event as unknown as { locals: App.Locals }).locals.role, await load(event));
			return { ...data, readAtMs };
		} catch (thrown) {
			if (thrown instanceof Busy || thrown instanceof Late) error(503, troubleSentence(thrown));
			throw thrown;
		}
	};
}
