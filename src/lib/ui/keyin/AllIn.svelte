<script lang="ts">
	import type { Snippet } from 'svelte';
	import { isOperable } from '$core/machine';
	import { fromRestWords } from '$core/words';
	import Strokes from '../panel/Strokes.svelte';
	import type { Keying } from './keying.svelte';

	let {
		keying,
		base,
		siteId,
		instruction = $bindable(),
		children
	}: {
		keying: Keying;
		/** The zone's own address. */
		base: string;
		siteId: string;
		instruction?: HTMLElement | undefined;
		/** What else the card is for. */
		children?: Snippet;
	} = $props();

	const { session, card } = $derived(keying);
	const panel = $derived(isOperable(session.profile) ? session.profile.panel : null);
	const { leave } = $derived(session.turn);
</script>

<div class="ask">
	<h2 class="finished" tabindex="-1" bind:this={instruction}>All keyed in</h2>
	{#if panel && leave.length > 0}
		{#if session.out.length > 0}<p>{fromRestWords(panel, session.out)}</p>{/if}
		<p class="leave">Leave: <Strokes {panel} strokes={leave} /></p>
	{:else if !panel}
		<p>{card.leave}</p>
	{/if}
	<p>
		Then <a href="{base}/read-back">read it back</a>, or go
		<a href="/sites/{siteId}">to the overview</a>.
	</p>
	<p><a href="{base}/hand-over">The customer's page</a></p>
	{@render children?.()}
</div>

<style>
	.ask {
		flex: 1;
		padding: var(--edge) var(--edge) 0;
		overflow: auto;
	}
	.finished {
		font-family: var(--display);
		font-weight: 600;
		font-size: 3.5rem;
		line-height: 1.2;
	}
	.leave {
		margin: 0.6rem 0;
		font-size: 1.5rem;
		font-weight: 600;
	}
	@media (max-width: 860px) {
		.ask {
			padding-left: 1.1rem;
			padding-right: 1.1rem;
		}
		.finished {
			font-size: 2.6rem;
		}
	}
</style>
