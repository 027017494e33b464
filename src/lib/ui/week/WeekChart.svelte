<script lang="ts">
	import { displaySetpoint, timeStep, type ControlProfile } from '$core/control';
	import type { ZoneFit } from '$core/fit';
	import type { Gap } from '$core/house';
	import { DAY_MINUTES, DAY_NAMES, DAY_SHORT } from '$core/week';
	import { roomLine, timeX } from '$core/drawing';
	import type { Zone } from '$core/plan';
	import type { Snippet } from 'svelte';
	import MisfitPatterns from '../drawing/MisfitPatterns.svelte';
	import DayMarks from './DayMarks.svelte';
	import Riser from './Riser.svelte';
	import { drawnWeek, weekScale, type DrawnWeek } from './weekRows';
	import type { RiserPlace } from './weekEdits';
	import { HEAD, weekHand } from './weekHand.svelte';

	let {
		zone,
		profile,
		fit,
		shown,
		roomC = null,
		gaps = [],
		rowHeight = 58,
		selected = $bindable(null),
		selectedDay = $bindable(0),
		pressed: isPressed = $bindable(false),
		brush = null,
		beside,
		onpreview,
		oncommit,
		oncancel,
		onchange
	}: {
		zone: Zone;
		profile: ControlProfile;
		fit: ZoneFit | null;
		shown: { wanted: boolean; held: boolean; misfit: boolean };
		/** The room as it is predicted, in °C every five minutes of the week; null where it is not drawn. */
		roomC?: ArrayLike<number> | null;
		/** The stretches in which what feeds the zone may not run though it asks for warmth. */
		gaps?: readonly Gap[];
		rowHeight?: number;
		selected?: RiserPlace | null;
		selectedDay?: number;
		/** Whether a finger or the mouse is down on it. */
		pressed?: boolean;
		/** The level that is drawn with; null for none. */
		brush?: string | null;
		/** What stands at the chosen step, or at the chosen day. */
		beside?: Snippet;
		onpreview: (zone: Zone) => void;
		oncommit: () => void;
		oncancel: () => void;
		onchange: (zone: Zone) => void;
	} = $props();

	let frame = $state<HTMLDivElement>();
	let frameWidth = $state(760);
	const narrow = $derived(frameWidth < 520);
	const labelWidth = $derived(narrow ? 44 : 88);
	const sayWidth = $derived(narrow ? 0 : 104);
	const width = $derived(Math.max(200, frameWidth - labelWidth - sayWidth - (narrow ? 12 : 4)));
	const height = $derived(rowHeight - 8);
	const step = $derived(timeStep(profile));

	/** The same while only the week is changed, and with it the scale: the room's line is not drawn anew. */
	const levels = $derived(zone.levels);
	const knowsRoom = $derived(zone.room !== null);
	const scale = $derived(weekScale(levels, profile, height, knowsRoom));
	/** A day that looks as it did is the very same, so that nothing of it is drawn again while another is dragged. */
	let before: DrawnWeek | null = null;
	const drawn = $derived.by(() => {
		const next = drawnWeek(zone, profile, fit, width, height, scale, before);
		before = next;
		return next;
	});
	const rows = $derived(drawn.days);
	const rooms = $derived(roomC && DAY_SHORT.map((_, day) => roomLine(roomC, day, width, scale)));

	const hand = weekHand({
		get zone() {
			return zone;
		},
		get rows() {
			return rows;
		},
		get scale() {
			return scale;
		},
		get width() {
			return width;
		},
		get labelWidth() {
			return labelWidth;
		},
		get rowHeight() {
			return rowHeight;
		},
		get step() {
			return step;
		},
		get brush() {
			return brush;
		},
		get frame() {
			return frame;
		},
		get selected() {
			return selected;
		},
		set selected(next) {
			selected = next;
		},
		get selectedDay() {
			return selectedDay;
		},
		set selectedDay(next) {
			selectedDay = next;
		},
		preview: (next) => onpreview(next),
		commit: () => oncommit(),
		cancel: () => oncancel(),
		change: (next) => onchange(next)
	});
	$effect.pre(() => void (isPressed = hand.holds));
	/** Not written anew while a finger is on the drawing. */
	let spoken = $state.raw<readonly string[]>([]);
	$effect.pre(() => {
		if (!hand.moved) spoken = rows.map((row) => row.spoken);
	});

	const hours = $derived(narrow ? [0, 6, 12, 18, 24] : [0, 3, 6, 9, 12, 15, 18, 21, 24]);
	const options = $derived(zone.options);
	const levelWords = $derived(
		new Map(
			levels.map((level) => [level.id, `${level.name} ${displaySetpoint(profile, options, level.setpointC)}`])
		)
	);
	/** Whether a day's own name was pressed: what can be done with the day stands at it. */
	let isDayOpen = $state(false);
	$effect.pre(() => {
		if (selected) isDayOpen = false;
	});
	const isOpen = $derived(selected !== null || isDayOpen);
	const BESIDE_WIDTH = 600;
	const besideDay = $derived(selected?.day ?? selectedDay);
	const besideLeft = $derived.by(() => {
		const riser = rows[besideDay]!.risers.find((one) => one.riser === selected?.riser);
		return Math.max(0, Math.min(frameWidth - BESIDE_WIDTH, labelWidth + (riser?.x ?? 0) - 40));
	});
	const besideTop = $derived(HEAD + (besideDay + (besideDay > 3 ? 0 : 1)) * rowHeight);
	const gridSteps = $derived.by(() => {
		const gap = timeX(step, width);
		if (gap < 3.5) return [];
		return Array.from({ length: 1440 / step + 1 }, (_, i) => timeX(i * step, width));
	});
