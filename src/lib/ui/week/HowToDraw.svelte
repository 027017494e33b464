<script lang="ts">
	import { onMount } from 'svelte';

	let { editor }: { editor: { readonly canUndo: boolean } } = $props();

	/** Whether this browser has drawn a week before: until then the page says how. */
	let drewBefore = $state(true);
	onMount(() => (drewBefore = localStorage.getItem('has-drawn') !== null));
	$effect(() => {
		if (!editor.canUndo) return;
		drewBefore = true;
		localStorage.setItem('has-drawn', 'yes');
	});
</script>

{#if !drewBefore}
	<p>Select a step to change its time or level, or drag it. Double-click to add a step.</p>
{/if}

<style>
	p {
		max-width: 60rem;
		margin: 0.3rem 0;
		padding: 0.5rem 0.75rem;
		border-left: 4px solid var(--held);
		background: var(--sheet);
	}
</style>
