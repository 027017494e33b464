<script lang="ts">
	import type { Panel } from '$core/control';
	import type { Notes } from '$core/keying';
	import { FOUND_WORDS } from '$core/words';
	import Button from '../kit/Button.svelte';
	import Strokes from '../panel/Strokes.svelte';

	let {
		panel,
		canRead,
		onsay,
		onread,
		question = $bindable()
	}: {
		panel: Panel | null;
		/** Whether it can be read before it is keyed. */
		canRead: boolean;
		onsay: (found: Notes['found']) => void;
		/** It is to be read first. */
		onread: () => void;
		/** What takes the focus. */
		question?: HTMLElement | undefined;
	} = $props();
</script>

<div class="found" role="group" aria-labelledby="found" tabindex="-1" bind:this={question}>
	<h2 id="found">How was the control found?</h2>
	<Button class="big" onclick={() => onsay('as-new')}>Factory settings, or just reset</Button>
	{#if panel?.resets.all}
		<p class="soft">Reset: <Strokes {panel} strokes={panel.resets.all} />. It wipes everything.</p>
	{/if}
	{#if canRead}
		<Button class="big" onclick={onread}>In use: read it first</Button>
		<p class="soft">Then only what differs is keyed.</p>
	{/if}
	<Button class="big" onclick={() => onsay('in-use')}
		>{canRead ? 'In use: key everything' : FOUND_WORDS['in-use']}</Button
	>
</div>

<style>
	.found {
		display: grid;
		flex: 1;
		gap: 0.6rem;
		align-content: start;
		max-width: 34rem;
		padding: var(--edge);
		overflow: auto;
	}
	.found:focus {
		outline: none;
	}
	h2 {
		margin-bottom: 0.4rem;
		font-size: 1.75rem;
	}
	.found :global(.big) {
		width: 100%;
		min-height: 72px;
		font-size: 1.25rem;
	}
	p {
		margin-bottom: 0.6rem;
	}
</style>
