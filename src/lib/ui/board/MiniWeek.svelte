<script lang="ts">
	import { buildWeek, mapWeek, splitByDay } from '$core/week';
	import { heightScale, stepPath } from '$core/drawing';

	let {
		wanted,
		levels
	}: {
		wanted: readonly { at: number; level: string }[];
		levels: readonly { id: string; setpointC: number }[];
	} = $props();

	const dayWidth = 26;
	const height = 34;
	const week = $derived(
		mapWeek(
			buildWeek(wanted.map((step) => ({ at: step.at, value: step.level }))),
			(id) => levels.find((level) => level.id === id)?.setpointC ?? 0
		)
	);
	const scale = $derived(
		heightScale(
			levels.map((level) => level.setpointC),
			height
		)
	);
	const days = $derived(splitByDay(week).map((spans) => stepPath(spans, dayWidth - 3, scale.y)));
</script>

<svg width={dayWidth * 7} {height} viewBox="0 0 {dayWidth * 7} {height}" aria-hidden="true">
	{#each days as path, day (day)}
		<g transform="translate({day * dayWidth} 0)">
			<path d="M0 {height - 0.5}H{dayWidth - 3}" class="foot" />
			<path d={path} class="line" />
		</g>
	{/each}
</svg>

<style>
	svg {
		display: block;
	}
	.line {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.6;
	}
	.foot {
		stroke: var(--rule);
	}
</style>
