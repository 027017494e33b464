<script lang="ts">
	import type { Keying } from './keying.svelte';

	let { keying }: { keying: Keying } = $props();
	const { items, open, step } = $derived(keying);
	const done = $derived(items.filter(({ id }) => !open.includes(id)).length);

	/** More marks than this would be too narrow to be told apart. */
	const MOST_MARKS = 60;
</script>

<div
	role="progressbar"
	aria-label="Values in the control"
	aria-valuemin="0"
	aria-valuemax={items.length}
	aria-valuenow={done}
>
	{#if items.length <= MOST_MARKS}
		{#each items as one (one.id)}
			<span class:done={!open.includes(one.id)} class:here={one.id === step?.item.id}></span>
		{/each}
	{:else}
		<span class="whole"><span style:width="{(100 * done) / items.length}%"></span></span>
	{/if}
</div>

<style>
	div {
		display: flex;
		gap: 2px;
		height: 8px;
	}
	span {
		flex: 1;
		background: var(--rule);
	}
	.done,
	.whole span {
		background: var(--held);
	}
	.here {
		background: var(--ink);
	}
	.whole {
		display: flex;
	}
	.whole span {
		flex: none;
	}
	@media (forced-colors: active) {
		span {
			border: 1px solid CanvasText;
		}
		.done,
		.whole span {
			background: Highlight;
			forced-color-adjust: none;
		}
		.here {
			background: CanvasText;
			forced-color-adjust: none;
		}
	}
</style>
