<script
	lang="ts"
	generics="T extends { readonly id: string; readonly name: string; readonly short: string; readonly zones: number }"
>
	import { OverflowMenu, OverflowMenuItem } from 'carbon-components-svelte';

	let {
		rows,
		oncopy,
		ondelete
	}: {
		rows: readonly T[];
		oncopy: (row: T) => void;
		/** Only one's own can be deleted. */
		ondelete?: (row: T) => void;
	} = $props();
</script>

<ul>
	{#each rows as row (row.id)}
		<li>
			<a href="/controls/{row.id}">
				<span class="name">{row.name}</span>
				<span class="soft short">{row.short}</span>
			</a>
			<span class="soft uses">{row.zones === 0 ? '' : row.zones === 1 ? '1 zone' : `${row.zones} zones`}</span
			>
			<OverflowMenu flipped aria-label="More for {row.name}" iconDescription="More for {row.name}">
				<OverflowMenuItem text="Copy to change" on:click={() => oncopy(row)} />
				<OverflowMenuItem text="Export file" href="/api/v1/controls/{row.id}" />
				{#if ondelete}
					<OverflowMenuItem danger text="Delete" on:click={() => ondelete(row)} />
				{/if}
			</OverflowMenu>
		</li>
	{/each}
</ul>

<style>
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto auto;
		gap: 1rem;
		align-items: center;
		border-bottom: 1px solid var(--rule);
	}
	li:hover {
		background: var(--faint);
	}
	a {
		display: grid;
		grid-template-columns: minmax(10rem, 17rem) 1fr;
		gap: 1rem;
		align-items: baseline;
		min-height: 44px;
		padding: 0.6rem;
		text-decoration: none;
	}
	.name {
		font-weight: 700;
		overflow-wrap: anywhere;
	}
	.uses {
		white-space: nowrap;
	}
	@media (max-width: 700px) {
		a {
			grid-template-columns: 1fr;
			gap: 0.1rem;
		}
	}
</style>
