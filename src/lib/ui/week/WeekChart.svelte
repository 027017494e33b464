<script lang="ts">
	import isSame from 'fast-deep-equal';
	import { displaySetpoint, timeStep, type ControlProfile } from '$core/control';
	import type { ZoneFit } from '$core/fit';
	import type { Gap } from '$core/house';
	import { DAY_MINUTES, DAY_NAMES, DAY_SHORT } from '$core/week';
	import { minuteAt, roomLine, timeX } from '$core/drawing';
	import type { Zone } from '$core/plan';
	import MisfitPatterns from '../drawing/MisfitPatterns.svelte';
	import DayMarks from './DayMarks.svelte';
	import Riser from './Riser.svelte';
	import { drawnWeek, weekScale, type DrawnWeek } from './weekRows';
	import {
		dayShapes,
		middleOfTread,
		placeAfterMove,
		riserAdded,
		riserAt,
		riserCleared,
		riserMoved,
		risersOf,
		steppedLevel,
		treadSet,
		type RiserPlace
	} from './weekEdits';

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
		onpreview: (zone: Zone) => void;
		oncommit: () => void;
		oncancel: () => void;
		onchange: (zone: Zone) => void;
	} = $props();

	/** Pixels above the first day, for the hours. */
	const HEAD = 22;
	const RISER_REACH = 9;
	const TREAD_REACH = 9;

	/** Whether what was pressed has been moved: a press alone only chooses. */
	let moved = $state(false);
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
	const setpoints = $derived(levels.map((level) => level.setpointC));
	const scale = $derived(weekScale(levels, profile, height, knowsRoom));
	const shapes = $derived(dayShapes(zone));
	/** A day that looks as it did is the very same, so that nothing of it is drawn again while another is dragged. */
	let before: DrawnWeek | null = null;
	const drawn = $derived((before = drawnWeek(zone, profile, fit, width, height, scale, before)));
	const rows = $derived(drawn.days);
	/** Not written anew while a finger is on the drawing. */
	let spoken = $state.raw<readonly string[]>([]);
	$effect.pre(() => {
		if (!moved) spoken = rows.map((row) => row.spoken);
	});
	const rooms = $derived(roomC && DAY_SHORT.map((_, day) => roomLine(roomC, day, width, scale)));

	type Drag =
		| { readonly kind: 'riser'; readonly place: RiserPlace; readonly start: Zone }
		| {
				readonly kind: 'tread';
				readonly day: number;
				readonly tread: number;
				readonly start: Zone;
				readonly startY: number;
		  };
	let drag = $state.raw<Drag | null>(null);
	$effect.pre(() => void (isPressed = drag !== null));
	let pressed = { x: 0, y: 0 };
	/** Pixels that a finger moves without meaning it. */
	const TREMBLE = 4;

	function place(event: PointerEvent | MouseEvent, day: number) {
		const rect = (event.currentTarget as Element).closest('svg')!.getBoundingClientRect();
		return {
			x: event.clientX - rect.left - labelWidth,
			y: event.clientY - rect.top - HEAD - day * rowHeight - 4
		};
	}

	/** What lies under the pointer in a day's row: a riser before a tread, since risers are thin. */
	function under(day: number, x: number, y: number): { riser: number } | { tread: number } | null {
		const row = rows[day]!;
		const near = row.risers
			.map((riser) => ({ riser: riser.riser, far: Math.abs(riser.x - x) }))
			.sort((a, b) => a.far - b.far)[0];
		if (near && near.far <= RISER_REACH) return { riser: near.riser };
		const tread = row.wanted.findIndex((span) => timeX(span.from, width) <= x && x < timeX(span.to, width));
		if (tread < 0) return null;
		return Math.abs(scale.y(row.wanted[tread]!.value) - y) <= TREAD_REACH ? { tread } : null;
	}

	function pointerdown(event: PointerEvent, day: number) {
		if (event.button !== 0) return;
		const { x, y } = place(event, day);
		const hit = under(day, x, y);
		selectedDay = day;
		if (!hit) return;
		event.preventDefault();
		(event.currentTarget as Element).setPointerCapture(event.pointerId);
		pressed = { x: event.clientX, y: event.clientY };
		moved = false;
		if ('riser' in hit) {
			selected = { day, riser: hit.riser };
			drag = { kind: 'riser', place: selected, start: zone };
			focusRiser(selected);
		} else {
			if (hit.tread > 0) selected = { day, riser: hit.tread };
			drag = { kind: 'tread', day, tread: hit.tread, start: zone, startY: y };
		}
	}

	let hover = $state<'riser' | 'tread' | null>(null);

	function pointermove(event: PointerEvent, day: number) {
		const { x, y } = place(event, drag ? (drag.kind === 'riser' ? drag.place.day : drag.day) : day);
		if (!drag) {
			const hit = under(day, x, y);
			hover = hit ? ('riser' in hit ? 'riser' : 'tread') : null;
			return;
		}
		moved ||= Math.hypot(event.clientX - pressed.x, event.clientY - pressed.y) > TREMBLE;
		if (!moved) return;
		if (drag.kind === 'riser') {
			const next = riserMoved(drag.start, drag.place, minuteAt(x, width, step), step);
			const now = placeAfterMove(next, drag.place);
			if (!isSame(now, selected)) selected = now;
			onpreview(next);
		} else if (Math.abs(y - drag.startY) > TREMBLE) {
			const nearest = scale.nearest(y, setpoints);
			const level = zone.levels.find((candidate) => candidate.setpointC === nearest)!;
			onpreview(treadSet(drag.start, drag.day, drag.tread, level.id));
		}
	}

	function pointerup() {
		if (!drag) return;
		drag = null;
		moved = false;
		oncommit();
		if (selected && !risersOf(zone, selected.day).some((r) => r.riser === selected!.riser)) selected = null;
	}

	function dblclick(event: MouseEvent, day: number) {
		const { x, y } = place(event, day);
		const nearest = scale.nearest(y, setpoints);
		const level = zone.levels.find((candidate) => candidate.setpointC === nearest)!;
		addAt(day, minuteAt(x, width, step), level.id);
	}

	function addAt(day: number, minute: number, level: string) {
		const next = riserAdded(zone, day, Math.min(minute, 1440 - step), level);
		onchange(next);
		selected = riserAt(next, day, minute);
		if (selected) focusRiser(selected);
	}

	/** The upright that Tab comes to: the chosen one, else the first of the chosen day, else the first of all. */
	const stop = $derived.by((): RiserPlace | null => {
		if (selected && rows[selected.day]?.risers.some((one) => one.riser === selected!.riser)) return selected;
		const day = [selectedDay, ...DAY_SHORT.keys()].find((one) => rows[one]!.risers.length > 0);
		return day === undefined ? null : { day, riser: rows[day]!.risers[0]!.riser };
	});

	/** The upright some places after one (or before it), over the days. */
	function neighbour(at: RiserPlace, by: 1 | -1): RiserPlace {
		const all = rows.flatMap((row) => row.risers.map(({ riser }) => ({ day: row.day, riser })));
		const here = all.findIndex((one) => one.day === at.day && one.riser === at.riser);
		return all[(here + by + all.length) % all.length]!;
	}

	function focusRiser(at: RiserPlace) {
		queueMicrotask(() =>
			frame
				?.querySelector<SVGGElement>(`[data-riser="${at.day}-${at.riser}"]`)
				?.focus({ preventScroll: true })
		);
	}

	function riserKeys(event: KeyboardEvent, at: RiserPlace, minute: number) {
		if (event.key === 'Escape' && drag) {
			drag = null;
			oncancel();
			return;
		}
		if (event.ctrlKey || event.metaKey || event.altKey) return;
		const level = shapes[at.day]![at.riser]!.value;
		const moveTo = (to: number) => {
			const next = riserMoved(zone, at, to, step);
			onchange(next);
			selected = placeAfterMove(next, at);
			focusRiser(selected);
		};
		const big = event.shiftKey ? Math.max(60, step) : step;
		switch (event.key) {
			case 'ArrowLeft':
				moveTo(Math.ceil((minute - big) / step) * step);
				break;
			case 'ArrowRight':
				moveTo(Math.floor((minute + big) / step) * step);
				break;
			case 'ArrowUp':
			case 'ArrowDown': {
				const stepped = steppedLevel(zone, level, event.key === 'ArrowUp' ? 1 : -1);
				if (stepped) set(at, stepped);
				break;
			}
			case 'PageUp':
			case 'PageDown':
				focusRiser(neighbour(at, event.key === 'PageDown' ? 1 : -1));
				break;
			case 'Enter':
			case 'Insert': {
				addAt(at.day, middleOfTread(zone, at, step), level);
				break;
			}
			case 'Delete':
			case 'Backspace': {
				const next = riserCleared(zone, at);
				onchange(next);
				selected = riserAt(next, at.day, minute);
				if (selected) focusRiser(selected);
				else frame?.querySelector<HTMLElement>(`[data-day="${at.day}"]`)?.focus();
				break;
			}
			default: {
				const lettered = zone.levels.find((candidate) => candidate.letter === event.key.toUpperCase());
				if (!lettered) return;
				set(at, lettered.id);
			}
		}
		event.preventDefault();
	}

	function set(at: RiserPlace, level: string) {
		const minute = risersOf(zone, at.day).find((r) => r.riser === at.riser)!.minute;
		const next = treadSet(zone, at.day, at.riser, level);
		onchange(next);
		selected = riserAt(next, at.day, minute);
		if (selected) focusRiser(selected);
	}

	/** On a day's own label: arrows go to another day, a letter sets the whole first tread, Insert adds a change, so that a day without any change can be drawn by keyboard. */
	function dayKeys(event: KeyboardEvent, day: number) {
		if (event.ctrlKey || event.metaKey || event.altKey) return;
		const to = { ArrowUp: day - 1, ArrowDown: day + 1, Home: 0, End: 6 }[event.key];
		if (to !== undefined) {
			event.preventDefault();
			frame?.querySelector<HTMLElement>(`[data-day="${Math.min(6, Math.max(0, to))}"]`)?.focus();
			return;
		}
		const lettered = zone.levels.find((candidate) => candidate.letter === event.key.toUpperCase());
		if (lettered) onchange(treadSet(zone, day, 0, lettered.id));
		else if (event.key === 'Insert') addAt(day, 720, shapes[day]![0]!.value);
		else return;
		event.preventDefault();
	}

	const hours = $derived(narrow ? [0, 6, 12, 18, 24] : [0, 3, 6, 9, 12, 15, 18, 21, 24]);
	const options = $derived(zone.options);
	const levelWords = $derived(
		new Map(
			levels.map((level) => [level.id, `${level.name} ${displaySetpoint(profile, options, level.setpointC)}`])
		)
	);
	const gridSteps = $derived.by(() => {
		const gap = timeX(step, width);
		if (gap < 3.5) return [];
		return Array.from({ length: 1440 / step + 1 }, (_, i) => timeX(i * step, width));
	});
