<script lang="ts">
	import { dateOfDay, dateWords, instantOf, wallAt } from '$core/civil';
	import { DAY_MINUTES } from '$core/week';
	import type { Strip, StripRow } from './yearStrip';

	let {
		strip,
		rows,
		timeZone,
		names = false,
		cursorMs = null,
		onpick
	}: {
		strip: Strip;
		rows: readonly StripRow[];
		timeZone: string;
		/** Whether rows are named, for a whole site. */
		names?: boolean;
		cursorMs?: number | null;
		onpick?: (ms: number) => void;
	} = $props();

	let frameWidth = $state(800);
	const narrow = $derived(frameWidth < 560);
	const labelWidth = $derived(names ? (narrow ? 96 : 150) : 0);
	const width = $derived(Math.max(160, frameWidth - labelWidth - 2));
	const rowHeight = $derived(rows.length > 8 ? 24 : 30);
	const HEAD = 20;
	const FOOT = 20;
	const height = $derived(HEAD + Math.max(1, rows.length) * rowHeight + FOOT);
	const x = (day: number) => (Math.min(Math.max(day, 0), strip.days) / strip.days) * width;
	const cursor = $derived(
		cursorMs === null ? null : wallAt(timeZone, cursorMs) / DAY_MINUTES - strip.firstDay
	);

	/** The same time of day on another date. */
	function go(day: number) {
		if (!onpick || cursorMs === null) return;
		const minute = wallAt(timeZone, cursorMs) % DAY_MINUTES;
		const kept = Math.min(Math.max(Math.floor(day), 0), strip.days - 1);
		onpick(instantOf(timeZone, (strip.firstDay + kept) * DAY_MINUTES + minute));
	}
	function pick(event: PointerEvent) {
		if (!onpick || (event.type === 'pointermove' && event.buttons === 0)) return;
		const svg = (event.currentTarget as Element).getBoundingClientRect();
		go(((event.clientX - svg.left - labelWidth) / width) * strip.days);
	}
	function keys(event: KeyboardEvent) {
		if (cursor === null) return;
		const by: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, PageUp: -7, PageDown: 7 };
		const step = by[event.key];
		if (step === undefined) return;
		event.preventDefault();
		go(cursor + step);
	}
	const cursorWords = $derived(
		cursor === null ? '' : dateWords(dateOfDay(strip.firstDay + Math.floor(cursor)))
	);
</script>

<div bind:clientWidth={frameWidth} class="frame">
	<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
	<svg
		width={frameWidth}
		{height}
		role={onpick ? 'slider' : names ? 'group' : 'img'}
		aria-label={onpick ? 'Date in the year' : 'The year: holidays, special days, clock changes'}
		aria-valuemin={onpick ? 0 : undefined}
		aria-valuemax={onpick ? strip.days - 1 : undefined}
		aria-valuenow={onpick && cursor !== null ? Math.floor(cursor) : undefined}
		aria-valuetext={onpick ? cursorWords : undefined}
		tabindex={onpick ? 0 : undefined}
		class:pickable={onpick !== undefined}
		onpointerdown={pick}
		onpointermove={pick}
		onkeydown={keys}
	>
		<defs>
			<pattern id="stays" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
				<line x1="1.5" y1="0" x2="1.5" y2="6" class="stays-line" />
			</pattern>
		</defs>
		<g transform="translate({labelWidth} 0)">
			{#each strip.months as month, i (month.at)}
				<line x1={x(month.at)} x2={x(month.at)} y1="4" y2={height - FOOT} class="month" />
				{#if !narrow || i % 3 === 0}<text x={x(month.at) + 4} y="14" class="small">{month.name}</text>{/if}
			{/each}
			{#each strip.changes as change (change.at)}
				<line x1={x(change.at)} x2={x(change.at)} y1={HEAD} y2={height - FOOT + 4} class="change" />
				<text
					x={x(change.at)}
					y={height - 5}
					class="small"
					text-anchor={change.at > strip.days * 0.85
						? 'end'
						: change.at < strip.days * 0.12
							? 'start'
							: 'middle'}>{narrow ? change.words.replace(/, clocks/, '') : change.words}</text
				>
			{/each}
			<line x1={x(strip.today)} x2={x(strip.today)} y1={HEAD - 4} y2={height - FOOT} class="today" />
		</g>
		{#each rows as row, i (row.id)}
			<g transform="translate(0 {HEAD + i * rowHeight})">
				<line x1="0" x2={frameWidth} y1={rowHeight} y2={rowHeight} class="foot" />
				{#if names}
					<a href={row.href}
						><text x="0" y={rowHeight / 2 + 5} class="name"
							>{row.name.length > (narrow ? 12 : 20)
								? `${row.name.slice(0, narrow ? 11 : 19)}…`
								: row.name}</text
						></a
					>
				{/if}
				<g transform="translate({labelWidth} 0)">
					{#each row.spans as span, n (n)}
						<rect
							x={x(span.from)}
							y={span.kind === 'special' ? 4 : 8}
							width={Math.max(span.kind === 'special' ? 3 : 2, x(span.to) - x(span.from))}
							height={rowHeight - (span.kind === 'special' ? 8 : 16)}
							class={span.kind}
							fill={span.kind === 'stays' ? 'url(#stays)' : undefined}><title>{span.words}</title></rect
						>
					{/each}
				</g>
			</g>
		{/each}
		{#if cursor !== null && cursor >= 0}
			<g transform="translate({labelWidth + x(cursor)} 0)">
				<line y1={HEAD - 6} y2={height - FOOT} class="cursor" />
				<circle cy={HEAD - 6} r="6" class="knob" />
			</g>
		{/if}
	</svg>
</div>

<style>
	.frame {
		overflow: hidden;
	}
	svg {
		display: block;
		user-select: none;
	}
	.pickable {
		cursor: ew-resize;
		touch-action: none;
	}
	.month {
		stroke: var(--faint);
	}
	.small {
		font-size: var(--mark);
		fill: var(--soft);
	}
	.name {
		font-size: var(--mark);
		font-weight: 700;
		fill: var(--ink);
	}
	.foot {
		stroke: var(--rule);
	}
	.change {
		stroke: var(--ink);
		stroke-dasharray: 2 3;
	}
	.today {
		stroke: var(--ink);
		stroke-width: 1;
	}
	.away {
		fill: var(--held);
	}
	.stays {
		stroke: var(--signal);
	}
	.stays-line {
		stroke: var(--signal);
		stroke-width: 2;
	}
	.special {
		fill: var(--warm);
	}
	.cursor {
		stroke: var(--ink);
		stroke-width: 2;
	}
	.knob {
		fill: var(--ink);
	}
</style>
