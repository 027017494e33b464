<script lang="ts">
	import { keyPrint, type Panel } from '$core/control';
	import type { ItemKeys } from '$core/keying';
	import type { Stroke } from '$core/machine';
	import Strokes from '../panel/Strokes.svelte';

	/** The keys for one value: the way to it, what changes it in a frame, what takes it. */
	let { panel, keys, way }: { panel: Panel; keys: ItemKeys; way: readonly Stroke[] } = $props();
	const change = $derived(keys.change);
</script>

<div class="keys">
	{#if way.length > 0}
		<p class="way">
			<Strokes {panel} strokes={way} />
			{#if !keys.isSure}<span class="soft">until it shows there</span>{/if}
		</p>
	{/if}
	{#if change === null && keys.until}
		<p class="gesture">
			<kbd>{keyPrint(panel, keys.until.up)}</kbd> or <kbd>{keyPrint(panel, keys.until.down)}</kbd> until it shows
		</p>
	{:else if change && change.length > 0}
		<p class="gesture"><Strokes {panel} strokes={change} /></p>
	{/if}
	{#if keys.take.length > 0}
		<p class:gesture={change?.length === 0}>
			<Strokes {panel} strokes={keys.take} />
			{#if change?.length === 0}<span class="soft">it is right already</span>{/if}
		</p>
	{/if}
</div>

<style>
	.keys {
		display: grid;
		gap: 0.35rem;
		justify-items: start;
		font-size: 1.25rem;
	}
	.gesture {
		padding: 0.2rem 0.9rem;
		border: 2px solid var(--ink);
		border-radius: 6px;
		font-family: var(--display);
		font-size: clamp(1.4rem, 4.5vw, 2rem);
		font-weight: 600;
	}
	.gesture .soft {
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
