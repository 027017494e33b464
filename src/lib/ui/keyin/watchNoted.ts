import { onMount } from 'svelte';
import { refresh } from '../refresh';
import { watchSite } from '../watchSite';

/** While a page is open: what others note at its control is read anew. Call where the page is made. */
export function watchNoted(siteId: () => string, mark: () => string): void {
	onMount(() => {
		// a reload may have been read before the last notes were written: ask again a few times
		const again = [0, 1000, 2500].map((ms) => setTimeout(() => void refresh('fq:keyed'), ms));
		const stop = watchSite(siteId(), mark, () => refresh('fq:keyed'));
		return () => {
			stop();
			again.forEach(clearTimeout);
		};
	});
}
