<script lang="ts">
	import type { Snippet } from 'svelte';

	let {
		leave,
		base,
		siteId,
		instruction = $bindable(),
		children
	}: {
		/** How the control's program is left. */
		leave: string;
		/** The zone's own address. */
		base: string;
		siteId: string;
		instruction?: HTMLElement | undefined;
		/** What else the card is for. */
		children?: Snippet;
	} = $props();
</script>

<div class="ask">
	<p class="finished" tabindex="-1" bind:this={instruction}>All in.</p>
	<p>{leave}</p>
	<p>
		Leave the control on automatic, then <a href="{base}/read-back">read it back</a>, or go
		<a href="/sites/{siteId}">to the overview</a>.
	</p>
	<p><a href="{base}/hand-over">The customer's page</a></p>
	{@render children?.()}
</div>

<style>
	.ask {
		flex: 1;
		padding: 1.4rem 1.4rem 0;
		overflow: auto;
	}
	.finished {
		font-family: var(--display);
		font-weight: 600;
		font-size: 4rem;
		line-height: 1.2;
	}
	@media (max-width: 860px) {
		.ask {
			padding-left: 1.1rem;
			padding-right: 1.1rem;
		}
	}
</style>
