<script lang="ts">
	import { ProgressBar } from 'carbon-components-svelte';
	import Button from '$lib/ui/kit/Button.svelte';

	let {
		label,
		share,
		onstop
	}: {
		label: string;
		/** What is done, from 0 to 1. */
		share: number;
		onstop: () => void;
	} = $props();
</script>

<!-- long work that can be stopped -->
<div>
	<ProgressBar labelText={label} value={share * 100} max={100} />
	<Button onclick={onstop}>Stop</Button>
</div>

<style>
	div {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: end;
		max-width: 36rem;
		margin-top: 0.75rem;
	}
	div > :global(:first-child) {
		flex: 1 1 12rem;
	}
</style>
