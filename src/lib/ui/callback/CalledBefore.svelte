<script lang="ts">
	import type { ControlProfile } from '$core/control';
	import { callWords } from '$core/words';
	import type { GivenCall } from './callModel.svelte';

	/** What somebody called about before this visit: nothing where nobody did. */
	let {
		siteId,
		zoneId,
		calls,
		profile
	}: {
		siteId: string;
		zoneId: string;
		calls: readonly GivenCall[];
		profile: Pick<ControlProfile, 'panel'>;
	} = $props();

	const here = $derived(calls.filter((one) => one.zoneId === null || one.zoneId === zoneId));
</script>

{#each here as one (one.id)}
	<p class="called">
		<strong>Called about:</strong>
		{callWords(one.call, profile)}{one.call.promised && `. Promised: ${one.call.promised}`}
		<a href="/sites/{siteId}/zones/{zoneId}/callback?call={one.id}">To the call</a>
	</p>
{/each}

<style>
	.called {
		margin: 0.4rem 0 0.8rem;
		padding: 0.6rem 0.8rem;
		border-left: 4px solid var(--ink);
		background: var(--sheet);
		overflow-wrap: anywhere;
	}
</style>
