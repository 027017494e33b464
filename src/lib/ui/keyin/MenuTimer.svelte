<script lang="ts">
	import { onMount } from 'svelte';

	let {
		seconds,
		restarted,
		closed = $bindable(false)
	}: {
		/** After how long the menu closes by itself. */
		seconds: number;
		/** When the last key was pressed, by the page's clock in ms; 0 for not yet. */
		restarted: number;
		/** Whether it may have closed by now. */
		closed?: boolean;
	} = $props();

	/** From so few on the bar calls attention. */
	const SHORT = 10;

	let now = $state(0);
	onMount(() => {
		const every = setInterval(() => (now = performance.now()), 250);
		return () => clearInterval(every);
	});
	const left = $derived(Math.max(0, Math.ceil(seconds - Math.max(0, now - restarted) / 1000)));
	$effect(() => {
		closed = restarted > 0 && left === 0;
	});
</script>

{#if restarted === 0}
	<p class="soft">The menu closes by itself after {seconds} s without a key.</p>
{:else if left > 0}
	<p class="soft">The menu closes in {left} s</p>
	<div><span style:width="{(100 * left) / seconds}%" class:short={left <= SHORT}></span></div>
{:else}
	<p class="signal">The menu may have closed by itself. Go in again: nothing done here is lost.</p>
{/if}

<style>
	p {
		margin-top: 0.9rem;
	}
	div {
		height: 8px;
		margin-top: 0.35rem;
		max-width: 30rem;
		background: var(--rule);
		border-radius: 4px;
		overflow: hidden;
	}
	span {
		display: block;
		height: 100%;
		background: var(--held);
	}
	.short {
		background: var(--signal);
	}
	@media (forced-colors: active) {
		div {
			border: 1px solid CanvasText;
		}
		span {
			background: Highlight;
			forced-color-adjust: none;
		}
	}
</style>
