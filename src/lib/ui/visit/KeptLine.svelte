<script lang="ts">
	import type { Keeping } from './keptPages.svelte';

	let { keeping }: { keeping: Keeping | null } = $props();
</script>

<p class="soft">
	{#if keeping?.never}
		This browser keeps no pages: without a connection stay on this one. What you note is sent when it is back.
	{:else if keeping && keeping.kept === keeping.of}
		This visit works without a connection; notes are sent when it is back.
	{:else if keeping}
		Keeping {keeping.kept} of {keeping.of} pages for when there is no connection …
	{/if}
</p>

<style>
	p {
		margin-top: 1rem;
		font-size: var(--small);
	}
</style>
