<script lang="ts">
	import Checkmark from 'carbon-icons-svelte/lib/Checkmark.svelte';
	import type { Snippet } from 'svelte';
	import type { CardItem } from '$core/keying';
	import { shownWith, waysWords } from '$core/words';
	import Button from '../kit/Button.svelte';
	import type { Keying } from './keying.svelte';

	let { keying, children }: { keying: Keying; /** Where the card stands, above it. */ children: Snippet } =
		$props();

	const { items, open, step } = $derived(keying);
	const { route, cost } = $derived(keying.session.card);
	const ways = $derived(waysWords(cost));
	let list = $state<HTMLElement>();
	$effect(() => {
		void step;
		list?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest' });
	});
	const sections = $derived.by(() => {
		const made: { name: string; items: CardItem[] }[] = [];
		for (const one of items) {
			const last = made.at(-1);
			if (last?.name === one.section) last.items.push(one);
			else made.push({ name: one.section, items: [one] });
		}
		return made;
	});
</script>

<aside aria-label="The whole card" bind:this={list}>
	<p class="soft sum">
		{@render children()}
		{#if ways}<br />{ways}{/if}
	</p>
	{#if ways}<ol class="soft route" aria-label="In this order">
			{#each route as sentence, i (i)}<li>{sentence}</li>{/each}
		</ol>{/if}
	{#each sections as section, i (i)}
		<h2>{section.name}</h2>
		<ol>
			{#each section.items as one (one.id)}
				<li>
					<Button
						kind="quiet"
						small
						aria-current={one.id === step?.item.id ? 'step' : undefined}
						class={open.includes(one.id) ? '' : 'done'}
						onclick={() => keying.go(one.id)}
					>
						<span>{one.what}</span>
						<span class="mono">{shownWith(one)}</span>
						<span class="tick">
							{#if open.includes(one.id)}<span class="out-of-sight">to key</span>{:else}<Checkmark
									size={16}
									aria-label="in"
								/>{/if}
						</span>
					</Button>
				</li>
			{/each}
		</ol>
	{/each}
</aside>

<style>
	aside {
		overflow: auto;
		padding: 1rem 0 2rem;
		background: var(--sheet);
		border-left: 1px solid var(--rule);
	}
	.sum,
	.route {
		padding: 0 1rem;
		font-size: var(--small);
	}
	.route {
		margin: 0.4rem 0 0 1rem;
		list-style: decimal;
	}
	h2 {
		padding: 0.8rem 1rem 0.2rem;
		font-size: var(--small);
		color: var(--soft);
	}
	li :global(.kit-button) {
		display: grid;
		grid-template-columns: 1fr auto 1.2rem;
		gap: 0.75rem;
		width: 100%;
		padding: 0 1rem;
		border: 0;
		border-left: 3px solid transparent;
		border-radius: 0;
		text-align: left;
		text-decoration: none;
	}
	li :global(.kit-button[aria-current]) {
		border-left-color: var(--ink);
		background: var(--ground);
		font-weight: 700;
	}
	li :global(.done) {
		color: var(--soft);
	}
	.tick {
		color: var(--held);
		font-weight: 700;
	}
	@media (max-width: 860px) {
		aside {
			display: none;
		}
	}
</style>
