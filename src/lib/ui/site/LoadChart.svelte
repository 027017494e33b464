<script lang="ts">
	import type { SiteLoad } from '$core/thermal';
	import { clockTime, minuteOfDay, dayOf } from '$core/week';
	import { loadDay, loadScale, loadSteps } from './loadDrawing';

	let {
		load,
		before = null,
		limitW,
		day,
		zones
	}: {
		load: SiteLoad;
		/** The load before something was moved, drawn thin behind. */
		before?: SiteLoad | null;
		limitW: number | null;
		day: number;
		/** The zones in the order of the load, with the needs of their weeks and when their setpoints rise for them. */
		zones: readonly {
			readonly id: string;
			readonly name: string;
			readonly needs: readonly { readonly at: number; readonly start: number; readonly late: boolean }[];
		}[];
	} = $props();

	let frameWidth = $state(900);
	const HEIGHT = 210;
	const STRIP = 30;
	const narrow = $derived(frameWidth < 560);
	const left = $derived(narrow ? 82 : 150);
	const width = $derived(Math.max(200, frameWidth - left - 10));
	const x = (minute: number) => (minute / 1440) * width;
	const hours = $derived(narrow ? [0, 6, 12, 18, 24] : [0, 3, 6, 9, 12, 15, 18, 21, 24]);

	const scale = $derived(loadScale([load, ...(before ? [before] : [])], limitW, HEIGHT));
	const steps = (values: readonly number[], foot: boolean) => loadSteps(values, width, scale.y, foot);
	const most = $derived(loadDay(load.mostW, day));
	const mean = $derived(loadDay(load.meanW, day));
	const was = $derived(before ? loadDay(before.mostW, day) : null);
	/** Where the load passes the limit. */
	const over = $derived(limitW === null ? [] : most.flatMap((w, slot) => (w > limitW! ? [{ slot, w }] : [])));
	const own = $derived(load.zones.map((zone) => loadDay(zone.powerW, day)));
	const highest = $derived(Math.max(...own.flat(), 1));
	const short = (name: string, most: number) => (name.length > most ? `${name.slice(0, most - 1)}…` : name);
</script>

<div bind:clientWidth={frameWidth} class="frame">
	<svg
		width={frameWidth}
		height={HEIGHT + 40 + zones.length * STRIP}
		role="img"
		aria-label="The load of the day in kW with its limit; under it the power of each zone. The table below has the figures."
	>
		<defs>
			<pattern id="over" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
				<line x1="1.5" y1="0" x2="1.5" y2="7" class="over-line" />
			</pattern>
			<pattern id="chance" width="5" height="5" patternUnits="userSpaceOnUse">
				<circle cx="1.5" cy="1.5" r="0.9" class="chance-dot" />
			</pattern>
		</defs>
		<g transform="translate({left} 14)">
			{#each scale.ticks as tick (tick)}
				<line x1="0" x2={width} y1={scale.y(tick)} y2={scale.y(tick)} class="grid" />
				<text x="-6" y={scale.y(tick) + 4} text-anchor="end" class="tick"
					>{tick / 1000}{tick === scale.ticks.at(-1) ? ' kW' : ''}</text
				>
			{/each}
			{#each hours as hour (hour)}
				<line
					x1={x(hour * 60)}
					x2={x(hour * 60)}
					y1="0"
					y2={HEIGHT + 24 + zones.length * STRIP}
					class="grid"
				/>
				<text x={x(hour * 60)} y={HEIGHT + 16} text-anchor="middle" class="tick"
					>{String(hour).padStart(2, '0')}</text
				>
			{/each}
			<path d={steps(most, true)} fill="url(#chance)" />
			<path d={steps(mean, true)} class="mean" />
			{#if was}<path d={steps(was, false)} class="was" />{/if}
			<path d={steps(most, false)} class="most" />
			{#each over as { slot, w } (slot)}
				<rect
					x={x(slot * 5)}
					width={x(5) + 0.5}
					y={scale.y(w)}
					height={scale.y(limitW!) - scale.y(w)}
					fill="url(#over)"
				/>
			{/each}
			{#if limitW !== null}
				<line x1="0" x2={width} y1={scale.y(limitW)} y2={scale.y(limitW)} class="limit" />
				<text x={width - 4} y={scale.y(limitW) - 6} text-anchor="end" class="limit-text"
					>{limitW / 1000} kW allowed</text
				>
			{/if}
			{#each zones as zone, i (zone.id)}
				{@const top = HEIGHT + 26 + i * STRIP}
				<text x="-8" y={top + STRIP / 2 + 4} text-anchor="end" class="zone"
					>{short(zone.name, narrow ? 10 : 20)}</text
				>
				<path
					d={loadSteps(
						own[i]!,
						width,
						(w) => top + STRIP - 3 - (w / highest) * (STRIP - 8),
						true,
						top + STRIP - 3
					)}
					class="own"
				/>
				<line x1="0" x2={width} y1={top + STRIP - 3} y2={top + STRIP - 3} class="grid" />
				{#each zone.needs.filter((need) => dayOf(need.at) === day) as need (need.at)}
					{@const to = x(minuteOfDay(need.at))}
					<line
						x1={Math.max(0, to - x(need.start))}
						x2={to}
						y1={top + 3}
						y2={top + 3}
						class="lead"
						class:late={need.late}
					/>
					<path d="M{to} {top}l4 3l-4 3z" class="need" class:late={need.late}>
						<title>{zone.name}: warm at {clockTime(minuteOfDay(need.at))}</title>
					</path>
				{/each}
			{/each}
		</g>
	</svg>
</div>

<style>
	.frame {
		overflow: hidden;
	}
	svg {
		display: block;
	}
	.grid {
		stroke: var(--rule);
		stroke-width: 1;
	}
	.tick,
	.zone {
		fill: var(--soft);
		font-size: var(--mark);
	}
	.zone {
		fill: var(--ink);
	}
	.mean {
		fill: var(--held-fill);
		stroke: var(--held);
		stroke-width: 1;
	}
	.most {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2;
	}
	.was {
		fill: none;
		stroke: var(--soft);
		stroke-width: 1.2;
		stroke-dasharray: 4 3;
	}
	.limit {
		stroke: var(--signal);
		stroke-width: 2;
	}
	.limit-text {
		fill: var(--signal);
		font-size: var(--mark);
		font-weight: 700;
		paint-order: stroke;
		stroke: var(--ground);
		stroke-width: 4px;
		stroke-linejoin: round;
	}
	.over-line {
		stroke: var(--signal);
		stroke-width: 2;
	}
	.chance-dot {
		fill: var(--soft);
	}
	.own {
		fill: var(--held-fill);
		stroke: var(--held);
		stroke-width: 1;
	}
	.lead {
		stroke: var(--ink);
		stroke-width: 2;
	}
	.need {
		fill: var(--ink);
	}
	.lead.late {
		stroke: var(--signal);
	}
	.need.late {
		fill: var(--signal);
	}
</style>
