<script lang="ts">
	import type { Snippet } from 'svelte';

	let {
		heading,
		children
	}: {
		/** What is not here yet. */
		heading: string;
		/** What is done about it: one act, and what comes of it. */
		children: Snippet;
	} = $props();
</script>

<section class="empty">
	<h2>{heading}</h2>
	{@render children()}
</section>

<style>
	.empty {
		display: grid;
		gap: 0.75rem;
		justify-items: start;
		max-width: 40rem;
		margin-top: 1.5rem;
	}
	h2 {
		font-size: 1.15rem;
	}
</style>
