<script lang="ts">
	import type { Chain } from '$core/house';
	import { DAY_MINUTES, DAY_SHORT, spansOf, WEEK_MINUTES, zipSpans } from '$core/week';

	let { chain }: { chain: Chain } = $props();

	let frameWidth = $state(800);
	const label = $derived(frameWidth < 520 ? 0 : 112);
	const width = $derived(Math.max(200, frameWidth - label));
	const x = (minute: number) => (minute / WEEK_MINUTES) * width;
	const strips = $derived([
		{ name: 'zones ask', kind: 'ask', spans: spansOf(chain.asked).filter((span) => span.value) },
		{ name: 'it may run', kind: 'may', spans: spansOf(chain.permission).filter((span) => span.value) },
		{
			name: 'asked in vain',
			kind: 'vain',
			spans: zipSpans(chain.asked, chain.permission).filter(({ value: [asks, may] }) => asks && !may)
		}
	]);
	const ROW = 24;
	const HEAD = 20;
</script>

<div class="frame" bind:clientWidth={frameWidth}>
	<svg
		width={frameWidth}
		height={HEAD + ROW * strips.length}
		role="img"
		aria-label="The week of {chain.source
			.name}: when its zones ask, when it may run, and what is asked in vain; said in the sentences above"
	>
		<g transform="translate({label} 0)">
			{#each DAY_SHORT as day, i (day)}
				<line x1={x(i * DAY_MINUTES)} x2={x(i * DAY_MINUTES)} y1={HEAD - 4} y2={HEAD + ROW * 3} class="day" />
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
		</g>
		{#if label > 0}
			{#each strips as strip, row (strip.kind)}
				<text x="0" y={HEAD + row * ROW + 16} class="word">{strip.name}</text>
			{/each}
		{/if}
	</svg>
	{#if label === 0}
		<p class="soft">From the top: zones ask, it may run, asked in vain.</p>
	{/if}
</div>

<style>
	svg {
		display: block;
	}
	.day {
		stroke: var(--rule);
	}
	.word {
		font-size: var(--mark);
		fill: var(--soft);
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
</style>
