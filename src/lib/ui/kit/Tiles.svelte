<script lang="ts" generics="T extends { readonly value: string }">
	import { RadioTile, TileGroup } from 'carbon-components-svelte';
	import type { Snippet } from 'svelte';

	let {
		label,
		name,
		tiles,
		value,
		tile,
		onchange
	}: {
		/** What is chosen here, for who does not see it. */
		label: string;
		/** The group's name, one of its kind on a page. */
		name: string;
		tiles: readonly T[];
		value: string;
		/** What a tile shows. */
		tile: Snippet<[T]>;
		onchange: (value: string) => void;
	} = $props();
</script>

<div class="tiles">
	<TileGroup
		legendText={label}
		{name}
		selected={value}
		on:select={({ detail }) => {
			if (String(detail) !== value) onchange(String(detail));
		}}
	>
		{#each tiles as one (one.value)}
			<RadioTile value={one.value} checked={one.value === value} iconDescription="">
				{@render tile(one)}
			</RadioTile>
		{/each}
	</TileGroup>
</div>

<style>
	.tiles :global(legend) {
		position: absolute;
		clip-path: inset(50%);
	}
	.tiles :global(.bx--tile-group > div) {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(11rem, 100%), 1fr));
	}
	.tiles :global(.bx--tile) {
		min-width: 0;
		min-height: 0;
		padding: 0.6rem 2rem 0.6rem 0.75rem;
		border: 0;
		border-top: 3px solid transparent;
		background: transparent;
	}
	.tiles :global(.bx--tile:hover) {
		background: var(--faint);
	}
	.tiles :global(.bx--tile--is-selected) {
		border-top-color: var(--held);
		background: var(--sheet);
	}
</style>
