<script lang="ts">
	import { type PrintedWeekDrawing } from '$core/words';

	let { drawing }: { drawing: PrintedWeekDrawing } = $props();
</script>

<svg
	viewBox="0 0 {drawing.width} {drawing.height}"
	role="img"
	aria-label="The week, drawn; it is written out below"
>
	{#each drawing.days as day (day.name)}
		<g transform="translate({drawing.left} {day.top})">
			<text x={-drawing.left} y={drawing.foot - 8} class="day">{day.name}</text>
			<path d={day.area} class="area" />
			<path d={day.line} class="line" />
			<line x1="0" x2={drawing.span} y1={drawing.foot} y2={drawing.foot} class="foot" />
			{#each [...day.times, ...day.figures] as word, i (i)}
				<text x={word.x} y={word.y} text-anchor={word.anchor} class="word">{word.text}</text>
			{/each}
		</g>
	{/each}
</svg>

<style>
	svg {
		display: block;
		width: 100%;
	}
	.day {
		font-weight: 700;
		font-size: 14px;
	}
	.area {
		fill: #000;
		fill-opacity: 0.08;
	}
	.line {
		fill: none;
		stroke: #000;
		stroke-width: 1.8;
	}
	.foot {
		stroke: #000;
		stroke-width: 0.5;
	}
	text {
		fill: #000;
	}
	.word {
		font-size: 10.5px;
	}
</style>
