<script lang="ts">
	import Button from '$lib/ui/kit/Button.svelte';
	import type { HeldCard } from './heldCard.svelte';

	let {
		held,
		by,
		onseen
	}: {
		held: HeldCard;
		/** Who changed the plan and when, as it begins a sentence. */
		by: string;
		onseen: () => void;
	} = $props();

	/** How many values are told one by one. */
	const TOLD = 4;
</script>

{#if held.changes.length > 0}
	<div role="alert">
		<p>
			<strong>{by}:</strong>
			{#each held.changes.slice(0, TOLD) as one, i (one.id)}{i > 0 ? '; ' : ' '}{one.what}
				{one.was === null
					? 'is new, '
					: one.now === null
						? `${one.was} goes`
						: `${one.was} is now `}{#if one.now !== null}<strong>{one.now}</strong>{/if}{/each}{held.changes
				.length > TOLD
				? `; and ${held.changes.length - TOLD} more`
				: ''}.
		</p>
		{#if held.instead}
			<p>
				The value below is from before. If you have keyed it, say so, and it comes again with the new one.
			</p>
		{/if}
		<Button onclick={onseen}>{held.instead ? 'Show the new value' : 'Seen'}</Button>
	</div>
{/if}

<style>
	div {
		margin: 0.75rem 1.4rem 0;
		padding: 0.6rem 0.75rem;
		border-left: 4px solid var(--signal);
		background: var(--sheet);
	}
	p {
		margin-bottom: 0.4rem;
	}
</style>
