<script lang="ts">
	import { afterNavigate, invalidate } from '$app/navigation';
	import { saving } from '$lib/ui/saving.svelte';

	let { children } = $props();

	// whatever view of a site is gone to: what was saved on the one before is on its lists
	afterNavigate(() => {
		if (saving.takeStale()) void invalidate('fq:site');
	});
</script>

{@render children()}
