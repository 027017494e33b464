<script lang="ts">
	import type { Zone } from '$core/plan';
	import Button from '../kit/Button.svelte';

	let { siteId, of }: { siteId: string; of: Pick<Zone, 'dwelling' | 'type'> } = $props();

	const asked = $derived(`?dwelling=${encodeURIComponent(of.dwelling)}`);
</script>

<div>
	<h2>{of.dwelling || 'The house itself'}</h2>
	{#if of.type}<span class="soft">one of {of.type}</span>{/if}
	<Button href="/sites/{siteId}">The whole site</Button>
	<Button href="/sites/{siteId}/checks{asked}">Checks and sign-off</Button>
	<Button href="/sites/{siteId}/hand-over{asked}">Sheet and link</Button>
</div>

<style>
	div {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: center;
		margin-top: 1.5rem;
	}
	h2 {
		font-size: 1.25rem;
	}
</style>
