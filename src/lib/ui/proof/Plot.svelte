<script lang="ts">
	import { onMount } from 'svelte';
	import type { Chart } from 'chart.js';
	import { namedLines, type Drawing } from './charts';

	let {
		label,
		height,
		make
	}: {
		/** What is drawn, for those who cannot see it; its figures stand in a table beside it. */
		label: string;
		height: number;
		/** The chart for a set of our colours; made anew whenever what it reads changes. */
		make: Drawing;
	} = $props();

	let canvas = $state<HTMLCanvasElement>();
	let chart: Chart<'line'> | undefined;
	let ready = $state<typeof import('chart.js') | null>(null);
	let theme = $state(0);

	onMount(() => {
		void import('chart.js').then((module) => {
			module.Chart.register(
				module.LineController,
				module.LineElement,
				module.PointElement,
				module.LinearScale,
				module.Filler,
				module.Tooltip
			);
			ready = module;
		});
		const dark = matchMedia('(prefers-color-scheme: dark)');
		const again = () => theme++;
		dark.addEventListener('change', again);
		const watch = new MutationObserver(again);
		watch.observe(document.documentElement, { attributeFilter: ['data-theme'] });
		return () => {
			dark.removeEventListener('change', again);
			watch.disconnect();
			chart?.destroy();
		};
	});

	$effect(() => {
		if (!ready || !canvas) return;
		void theme;
		const style = getComputedStyle(document.documentElement);
		const of = (name: string) => style.getPropertyValue(name).trim();
		const config = make({
			ink: of('--ink'),
			soft: of('--soft'),
			rule: of('--rule'),
			signal: of('--signal'),
			held: of('--held'),
			heldFill: of('--held-fill'),
			warm: of('--warm')
		});
		ready.Chart.defaults.font.family = "'Atkinson Hyperlegible Next', sans-serif";
		ready.Chart.defaults.font.size = 13;
		ready.Chart.defaults.color = of('--soft');
		if (chart) {
			chart.data = config.data;
			chart.options = config.options ?? {};
			chart.update('none');
		} else chart = new ready.Chart(canvas, { ...config, plugins: [namedLines] });
	});
</script>

<div class="plot" style:height="{height}px">
	<canvas bind:this={canvas} aria-label={label}></canvas>
</div>

<style>
	.plot {
		position: relative;
		width: 100%;
	}
</style>
