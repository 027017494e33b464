<script lang="ts">
	import type { Snippet } from 'svelte';
	import Button from '../kit/Button.svelte';

	let {
		first,
		onback,
		onnext,
		href,
		children
	}: {
		/** Whether there is nothing to go back to. */
		first: boolean;
		onback: () => void;
		onnext?: () => void;
		/** Where the large key leads, where it confirms nothing. */
		href?: string;
		children: Snippet;
	} = $props();
</script>

<div class="keys">
	<Button kind="quiet" onclick={onback} disabled={first}>Back</Button>
	<Button kind="next" class="go" {href} onclick={onnext}>{@render children()}</Button>
</div>

<style>
	.keys {
		display: grid;
		grid-template-columns: minmax(0, min(7rem, 30%)) minmax(0, 1fr);
		border-top: 1px solid var(--rule);
	}
	.keys :global(.kit-button) {
		width: 100%;
		min-height: 96px;
		border-radius: 0;
		font-size: 1.25rem;
	}
	.keys :global(.go) {
		font-family: var(--display);
		font-size: 1.5rem;
	}
	.keys :global(.kit-button:focus-visible) {
		outline-offset: -6px;
		outline-color: var(--held);
	}
	@media (max-width: 860px) {
		.keys :global(.kit-button) {
			min-height: 112px;
		}
	}
</style>
