<script lang="ts">
	import type { RoomLine } from '$core/drawing';
	import Misfit from '../drawing/Misfit.svelte';
	import type { DrawnDay } from './weekRows';

	let {
		drawn,
		shown,
		breakAt,
		room = null,
		named = false
	}: {
		drawn: DrawnDay;
		shown: { wanted: boolean; held: boolean; misfit: boolean };
		breakAt: number | null;
		/** The room's own temperature; null where it is not drawn. */
		room?: RoomLine | null;
		/** Whether the lines of heating and cooling say which they are. */
		named?: boolean;
	} = $props();
</script>

{#if shown.held}
	<path d={drawn.heldArea} class="held-area" />
	<path d={drawn.heldLine} class="held-line" />
	{#if drawn.heldCoolLine}<path d={drawn.heldCoolLine} class="held-line" />{/if}
{/if}
{#if shown.misfit}
	<Misfit parts={drawn.misfit} />
{/if}
{#if breakAt !== null}
	<path d="M-5 {breakAt + 2}l4 -4m-2 6l4 -4" class="break" />
{/if}
{#if drawn.targetLine}<path d={drawn.targetLine} class="target" />{/if}
{#if room}
	<path d={room.path} class="room" />
	{#each room.over as over, i (i)}
		<path d="M{over.from - 4} 4L{(over.from + over.to) / 2} 0L{over.to + 4} 4" class="over" />
	{/each}
{/if}
{#if shown.wanted}
	<path d={drawn.line} class="wanted" />
	{#if drawn.coolLine}<path d={drawn.coolLine} class="wanted cool" />{/if}
	{#if named && drawn.edge}
		<text x="4" y={drawn.edge.cool - 4} class="letter">cools above</text>
		<text x="4" y={drawn.edge.heat - 4} class="letter">heats below</text>
	{/if}
	{#each drawn.letters as letter, i (i)}
		<text x={letter.x} y={letter.y} class="letter" text-anchor="middle">{letter.letter}</text>
	{/each}
{/if}
{#if shown.misfit && drawn.short}
	<text x={drawn.short.x} y="6" class="letter short" text-anchor="middle">{drawn.short.text}</text>
{/if}

<style>
	.held-area {
		fill: var(--held-fill);
	}
	.room {
		fill: none;
		stroke: var(--soft);
		stroke-width: 1.1;
		opacity: 0.7;
	}
	.over {
		fill: none;
		stroke: var(--warm);
		stroke-width: 1.6;
	}
	.held-line {
		fill: none;
		stroke: var(--held);
		stroke-width: 1.5;
	}
	.wanted {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2.4;
		stroke-linejoin: miter;
		pointer-events: none;
	}
	.target {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.4;
		stroke-dasharray: 2 3;
		pointer-events: none;
	}
	.wanted.cool {
		stroke-dasharray: 7 3;
		stroke-width: 1.8;
	}
	.break {
		fill: none;
		stroke: var(--soft);
		stroke-width: 1.2;
	}
	.letter {
		font-family: var(--mono);
		font-size: var(--mark);
		fill: var(--soft);
		/* its own ground, so that no line runs through it */
		stroke: var(--ground);
		stroke-width: 4px;
		paint-order: stroke;
		pointer-events: none;
	}
	.letter.short {
		fill: var(--signal);
		font-weight: 700;
	}
</style>
