<script lang="ts">
	import type { Snippet } from 'svelte';
	import Misfit from '../drawing/Misfit.svelte';
	import MisfitPatterns from '../drawing/MisfitPatterns.svelte';
	import type { DatedDay, DatedDrawing } from './datedDays';

	let {
		drawing,
		rowHeight,
		label,
		hours = [0, 6, 12, 18, 24],
		cursorMs = null,
		narrowLabels = false,
		onpick,
		overlay
	}: {
		drawing: DatedDrawing;
		rowHeight: number;
		/** What is drawn, for those who cannot see it. */
		label: string;
		hours?: readonly number[];
		/** A moment to mark. */
		cursorMs?: number | null;
		narrowLabels?: boolean;
		/** A place on the drawing was chosen: its instant. */
		onpick?: (ms: number) => void;
		overlay?: Snippet<[DatedDay]>;
	} = $props();

	const HEAD = 20;
	const height = $derived(rowHeight - 8);
	const labelWidth = $derived(narrowLabels ? 78 : 118);
	const width = $derived(labelWidth + drawing.hourWidth * 25 + 6);

	function pick(event: PointerEvent, day: DatedDay) {
		if (!onpick || (event.type === 'pointermove' && event.buttons === 0)) return;
		const svg = (event.currentTarget as Element).closest('svg')!.getBoundingClientRect();
		const x = event.clientX - svg.left - labelWidth;
		const ms = day.fromMs + (Math.min(Math.max(x, 0), day.width - 1) / drawing.hourWidth) * 3_600_000;
		onpick(Math.round(ms / 300_000) * 300_000);
	}
</script>

<svg {width} height={HEAD + rowHeight * drawing.days.length} role="img" aria-label={label}>
	<MisfitPatterns />
	<g transform="translate({labelWidth} 14)">
		{#each hours as hour (hour)}
			<text x={hour * drawing.hourWidth} class="hour" text-anchor="middle"
				>{String(hour).padStart(2, '0')}</text
			>
		{/each}
	</g>
	{#each drawing.days as day, i (day.date)}
		<!-- svelte-ignore a11y_no_static_element_interactions -->
		<g
			transform="translate(0 {HEAD + i * rowHeight})"
			class:pickable={onpick !== undefined}
			onpointerdown={(event) => pick(event, day)}
			onpointermove={(event) => pick(event, day)}
		>
			<rect {width} height={rowHeight} class="ground" />
			<text x="0" y={rowHeight / 2 + (day.jump ? -2 : 5)} class="label">{day.label}</text>
			{#if day.jump}<text x="0" y={rowHeight / 2 + 13} class="jump-words">{day.jump.words}</text>{/if}
			<g transform="translate({labelWidth} 4)">
				{#each hours as hour (hour)}
					<line
						x1={hour * drawing.hourWidth}
						x2={hour * drawing.hourWidth}
						y1="-4"
						y2={height + 4}
						class="grid"
					/>
				{/each}
				<path d={day.area} class="held-area" />
				{#each day.strong as stretch, n (n)}
					<rect x={stretch.x} y={height + 1} width={stretch.width} height="3" class="strong" />
				{/each}
				<Misfit parts={day.apart} />
				<path d={day.line} class="line" />
				{#if day.coolLine}<path d={day.coolLine} class="line cool" />{/if}
				<line x1={day.width} x2={day.width} y1="0" y2={height} class="end" />
				{#if day.jump}
					<line x1={day.jump.x} x2={day.jump.x} y1="-4" y2={height + 4} class="jump" />
				{/if}
				{#if overlay}{@render overlay(day)}{/if}
				{#if cursorMs !== null && cursorMs >= day.fromMs && cursorMs < day.toMs}
					{@const x = ((cursorMs - day.fromMs) / 3_600_000) * drawing.hourWidth}
					<line x1={x} x2={x} y1="-4" y2={height + 4} class="cursor" />
					<circle cx={x} cy="-1" r="5" class="knob" />
				{/if}
			</g>
			<line x1="0" x2={width} y1={rowHeight - 1} y2={rowHeight - 1} class="foot" />
		</g>
	{/each}
	<g transform="translate({labelWidth - 5} {HEAD + 4})" aria-hidden="true" class:gone={narrowLabels}>
		{#each drawing.labels as mark (mark.y)}
			<text y={mark.y + 4} text-anchor="end" class="scale">{mark.text}</text>
		{/each}
	</g>
</svg>

<style>
	svg {
		display: block;
		max-width: 100%;
		user-select: none;
	}
	.gone {
		display: none;
	}
	.ground {
		fill: transparent;
	}
	.pickable {
		cursor: crosshair;
		touch-action: pan-y;
	}
	.hour,
	.scale {
		font-family: var(--mono);
		font-size: var(--mark);
		fill: var(--soft);
	}
	.label {
		font-size: var(--mark);
		font-weight: 700;
		fill: var(--ink);
	}
	.grid {
		stroke: var(--faint);
	}
	.foot {
		stroke: var(--rule);
	}
	.end {
		stroke: var(--rule);
		stroke-width: 1.5;
	}
	.held-area {
		fill: var(--held-fill);
	}
	.line {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2;
	}
	.line.cool {
		stroke-dasharray: 7 3;
		stroke-width: 1.6;
	}
	.strong {
		fill: var(--held);
	}
	.jump {
		stroke: var(--signal);
		stroke-dasharray: 3 2;
	}
	.jump-words {
		font-size: var(--mark);
		font-weight: 700;
		fill: var(--signal);
	}
	.cursor {
		stroke: var(--ink);
		stroke-width: 1.5;
	}
	.knob {
		fill: var(--ink);
	}
</style>
