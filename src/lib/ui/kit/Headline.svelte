<script lang="ts">
	import type { Snippet } from 'svelte';

	let {
		of,
		bad = false,
		children
	}: {
		/** The view, as the window is called: heard before the answer, and not drawn. */
		of: string;
		bad?: boolean;
		/** The one answer of the view. */
		children: Snippet;
	} = $props();
</script>

<svelte:head><title>{of} · Fond Quarter</title></svelte:head>

<h1 class:signal={bad} aria-live="polite">
	<span class="out-of-sight">{of}:</span>
	{@render children()}
</h1>
