<script lang="ts">
	import { isKeyed, type CardItem, type Keyed } from '$core/keying';

	let {
		items,
		keyed,
		index,
		progress
	}: {
		items: readonly CardItem[];
		keyed: Keyed;
		/** The value on show. */
		index: number;
		progress: { readonly done: number; readonly of: number };
	} = $props();

	/** More marks than this would be too narrow to be told apart. */
	const MOST_MARKS = 60;
</script>

<div
	role="progressbar"
	aria-label="Values in the control"
	aria-valuemin="0"
	aria-valuemax={progress.of}
	aria-valuenow={progress.done}
>
	{#if items.length <= MOST_MARKS}
		{#each items as one, i (one.id)}
			<span class:done={isKeyed(one, keyed)} class:here={i === index}></span>
		{/each}
	{:else}
		<span class="whole"><span style:width="{(100 * progress.done) / progress.of}%"></span></span>
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
