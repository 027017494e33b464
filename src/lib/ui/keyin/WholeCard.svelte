<script lang="ts">
	import Checkmark from 'carbon-icons-svelte/lib/Checkmark.svelte';
	import type { Snippet } from 'svelte';
	import { isKeyed, type CardItem, type Keyed } from '$core/keying';
	import { shownWith } from '$core/words';
	import Button from '../kit/Button.svelte';

	let {
		items,
		keyed,
		index,
		ongo,
		children
	}: {
		items: readonly CardItem[];
		keyed: Keyed;
		/** The value on show. */
		index: number;
		ongo: (index: number) => void;
		/** Where the card stands, above it. */
		children: Snippet;
	} = $props();

	let list = $state<HTMLElement>();
	$effect(() => {
		void index;
		list?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest' });
	});
	const sections = $derived.by(() => {
		const made: { name: string; from: number; items: CardItem[] }[] = [];
		items.forEach((one, i) => {
			const last = made.at(-1);
			if (last?.name === one.section) last.items = [...last.items, one];
			else made.push({ name: one.section, from: i, items: [one] });
		});
		return made;
	});
</script>

<aside aria-label="The whole card" bind:this={list}>
	<p class="soft sum">
		{@render children()}
	</p>
	{#each sections as section (section.from)}
		<h2>{section.name}</h2>
		<ol>
			{#each section.items as one, i (one.id)}
				{@const at = section.from + i}
				<li>
					<Button
						kind="quiet"
						small
						aria-current={at === index ? 'step' : undefined}
						class={isKeyed(one, keyed) ? 'done' : ''}
						onclick={() => ongo(at)}
					>
						<span>{one.what}</span>
						<span class="mono">{shownWith(one)}</span>
						<span class="tick">
							{#if isKeyed(one, keyed)}<Checkmark size={16} aria-label="in" />{:else}<span
									class="out-of-sight">to key</span
								>{/if}
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
	.sum {
		padding: 0 1rem;
		font-size: var(--small);
	}
	h2 {
		padding: 0.8rem 1rem 0.2rem;
		font-size: var(--small);
		color: var(--soft);
	}
	ol {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	li :global(.bx--btn) {
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
	li :global(.bx--btn[aria-current]) {
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
