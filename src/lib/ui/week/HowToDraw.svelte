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
	<p>
		Press an upright of the line to choose it, drag it to change its time; drag a level stretch up or down.
		Double-click where a change should be.
	</p>
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
