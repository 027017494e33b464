<script lang="ts">
	import { SLOT_MINUTES, SLOTS, type CauseWorld, type Fact } from '$core/callback';
	import { DAY_SHORT } from '$core/week';

	/** A day as it should run, and as it would where the likeliest cause is the matter. */
	let { planned, likeliest, facts }: { planned: CauseWorld; likeliest: CauseWorld; facts: readonly Fact[] } =
		$props();

	const HEIGHT = 38;
	/** Of the names before the bars, and of the last hour's figures. */
	const [BEFORE, AFTER] = [96, 12];
	let frameWidth = $state(640);
	const width = $derived(Math.max(120, frameWidth - BEFORE - AFTER));
	const PER_DAY = SLOTS / 7;
	/** The first day that was spoken of. */
	const day = $derived(facts.flatMap((fact) => ('days' in fact ? fact.days : []))[0] ?? 0);
	const rows = $derived([
		['as planned', planned],
		['likeliest', likeliest]
	] as const);
	const stretches = (week: Uint8Array) => {
		const found: [number, number][] = [];
		for (let i = 0; i < PER_DAY; i++) {
			if (!week[day * PER_DAY + i]) continue;
			const last = found.at(-1);
			if (last && last[1] === i) last[1] = i + 1;
			else found.push([i, i + 1]);
		}
		return found.map(([from, to]) => [(from * width) / PER_DAY, ((to - from) * width) / PER_DAY] as const);
	};
	const hours = [0, 6, 12, 18, 24];
	const x = (hour: number) => (hour * 60 * width) / (PER_DAY * SLOT_MINUTES);
</script>

<figure bind:clientWidth={frameWidth}>
	<figcaption class="soft">{DAY_SHORT[day]}: heat above, warmth below</figcaption>
	<svg
		viewBox="{-BEFORE} 0 {width + BEFORE + AFTER} {rows.length * (HEIGHT + 14) + 22}"
		role="img"
		aria-label="A day as planned and as the likeliest cause would have it"
	>
		{#each hours as hour (hour)}
			<line x1={x(hour)} x2={x(hour)} y1="16" y2={rows.length * (HEIGHT + 14) + 16} />
			<text x={x(hour)} y="11" text-anchor="middle">{String(hour).padStart(2, '0')}</text>
		{/each}
		{#each rows as [name, cause], r (name)}
			{@const y = 20 + r * (HEIGHT + 14)}
			<text x={-BEFORE} y={y + 20}>{name}</text>
			{#each stretches(cause.heats) as [from, wide], i (i)}<rect
					class="heat"
					x={from}
					{y}
					width={wide}
					height="14"
				/>{:else}<text class="none" x="6" y={y + 12}>no heat at all</text>{/each}
			{#each stretches(cause.warm) as [from, wide], i (i)}<rect
					class="warm"
					x={from}
					y={y + 17}
					width={wide}
					height="18"
				/>{/each}
		{/each}
	</svg>
</figure>

<style>
	figure {
		margin: 1rem 0 0;
	}
	svg {
		display: block;
		width: 100%;
		height: auto;
	}
	line {
		stroke: var(--rule);
	}
	text {
		fill: var(--soft);
		font-size: 16px;
	}
	.heat {
		fill: var(--ink);
	}
	.warm {
		fill: var(--held);
		opacity: 0.55;
	}
</style>
