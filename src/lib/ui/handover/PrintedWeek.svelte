<script lang="ts">
	import { displaySetpoint, displayTime, type ControlOptions, type ControlProfile } from '$core/control';
	import { DAY_SHORT, splitByDay, type WeekSteps } from '$core/week';
	import { heightScale, stepArea, stepPath, timeX } from '../week/geometry';

	let {
		held,
		profile,
		options
	}: { held: WeekSteps<number>; profile: ControlProfile; options: ControlOptions } = $props();

	const width = 560;
	const rowHeight = 41;
	const height = 28;
	const days = $derived(splitByDay(held));
	const setpoints = $derived([...new Set(held.map((step) => step.value))]);
	const scale = $derived(heightScale(profile.temperature ? setpoints : [0, 1], height));

	/** Times written over the uprights; two close ones lean apart, a third between them is left out. */
	function times(day: number): { x: number; text: string; anchor: 'start' | 'middle' | 'end' }[] {
		const room = options.clock === '12' ? 56 : 45;
		const written: { x: number; text: string; anchor: 'start' | 'middle' | 'end' }[] = [];
		for (const span of days[day]!.slice(1)) {
			const x = timeX(span.from, width);
			const last = written.at(-1);
			const one = { x, text: displayTime(span.from, options.clock), anchor: 'middle' as const };
			if (!last || x - last.x >= room) written.push(one);
			else if (last.anchor === 'middle' && x - last.x > 6) {
				last.anchor = 'end';
				written.push({ ...one, x: x - 2, anchor: 'start' });
			}
		}
		return written;
	}

	function figures(day: number): { x: number; y: number; text: string }[] {
		return days[day]!.flatMap((span) => {
			const room = timeX(span.to - span.from, width);
			if (room < 30) return [];
			return [
				{
					x: timeX((span.from + span.to) / 2, width),
					y: scale.y(span.value) > height - 13 ? scale.y(span.value) - 3 : height - 3,
					text: displaySetpoint(profile, options, span.value) + (profile.temperature ? '°' : '')
				}
			];
		});
	}
</script>

<svg
	viewBox="0 0 {width + 44} {rowHeight * 7 + 4}"
	role="img"
	aria-label="The week, drawn; it is written out below"
>
	{#each days as spans, day (day)}
		<g transform="translate(44 {day * rowHeight + 14})">
			<text x="-44" y={height - 8} class="day">{DAY_SHORT[day]}</text>
			<path d={stepArea(spans, width, height, scale.y)} class="area" />
			<path d={stepPath(spans, width, scale.y)} class="line" />
			<line x1="0" x2={width} y1={height} y2={height} class="foot" />
			{#each times(day) as time, i (i)}
				<text x={time.x} y="-1" text-anchor={time.anchor} class="time">{time.text}</text>
			{/each}
			{#each figures(day) as figure, i (i)}
				<text x={figure.x} y={figure.y} text-anchor="middle" class="figure">{figure.text}</text>
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
	.time {
		font-size: 10.5px;
	}
	.figure {
		font-size: 10.5px;
	}
</style>