</script>

<svelte:window
	onkeydown={(event) => {
		if (event.key !== 'Escape' || hand.holds) return;
		selected = null;
		isDayOpen = false;
	}}
/>
<div class="frame" bind:this={frame} bind:clientWidth={frameWidth}>
	<svg
		width={frameWidth}
		height={rowHeight * 7 + HEAD}
		role="group"
		aria-label="The wanted week, day by day"
		class:dragging={hand.holds}
		class:over-riser={hand.hover === 'riser'}
		class:over-tread={hand.hover === 'tread'}
	>
		<MisfitPatterns />
		<g transform="translate({labelWidth} 16)" aria-hidden="true">
			{#each hours as hour (hour)}
				<text x={timeX(hour * 60, width)} y="0" class="hour" text-anchor="middle"
					>{String(hour).padStart(2, '0')}</text
				>
			{/each}
		</g>
		{#each rows as row (row.day)}
			<!-- svelte-ignore a11y_no_static_element_interactions -->
			<g
				transform="translate(0 {HEAD + row.day * rowHeight})"
				onpointerdown={(event) => {
					isDayOpen = false;
					hand.pointerdown(event, row.day);
				}}
				onpointermove={(event) => hand.pointermove(event, row.day)}
				onpointerup={hand.pointerup}
				onpointercancel={hand.pointercancel}
				ondblclick={(event) => hand.dblclick(event, row.day)}
			>
				<rect
					x="0"
					y="0"
					width={frameWidth}
					height={rowHeight}
					class="row"
					class:chosen={selectedDay === row.day}
				/>
				<g transform="translate({labelWidth} 4)">
					{#each hours as hour (hour)}
						<line
							x1={timeX(hour * 60, width)}
							x2={timeX(hour * 60, width)}
							y1="-4"
							y2={height + 4}
							class="grid"
						/>
					{/each}
					{#if hand.holds && selected?.day === row.day}
						{#each gridSteps as x (x)}
							<line x1={x} x2={x} y1={height - 4} y2={height} class="step" />
						{/each}
					{/if}
					<DayMarks
						drawn={row}
						{shown}
						breakAt={scale.breakAt}
						room={rooms && rooms[row.day]!}
						named={row.day === selectedDay && !narrow}
					/>
					{#each gaps as gap (gap.from)}
						{#if gap.to > row.day * DAY_MINUTES && gap.from < (row.day + 1) * DAY_MINUTES}
							{@const from = timeX(Math.max(0, gap.from - row.day * DAY_MINUTES), width)}
							<rect
								x={from}
								y={height - 1}
								width={timeX(Math.min(DAY_MINUTES, gap.to - row.day * DAY_MINUTES), width) - from}
								height="5"
								class="unfed"
							/>
						{/if}
					{/each}
					{#each row.risers as riser (riser.riser)}
						<Riser
							{riser}
							day={row.day}
							says="to {levelWords.get(riser.level)}, from {levelWords.get(riser.from)}"
							here={selected?.day === row.day && selected.riser === riser.riser}
							stop={hand.stop?.day === row.day && hand.stop.riser === riser.riser}
							{width}
							{height}
							onfocus={() => {
								selected = { day: row.day, riser: riser.riser };
								selectedDay = row.day;
							}}
							onkeydown={(event) => hand.riserKeys(event, { day: row.day, riser: riser.riser }, riser.minute)}
						/>
					{/each}
				</g>
				<line x1="0" x2={frameWidth} y1={rowHeight - 2} y2={rowHeight - 2} class="foot" />
				{#if sayWidth > 0}
					<text
						x={labelWidth + width + 8}
						y={rowHeight / 2 + 4}
						class="says"
						class:bad={row.says.kind === 'cold'}
						class:warmer={row.says.kind === 'warm'}
					>
						{row.says.text}
					</text>
				{/if}
			</g>
		{/each}
		{#if !narrow}
			<g transform="translate({labelWidth - 8} {HEAD + 4 + selectedDay * rowHeight})" aria-hidden="true">
				{#each drawn.scaleLabels as label (label.y)}
					<text y={label.y + 4} text-anchor="end" class="scale">{label.text}</text>
				{/each}
			</g>
		{/if}
	</svg>
	{#each DAY_SHORT as name, day (day)}
		<button
			class="day"
			class:chosen={selectedDay === day}
			data-day={day}
			style:top="{HEAD + day * rowHeight + (rowHeight - 44) / 2}px"
			aria-label="{DAY_NAMES[day]}: {rows[day]!.says.text}"
			aria-describedby="spoken-{day}"
			aria-pressed={selectedDay === day}
			tabindex={selectedDay === day ? 0 : -1}
			onclick={() => {
				selectedDay = day;
				selected = null;
				isDayOpen = true;
			}}
			onfocus={() => (selectedDay = day)}
			onkeydown={(event) => hand.dayKeys(event, day)}>{name}</button
		>
		<p class="out-of-sight" id="spoken-{day}">{spoken[day]}</p>
	{/each}
	{#if beside && !narrow && isOpen && !hand.holds}
		<div
			class="beside"
			style:width="{BESIDE_WIDTH}px"
			style:left="{besideLeft}px"
			style:top="{besideTop}px"
			class:over={besideDay > 3}
		>
			{@render beside()}
		</div>
	{/if}
</div>
{#if beside && narrow}
	<!-- no room at the step: under the drawing -->
	{@render beside()}
{/if}

<style>
	.frame {
		position: relative;
		touch-action: pan-y;
	}
	svg {
		display: block;
		user-select: none;
		touch-action: pan-y;
	}
	svg.over-riser {
		cursor: ew-resize;
	}
	svg.over-tread {
		cursor: ns-resize;
	}
	svg.dragging {
		touch-action: none;
	}
	.row {
		fill: transparent;
	}
	.row.chosen {
		fill: var(--sheet);
	}
	.hour,
	.scale {
		font-family: var(--mono);
		font-size: var(--mark);
		fill: var(--soft);
	}
	.scale {
		font-size: var(--mark);
	}
	.grid {
		stroke: var(--faint);
	}
	.step {
		stroke: var(--soft);
		stroke-width: 1;
	}
	.unfed {
		fill: var(--signal);
	}
	.foot {
		stroke: var(--rule);
	}
	.says {
		font-size: var(--mark);
		fill: var(--soft);
	}
	.says.bad {
		fill: var(--signal);
		font-weight: 700;
	}
	.says.warmer {
		fill: var(--warm);
		font-weight: 700;
	}
	.beside {
		position: absolute;
		z-index: 2;
		padding: 0.6rem 0.8rem;
		border: 2px solid var(--ink);
		border-radius: 4px;
		background: var(--sheet);
		--field: var(--ground);
	}
	.beside.over {
		transform: translateY(-100%);
	}
	.day {
		position: absolute;
		left: 0;
		width: 44px;
		height: 44px;
		padding: 0;
		border: 0;
		background: none;
		color: inherit;
		font-size: 1rem;
		font-weight: 700;
		text-align: left;
		cursor: pointer;
	}
	.day:hover {
		text-decoration: underline;
	}
</style>
