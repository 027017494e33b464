<script lang="ts">
	import Printer from 'carbon-icons-svelte/lib/Printer.svelte';
	import { leftToKey, cardOf, notesAt } from '$core/keying';
	import Button from '$lib/ui/kit/Button.svelte';
	import PrintedCard from '$lib/ui/keyin/PrintedCard.svelte';

	let { data } = $props();

	type Card = Awaited<typeof data.cards>[number];
	const isLeft = ({ profile, hold, notes }: Card) => {
		const noted = notesAt(profile, notes);
		return leftToKey(profile, cardOf(profile, hold, noted), noted).steps.length > 0;
	};
</script>

<svelte:head><title>Cards, {data.site.name} · Fond Quarter</title></svelte:head>

<main>
	{#await data.cards}
		<h1>Cards of {data.site.name}</h1>
		<p role="status">Being made …</p>
	{:then cards}
		{@const open = cards.filter(isLeft)}
		<div class="top">
			<h1>
				{open.length === 0
					? `Nothing is left to key at ${data.site.name}`
					: open.length === 1
						? 'One control to key in'
						: `${open.length} controls to key in`}
			</h1>
			{#if open.length > 0}
				<Button kind="next" icon={Printer} onclick={() => window.print()}>Print all</Button>
			{/if}
		</div>
		{#if open.length < cards.length && open.length > 0}
			<p class="soft">{cards.length - open.length} more: nothing to key, it is in.</p>
		{/if}
		{#each open as { id, name, profile, hold, notes } (id)}
			<PrintedCard {name} site={data.site.name} {profile} {hold} {notes} shown />
		{/each}
	{:catch}
		<h1>Cards of {data.site.name}</h1>
		<p role="alert">They could not be made just now. <a href="/sites/{data.site.id}/cards">Try again</a></p>
	{/await}
</main>

<style>
	.top {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
		justify-content: space-between;
		margin-bottom: 0.75rem;
	}
	@media print {
		.top,
		p {
			display: none;
		}
	}
</style>
