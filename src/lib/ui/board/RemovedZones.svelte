<script lang="ts">
	import Button from '../kit/Button.svelte';

	let {
		zones,
		busy,
		onback
	}: {
		zones: readonly { readonly id: string; readonly name: string }[];
		busy: boolean;
		onback: (id: string) => void;
	} = $props();
</script>

<h2>Removed</h2>
<ul>
	{#each zones as zone (zone.id)}
		<li>
			<span>{zone.name}</span>
			<Button disabled={busy} onclick={() => onback(zone.id)}>Put {zone.name} back</Button>
		</li>
	{/each}
</ul>

<style>
	h2 {
		margin-top: 1.5rem;
		color: var(--soft);
		font-size: var(--small);
	}
	li {
		display: flex;
		gap: 1rem;
		align-items: center;
		justify-content: space-between;
		max-width: 36rem;
		padding: 0.3rem 0;
		border-bottom: 1px solid var(--rule);
	}
</style>
