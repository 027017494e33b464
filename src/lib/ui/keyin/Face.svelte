<script lang="ts">
	import { keysOf, type Panel } from '$core/control';
	import type { Display, Stroke } from '$core/machine';

	/** A control's face, small: what its display shows now, null for its normal display, and the key to press lit. */
	let { panel, display, next }: { panel: Panel; display: Display | null; next: Stroke | undefined } =
		$props();

	const lit = $derived.by(() => {
		if (!next || next.do === 'wait') return [];
		const stroke = next.do === 'until' ? next.gesture : next;
		return stroke.do === 'run' ? [stroke.key] : keysOf(stroke);
	});
</script>

<div class="face" aria-hidden="true">
	<p class="display mono">
		{#if display}
			<span>{display.heading} {display.aside}</span>
			<strong class:blinks={display.blinks}>{display.shows || '…'}</strong>
		{:else}
			<span>normal display</span>
		{/if}
	</p>
	<p class="keys">
		{#each panel.keys as { id, print, kind } (id)}
			<span class={kind} class:lit={lit.includes(id)}>{print}</span>
		{/each}
	</p>
</div>

<style>
	.face {
		flex: none;
		width: 12rem;
		padding: 0.5rem;
		border: 1.5px solid var(--soft);
		border-radius: 12px;
	}
	.display {
		display: flex;
		justify-content: space-between;
		gap: 0.5rem;
		padding: 0.3rem 0.5rem;
		border-radius: 4px;
		background: var(--sheet);
		font-size: var(--small);
		white-space: nowrap;
		overflow: hidden;
	}
	.display span {
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.display strong {
		flex: none;
	}
	.blinks {
		padding: 0 0.2em;
		background: var(--ink);
		color: var(--ground);
	}
	.keys {
		display: flex;
		flex-wrap: wrap;
		gap: 0.25rem;
		margin-top: 0.4rem;
	}
	.keys span {
		padding: 0.05rem 0.45rem;
		border: 1.5px solid var(--soft);
		border-radius: 1rem;
		font-size: 0.8rem;
		line-height: 1.4;
	}
	.keys .field,
	.keys .slide {
		border-radius: 4px;
	}
	.keys .lit {
		border-color: var(--held);
		background: var(--held);
		color: var(--ground);
		font-weight: 700;
	}
</style>
