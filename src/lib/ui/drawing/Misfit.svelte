<script lang="ts">
	interface Part {
		readonly x: number;
		readonly y: number;
		readonly width: number;
		readonly height: number;
		readonly cold: boolean;
	}
	/** The parts of a row that are colder or warmer than they should be. The drawing has `MisfitPatterns`. */
	let { parts }: { parts: readonly Part[] } = $props();
</script>

{#each parts as { x, y, width, height, cold }, i (i)}
	<rect {x} {y} {width} {height} class={cold ? 'cold' : 'warm'} fill={cold ? 'url(#cold)' : 'url(#warm)'} />
{/each}

<style>
	.cold {
		stroke: var(--signal);
	}
	.warm {
		stroke: var(--warm);
		stroke-width: 0.75;
		stroke-dasharray: 2 2;
	}
</style>
