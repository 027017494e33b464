<script lang="ts">
	import { heightScale, misfitRects, stepPath, timeX } from '$core/drawing';
	import { levelOf, wantedWeek, type Zone } from '$core/plan';
	import { clockTime, dayRange, DAY_SHORT, mapWeek, splitByDay } from '$core/week';

	let {
		before,
		after,
		names
	}: {
		before: Zone;
		after: Zone;
		/** What the two are called: "3 Nov 2026" and "now". */
		names: readonly [string, string];
	} = $props();

	const HEIGHT = 36;
	/** Above each day, where its times stand clear of the lines. */
	const HEADROOM = 18;
	const PITCH = HEADROOM + HEIGHT + 6;
	const LABEL = 44;
	let frameWidth = $state(600);
	const width = $derived(Math.max(160, frameWidth - LABEL - 4));

	const inC = (zone: Zone) => splitByDay(mapWeek(wantedWeek(zone), (id) => levelOf(zone, id).setpointC));
	const [was, is] = $derived([inC(before), inC(after)]);
	const scale = $derived(
		heightScale(
			[...before.levels, ...after.levels].map((level) => level.setpointC),
			HEIGHT
		)
	);
	/** A time needs so much room, in pixels. */
	const MARK_WIDTH = 46;
	/** Times that can stand beside each other. */
	function apart(minutes: readonly number[]): number[] {
		const shown: number[] = [];
		for (const minute of minutes)
			if (shown.length === 0 || timeX(minute - shown.at(-1)!, width) > MARK_WIDTH) shown.push(minute);
		return shown;
	}
	const days = $derived(
		DAY_SHORT.map((name, day) => {
			const moved = misfitRects(is[day]!, was[day]!, width, scale.y);
			return {
				name,
				day,
				moved,
				was: stepPath(was[day]!, width, scale.y),
				is: stepPath(is[day]!, width, scale.y),
				/** The changes of the later week that the earlier did not make at that minute. */
				marks: apart(
					is[day]!.slice(1).flatMap(({ from }) =>
						was[day]!.some((span) => span.from === from) ? [] : [from]
					)
				)
			};
		})
	);
	const changed = $derived(days.filter(({ moved }) => moved.length > 0).map(({ day }) => day));
</script>

<div bind:clientWidth={frameWidth}>
	<p class="legend soft">
		<span><span class="swatch was" aria-hidden="true"></span>{names[0]}</span>
		<span><span class="swatch is" aria-hidden="true"></span>{names[1]}</span>
		<span>{changed.length === 0 ? 'The times are the same.' : `Changed: ${dayRange(changed)}.`}</span>
	</p>
	<svg
		width={frameWidth}
		height={PITCH * 7}
		role="img"
		aria-label="Both weeks, day by day: {changed.length === 0
			? 'the times are the same'
			: `other on ${dayRange(changed)}`}"
	>
		{#each days as { name, day, moved, was, is, marks } (day)}
			<g transform="translate(0 {day * PITCH + HEADROOM})">
				<text x="0" y={HEIGHT / 2 + 5} class:changed={moved.length > 0}>{name}</text>
				<g transform="translate({LABEL} 0)">
					<line x1="0" x2={width} y1={HEIGHT + 1} y2={HEIGHT + 1} class="foot" />
					{#each moved as rect, i (i)}
						<rect x={rect.x} y={rect.y} width={rect.width} height={rect.height} class="moved" />
					{/each}
					<path d={was} class="was" />
					<path d={is} class="is" />
					{#each marks as minute (minute)}
						<text
							x={Math.min(Math.max(timeX(minute, width), 18), width - 18)}
							y="-5"
							class="mark"
							text-anchor="middle">{clockTime(minute)}</text
						>
					{/each}
				</g>
			</g>
		{/each}
	</svg>
</div>

<style>
	.legend {
		display: flex;
		flex-wrap: wrap;
		gap: 0.25rem 1.25rem;
		margin: 0.4rem 0;
	}
	.legend span {
		display: inline-flex;
		gap: 0.4rem;
		align-items: center;
	}
	.swatch {
		height: 0;
	}
	.swatch.was {
		border-top: 2px dashed var(--soft);
	}
	.swatch.is {
		border-top: 2.6px solid var(--ink);
	}
	svg {
		display: block;
	}
	text {
		fill: var(--soft);
		font-size: 15px;
	}
	text.changed {
		fill: var(--ink);
		font-weight: 700;
	}
	text.mark {
		fill: var(--ink);
		font-family: var(--mono);
		font-size: var(--mark);
	}
	.foot {
		stroke: var(--rule);
	}
	.moved {
		fill: var(--held-fill);
	}
	.was {
		fill: none;
		stroke: var(--soft);
		stroke-dasharray: 5 3;
		stroke-width: 1.6;
	}
	.is {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2.2;
	}
</style>
