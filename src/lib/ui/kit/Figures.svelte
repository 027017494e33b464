<script lang="ts">
	import { Table, TableBody, TableCell, TableHead, TableHeader, TableRow } from 'carbon-components-svelte';

	/** A cell: words, or words that say something is wrong. */
	type Cell = string | { readonly text: string; readonly bad: boolean };

	let {
		label,
		head,
		rows
	}: {
		/** What the table is of, for who does not see it. */
		label: string;
		head: readonly string[];
		/** The first cell of a row names it. */
		rows: readonly (readonly Cell[])[];
	} = $props();

	const text = (cell: Cell) => (typeof cell === 'string' ? cell : cell.text);
	const bad = (cell: Cell) => typeof cell !== 'string' && cell.bad;
</script>

<div class="figures" role="region" aria-label={label}>
	<Table>
		<TableHead>
			<TableRow>
				{#each head as name, i (i)}<TableHeader>{name}</TableHeader>{/each}
			</TableRow>
		</TableHead>
		<TableBody>
			{#each rows as row, r (r)}
				<TableRow>
					{#each row as cell, i (i)}
						<TableCell class={i === 0 ? 'first' : ''}
							><span class:signal={bad(cell)}>{text(cell)}</span></TableCell
						>
					{/each}
				</TableRow>
			{/each}
		</TableBody>
	</Table>
</div>

<style>
	.figures {
		overflow-x: auto;
	}
	.figures :global(td.first) {
		font-weight: 700;
	}
</style>
