<script lang="ts">
	import { keyPrint, type Panel } from '$core/control';
	import type { ItemKeys } from '$core/keying';
	import Strokes from '../panel/Strokes.svelte';

	/** The keys for one value, in one frame, in the order in which they are pressed. */
	let {
		panel,
		keys,
		small = false,
		shows = ''
	}: {
		panel: Panel;
		keys: ItemKeys;
		small?: boolean;
		/** What the display is to show, where that does not stand beside it. */
		shows?: string;
	} = $props();
	const isRight = $derived(keys.change?.length === 0 && keys.take.length > 0);
</script>

<p class="keys" class:small>
	{#if keys.way.length > 0}
		<span
			><Strokes {panel} strokes={keys.way} />
			{#if !keys.isSure}<span class="soft">until it shows there</span>{/if}</span
		>
	{/if}
	{#if keys.change === null && keys.until}
		<span
			><kbd>{keyPrint(panel, keys.until.up)}</kbd> or <kbd>{keyPrint(panel, keys.until.down)}</kbd> until it
			shows {shows}</span
		>
	{:else if keys.change && keys.change.length > 0}
		<span><Strokes {panel} strokes={keys.change} /></span>
	{/if}
	{#if keys.take.length > 0}
		<span
			><Strokes {panel} strokes={keys.take} />
			{#if isRight}<span class="soft">it is right already</span>{/if}</span
		>
	{/if}
</p>

<style>
	.keys {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1.25rem;
		align-items: center;
		justify-content: space-between;
		max-width: 40rem;
		min-height: 72px;
		padding: 0.4rem 1rem;
		border: 2px solid var(--ink);
		border-radius: 6px;
		font-family: var(--display);
		font-size: 1.75rem;
		font-weight: 600;
	}
	.small {
		gap: 0 1rem;
		justify-content: flex-start;
		min-height: 0;
		padding: 0;
		border: 0;
		font-size: 1.1rem;
	}
	.soft {
		font-family: var(--text);
		font-size: 1.1rem;
		font-weight: 400;
	}
	kbd {
		padding: 0 0.5em;
		border: 1.5px solid currentcolor;
		border-radius: 1em;
		font: inherit;
	}
</style>
