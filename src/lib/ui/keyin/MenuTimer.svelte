<script lang="ts">
	import { onMount, untrack } from 'svelte';

	let {
		seconds,
		restarted,
		onclosed
	}: {
		/** After how long the menu counts as closed by itself. */
		seconds: number;
		/** When the last key was pressed, by the page's clock in ms; 0 for not yet. */
		restarted: number;
		/** It closed. */
		onclosed: () => void;
	} = $props();

	/** From so few on the bar calls attention. */
	const SHORT = 10;

	let now = $state(0);
	onMount(() => {
		now = performance.now();
		const every = setInterval(() => (now = performance.now()), 250);
		return () => clearInterval(every);
	});
	/** Counted from the last key, or from when this came up. */
	const since = $derived(restarted > 0 ? restarted : untrack(() => now));
	const left = $derived(Math.max(0, Math.ceil(seconds - Math.max(0, now - since) / 1000)));
	let told = 0;
	$effect(() => {
		if (left > 0 || now === 0 || told === since) return;
		told = since;
		untrack(onclosed);
	});
</script>

<div class="timer">
	<div class="bar"><span style:width="{(100 * left) / seconds}%" class:short={left <= SHORT}></span></div>
	<p class="soft">closes about {left} s after your last key</p>
</div>

<style>
	.timer {
		display: flex;
		gap: 0.75rem;
		align-items: center;
		max-width: 40rem;
		margin-top: 0.9rem;
	}
	p {
		flex: none;
		max-width: 60%;
	}
	.bar {
		flex: 1;
		height: 8px;
		border-radius: 4px;
		background: var(--rule);
		overflow: hidden;
	}
	span {
		display: block;
		height: 100%;
		background: var(--held);
	}
	.short {
		background: var(--warm);
	}
	@media (forced-colors: active) {
		.bar {
			border: 1px solid CanvasText;
		}
		span {
			background: Highlight;
			forced-color-adjust: none;
		}
	}
</style>
