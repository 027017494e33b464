<script lang="ts">
	import { clockTime, DAY_NAMES } from '$core/week';
	import type { DrawnDay } from './weekRows';

	let {
		riser,
		day,
		says,
		here,
		stop,
		width,
		height,
		onfocus,
		onkeydown
	}: {
		riser: DrawnDay['risers'][number];
		day: number;
		/** The levels that end and begin here, in words: "to Comfort 20.5, from Eco 17.0". */
		says: string;
		/** Whether it is the chosen one. */
		here: boolean;
		/** Whether Tab comes to it: one upright of the week is the stop, from there on by Page Up and Page Down. */
		stop: boolean;
		width: number;
		height: number;
		onfocus: () => void;
		onkeydown: (event: KeyboardEvent) => void;
	} = $props();
</script>

<g
	data-riser="{day}-{riser.riser}"
	role="slider"
	tabindex={stop ? 0 : -1}
	aria-label="{DAY_NAMES[day]}, change {riser.riser}"
	aria-valuemin="0"
	aria-valuemax="1440"
	aria-valuenow={riser.minute}
	aria-valuetext="{clockTime(riser.minute)} {says}"
	class="riser"
	class:here
	{onfocus}
	{onkeydown}
>
	<rect x={riser.x - 11} y="0" width="22" {height} class="grip" />
	<line x1={riser.x} x2={riser.x} y1={riser.top} y2={riser.bottom} class="bar" />
	{#if here}
		<line x1={riser.x} x2={riser.x} y1="-4" y2={height + 4} class="guide" />
		<circle cx={riser.x} cy={(riser.top + riser.bottom) / 2} r="5.5" class="knob" />
		<!-- above what points at it -->
		<g transform="translate({Math.min(Math.max(riser.x - 25, 0), width - 50)} -20)" class="flag-at">
			<rect width="50" height="20" rx="3" class="flag" />
			<text x="25" y="15" text-anchor="middle" class="flag-text">{clockTime(riser.minute)}</text>
		</g>
	{/if}
</g>

<style>
	.riser {
		outline: none;
	}
	.grip {
		fill: transparent;
	}
	.bar {
		stroke: transparent;
		stroke-width: 5;
	}
	.riser:hover .bar {
		stroke: var(--ink);
	}
	.riser:focus-visible .bar {
		stroke: var(--ink);
	}
	.guide {
		stroke: var(--ink);
		stroke-dasharray: 2 3;
	}
	.knob {
		fill: var(--sheet);
		stroke: var(--ink);
		stroke-width: 2.2;
	}
	.flag {
		fill: var(--ink);
	}
	.flag-text {
		fill: var(--sheet);
		font-family: var(--mono);
		font-size: var(--mark);
	}
	.riser:focus-visible .knob {
		stroke-width: 4;
	}
	.flag,
	.flag-text,
	.knob,
	.guide {
		pointer-events: none;
	}
</style>
