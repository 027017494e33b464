<script lang="ts">
	import { afterNavigate } from '$app/navigation';
	import { page } from '$app/state';
	import { saving } from '$lib/ui/saving.svelte';
	import { refresh } from '$lib/ui/refresh';
	import { keepAgain, visitPages } from '$lib/ui/visit/keptPages.svelte';

	let { children } = $props();

	const KEEP_AGAIN_AFTER_MS = 300;

	/** Views that show the site's lists, not one zone. */
	const showsLists = $derived(!page.route.id?.includes('[zoneId]'));

	// whatever view of a site is gone to: what was saved on the one before, and for a list whatever anybody noted
	// since it was loaded, is on it
	afterNavigate(({ type }) => {
		if (saving.takeStale() || (showsLists && type !== 'enter')) void refresh('fq:site');
	});

	// what a page left behind is still sending reaches the board's lists too when it arrives
	$effect(() => {
		if (saving.now.kind !== 'saved') return;
		if (!showsLists) return;
		if (saving.takeStale()) void refresh('fq:site');
	});

	// what was saved shows on the pages kept for a visit as well, should the network be gone before they are opened again
	let soon: ReturnType<typeof setTimeout> | undefined;
	$effect(() => {
		if (saving.now.kind !== 'saved' || soon !== undefined) return;
		soon = setTimeout(() => {
			soon = undefined;
			const { siteId, zoneId } = page.params;
			if (siteId) void keepAgain(visitPages(siteId, zoneId ? [zoneId] : []).filter((page) => page !== '/'));
		}, KEEP_AGAIN_AFTER_MS);
	});
</script>

{@render children()}
