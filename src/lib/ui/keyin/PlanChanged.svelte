<script lang="ts">
	import { wallAt } from '$core/civil';
	import { clockTime } from '$core/week';
	import Button from '$lib/ui/kit/Button.svelte';
	import type { Keying } from './keying.svelte';

	let {
		keying,
		planned,
		timeZone,
		onseen
	}: {
		keying: Keying;
		/** By whom the plan was kept last, and when; null where nobody knows. */
		planned: { readonly by: string; readonly at: string } | null;
		timeZone: string;
		onseen: () => void;
	} = $props();

	const by = $derived.by(() => {
		if (!planned) return 'The plan has changed';
		const minute = wallAt(timeZone, Date.parse(planned.at));
		const at = clockTime(((minute % 1440) + 1440) % 1440);
		return `${planned.by || 'Somebody on another device'} changed the plan at ${at}`;
	});

	/** How many values are told one by one. */
	const TOLD = 4;
</script>

{#if keying.changes.length > 0}
	<div role="alert">
		<p>
			<strong>{by}:</strong>
			{#each keying.changes.slice(0, TOLD) as one, i (one.id)}{i > 0 ? '; ' : ' '}{one.what}
				{one.was === null
					? 'is new, '
					: one.now === null
						? `${one.was} goes`
						: `${one.was} is now `}{#if one.now !== null}<strong>{one.now}</strong>{/if}{/each}{keying.changes
				.length > TOLD
				? `; and ${keying.changes.length - TOLD} more`
				: ''}.
		</p>
		{#if keying.isHeld}<p>Old value below. Keyed in? Confirm; the new one follows.</p>{/if}
		<Button onclick={onseen}>{keying.isHeld ? 'Show the new value' : 'Seen'}</Button>
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
