<script lang="ts">
	import type { Chain } from '$core/house';
	import { clockTime, DAY_MINUTES, DAY_SHORT, spansOf, WEEK_MINUTES, zipSpans } from '$core/week';

	let {
		chain,
		minute,
		onminute
	}: {
		chain: Chain;
		/** The moment looked at, from Monday 00:00. */
		minute: number;
		onminute: (minute: number) => void;
	} = $props();

	const STEP = 10;
	const wrapped = (to: number) => ((to % WEEK_MINUTES) + WEEK_MINUTES) % WEEK_MINUTES;
	const words = $derived(`${DAY_SHORT[Math.floor(minute / DAY_MINUTES)]} ${clockTime(minute % DAY_MINUTES)}`);
	let dragging = $state(false);
	function point(event: PointerEvent) {
		const { left } = (event.currentTarget as SVGElement).getBoundingClientRect();
		const share = (event.clientX - left - label) / width;
		onminute(Math.min(WEEK_MINUTES - STEP, Math.max(0, Math.round((share * WEEK_MINUTES) / STEP) * STEP)));
	}
	function keys(event: KeyboardEvent) {
		const by = {
			ArrowLeft: event.shiftKey ? -60 : -STEP,
			ArrowRight: event.shiftKey ? 60 : STEP,
			ArrowUp: -DAY_MINUTES,
			ArrowDown: DAY_MINUTES,
			PageUp: -DAY_MINUTES,
			PageDown: DAY_MINUTES
		}[event.key];
		if (by === undefined) return;
		event.preventDefault();
		onminute(wrapped(minute + by));
	}

	let frameWidth = $state(800);
	const label = $derived(frameWidth < 520 ? 0 : 112);
	const width = $derived(Math.max(200, frameWidth - label));
	const x = (minute: number) => (minute / WEEK_MINUTES) * width;
	const water = $derived(spansOf(chain.waterFirst).filter((span) => span.value));
	const strips = $derived([
		{ name: 'zones ask', kind: 'ask', spans: spansOf(chain.asked).filter((span) => span.value) },
		{ name: 'it may run', kind: 'may', spans: spansOf(chain.permission).filter((span) => span.value) },
		{
			name: 'calls not met',
			kind: 'vain',
			spans: zipSpans(chain.asked, chain.permission).filter(({ value: [asks, may] }) => asks && !may)
		},
		...(water.length > 0 ? [{ name: 'water first', kind: 'water', spans: water }] : [])
	]);
	const ROW = 24;
	const HEAD = 20;
</script>

<div class="frame" bind:clientWidth={frameWidth}>
	<svg
		width={frameWidth}
		height={HEAD + ROW * strips.length + 10}
		role="slider"
		tabindex="0"
		aria-label="The moment of the week, over when the zones of {chain.source.name} ask and when it may run"
		aria-valuemin={0}
		aria-valuemax={WEEK_MINUTES - 1}
		aria-valuenow={minute}
		aria-valuetext={words}
		onkeydown={keys}
		onpointerdown={(event) => {
			dragging = true;
			event.currentTarget.setPointerCapture(event.pointerId);
			point(event);
		}}
		onpointermove={(event) => dragging && point(event)}
		onpointerup={() => (dragging = false)}
		onpointercancel={() => (dragging = false)}
	>
		<g transform="translate({label} 0)">
			{#each DAY_SHORT as day, i (day)}
				<line
					x1={x(i * DAY_MINUTES)}
					x2={x(i * DAY_MINUTES)}
					y1={HEAD - 4}
					y2={HEAD + ROW * strips.length}
					class="day"
				/>
				<text x={x(i * DAY_MINUTES) + 3} y="12" class="word">{day}</text>
			{/each}
			{#each strips as strip, row (strip.kind)}
				{#each strip.spans as span (span.from)}
					<rect
						x={x(span.from)}
						y={HEAD + row * ROW + 4}
						width={Math.max(1.5, x(span.to) - x(span.from))}
						height={ROW - 9}
						class={strip.kind}
					/>
				{/each}
			{/each}
			<line x1={x(minute)} x2={x(minute)} y1={HEAD - 6} y2={HEAD + ROW * strips.length} class="cursor" />
			<circle cx={x(minute)} cy={HEAD + ROW * strips.length + 2} r="6" class="knob" />
		</g>
		{#if label > 0}
			{#each strips as strip, row (strip.kind)}
				<text x="0" y={HEAD + row * ROW + 16} class="word">{strip.name}</text>
			{/each}
		{/if}
	</svg>
	{#if label === 0}
		<p class="soft">From the top: {strips.map((strip) => strip.name).join(', ')}.</p>
	{/if}
</div>

<style>
	svg {
		display: block;
		cursor: ew-resize;
		touch-action: pan-y;
	}
	.day {
		stroke: var(--rule);
	}
	.word {
		font-size: var(--mark);
		fill: var(--soft);
	}
	.cursor {
		stroke: var(--ink);
		stroke-width: 2;
	}
	.knob {
		fill: var(--ink);
	}
	.ask {
		fill: var(--ink);
	}
	.may {
		fill: var(--held);
	}
	.vain {
		fill: var(--signal);
	}
	.water {
		fill: none;
		stroke: var(--held);
		stroke-width: 1.5;
	}
</style>
