<script lang="ts">
	import type { Level } from '$core/control';
	import { routineWeek, type DayType } from '$core/plan';
	import { mapWeek, splitByDay } from '$core/week';
	import { heightScale, stepPath } from '$core/drawing';

	let { type, levels }: { type: DayType; levels: readonly Level[] } = $props();

	const width = 120;
	const height = 34;
	const setpointOf = (id: string) => levels.find((level) => level.id === id)?.setpointC ?? 0;
	/** Drawn as every day being of this type, so that what runs past midnight is seen. */
	const day = $derived(
		splitByDay(
			mapWeek(
				routineWeek({ dayTypes: [type], week: Array.from({ length: 7 }, () => type.id) }, setpointOf),
				setpointOf
			)
		)[1]!
	);
	const scale = $derived(
		heightScale(
			levels.map((level) => level.setpointC),
			height
		)
	);
</script>

<svg viewBox="0 0 {width} {height}" aria-hidden="true">
	<path d="M0 {height - 0.5}H{width}" class="foot" />
	<path d={stepPath(day, width, scale.y)} class="line" />
</svg>

<style>
	svg {
		display: block;
		width: 100%;
		height: 34px;
	}
	.line {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.6;
		vector-effect: non-scaling-stroke;
	}
	.foot {
		stroke: var(--rule);
	}
</style>