</script>

<div class="frame" bind:this={frame} bind:clientWidth={frameWidth}>
	<svg
		width={frameWidth}
		height={rowHeight * 7 + HEAD}
		role="group"
		aria-label="The wanted week, day by day"
		class:dragging={drag !== null}
		class:over-riser={hover === 'riser'}
		class:over-tread={hover === 'tread'}
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
				onpointerdown={(event) => pointerdown(event, row.day)}
				onpointermove={(event) => pointermove(event, row.day)}
				onpointerup={pointerup}
				onpointercancel={() => {
					drag = null;
					oncancel();
				}}
				ondblclick={(event) => dblclick(event, row.day)}
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
					{#if drag && selected?.day === row.day}
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
							stop={stop?.day === row.day && stop.riser === riser.riser}
							{width}
							{height}
							onfocus={() => {
								selected = { day: row.day, riser: riser.riser };
								selectedDay = row.day;
							}}
							onkeydown={(event) => riserKeys(event, { day: row.day, riser: riser.riser }, riser.minute)}
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
			onclick={() => (selectedDay = day)}
			onfocus={() => (selectedDay = day)}
			onkeydown={(event) => dayKeys(event, day)}>{name}</button
		>
		<p class="out-of-sight" id="spoken-{day}">{spoken[day]}</p>
	{/each}
</div>

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
