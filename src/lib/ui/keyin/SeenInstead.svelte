<script lang="ts">
	import type { Snippet } from 'svelte';
	import { SEEN_WORDS } from '$core/words';
	import Button from '../kit/Button.svelte';
	import type { Keying, Otherwise } from './keying.svelte';

	let {
		keying,
		onsaw,
		children
	}: {
		keying: Pick<Keying, 'step' | 'session'>;
		/** The display shows something else than is asked for. */
		onsaw: (what: Otherwise) => void;
		/** What else can be done at a value. */
		children?: Snippet;
	} = $props();

	const id = $derived(keying.step?.item.id);
	/** Asked what the display shows instead; another value asks anew. */
	let asked = $state<string | null>(null);
	const seen = $derived(
		(['rest', 'before', 'other'] as const).filter((what) => what !== 'before' || keying.session.last !== null)
	);
	function saw(what: Otherwise) {
		asked = null;
		onsaw(what);
	}
</script>

{#if asked === id}
	<div class="seen" role="group" aria-label="It shows">
		<p>It shows</p>
		{#each seen as what (what)}
			<Button onclick={() => saw(what)}>{SEEN_WORDS[what]}</Button>
		{/each}
	</div>
{:else}
	<div class="seen">
		<Button onclick={() => (asked = id ?? null)}>Shows something else</Button>
		{@render children?.()}
	</div>
{/if}

<style>
	.seen {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
		margin-top: 0.9rem;
	}
	@media (max-width: 860px) {
		.seen :global(.kit-button) {
			flex: 1 1 auto;
		}
	}
</style>
