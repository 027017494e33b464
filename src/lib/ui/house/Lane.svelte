<script lang="ts" module>
	import type { WayState } from '$core/house';

	/** How a way is drawn: what comes after the hot water rests. */
	export type LaneState = Exclude<WayState, 'after-water'>;

	/** A zone in a lane: draggable onto another. */
	export interface LaneZone {
		readonly id: string;
		readonly name: string;
		readonly href: string;
		/** What it does at the moment, and what becomes of it. */
		readonly does: string;
		readonly gets: string;
		readonly state: LaneState;
	}
</script>

<script lang="ts">
	import Draggable from 'carbon-icons-svelte/lib/Draggable.svelte';
	import { linkHorizontal } from 'd3-shape';
	import { dragHandle, dragHandleZone } from 'svelte-dnd-action';

	let {
		name,
		does,
		governor = null,
		state,
		zones,
		rowHeight,
		onfeed
	}: {
		/** What makes the heat, and what it does at the moment. */
		name: string;
		does: string;
		/** What lets it run, where something does. */
		governor?: { readonly name: string; readonly does: string; readonly may: boolean } | null;
		/** Whether heat leaves it now. */
		state: LaneState;
		zones: readonly LaneZone[];
		/** In px. */
		rowHeight: number;
		/** Called with a zone that was dragged here. */
		onfeed: (zoneId: string) => void;
	} = $props();

	/** The rows as they stand while one is dragged. */
	let rows = $derived([...zones]);
	const WAY = 90;
	const height = $derived(Math.max(rowHeight * rows.length, 64));
	const middle = (row: number) => (row + 0.5) * rowHeight;
	const link = linkHorizontal<unknown, { x: number; y: number }>()
		.x(({ x }) => x)
		.y(({ y }) => y);
	const path = (row: number) =>
		link({ source: { x: 0, y: 32 }, target: { x: WAY, y: middle(row) } } as never) ?? '';

	function dropped(items: LaneZone[]) {
		rows = items;
		for (const { id } of items) if (!zones.some((zone) => zone.id === id)) onfeed(id);
	}
</script>

<div class="lane">
	<div class="box {state}">
		<strong>{name}</strong>
		<span>{does}</span>
	</div>
	{#if governor}
		<div class="let {governor.may ? 'runs' : state === 'waits' ? 'waits' : 'rests'}" aria-hidden="true"></div>
		<div class="box" class:waits={!governor.may && state === 'waits'}>
			<strong>{governor.name}</strong>
			<span>{governor.does}</span>
		</div>
	{/if}
	<svg class="ways" width={WAY} {height} aria-hidden="true">
		{#each rows as row, i (row.id)}<path d={path(i)} class={row.state} />{/each}
	</svg>
	<ul
		style:min-height="{height}px"
		aria-label="Fed by {name}"
		use:dragHandleZone={{
			items: rows,
			type: 'fed',
			flipDurationMs: 0,
			autoAriaDisabled: true,
			dropTargetStyle: {},
			dropTargetClasses: ['drop']
		}}
		onconsider={(event) => (rows = event.detail.items)}
		onfinalize={(event) => dropped(event.detail.items)}
	>
		{#each rows as row (row.id)}
			<li class={row.state} style:height="{rowHeight}px">
				<span class="handle" use:dragHandle aria-label="Move {row.name} to another heat source"
					><Draggable size={20} /></span
				>
				<a href={row.href}>{row.name}</a>
				<span class="does">{row.does}</span>
				<span class="gets">{row.gets}</span>
			</li>
		{/each}
	</ul>
</div>

<style>
	.lane {
		display: grid;
		grid-template-columns: minmax(9rem, 13rem) auto minmax(9rem, 13rem) 90px minmax(0, 1fr);
		align-items: start;
		margin: 0.4rem 0 0.6rem;
	}
	/* without a governor the ways begin at the source */
	.lane:not(:has(.let)) {
		grid-template-columns: minmax(9rem, 13rem) 90px minmax(0, 1fr);
	}
	.box {
		display: grid;
		min-height: 64px;
		padding: 0.3rem 0.75rem;
		align-content: center;
		border: 1px solid var(--ink);
		background: var(--sheet);
		overflow-wrap: anywhere;
	}
	.box.waits {
		border: 2px solid var(--signal);
	}
	.box.waits span {
		color: var(--signal);
	}
	.let {
		width: 2.5rem;
		height: 4px;
		margin-top: 30px;
		background: var(--rule);
	}
	.let.runs {
		background: var(--held);
	}
	.let.waits {
		background: repeating-linear-gradient(90deg, var(--signal) 0 4px, transparent 4px 8px);
	}
	.ways {
		display: block;
		overflow: visible;
	}
	path {
		fill: none;
		stroke: var(--rule);
		stroke-width: 3;
	}
	path.runs {
		stroke: var(--held);
		stroke-width: 5;
	}
	path.waits {
		stroke: var(--signal);
		stroke-width: 4;
		stroke-dasharray: 2 6;
		stroke-linecap: round;
	}
	ul:global(.drop) {
		background: var(--faint);
		outline: 2px dashed var(--ink);
	}
	li {
		display: grid;
		grid-template-columns: 32px minmax(4rem, 1fr) 8.5rem 5.5rem;
		gap: 0.5rem;
		align-items: center;
		border-bottom: 1px solid var(--rule);
	}
	.handle {
		display: grid;
		place-items: center;
		width: 32px;
		height: 100%;
		color: var(--soft);
		cursor: grab;
	}
	li a {
		overflow: hidden;
		font-weight: 700;
		text-decoration: none;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	li a:hover {
		text-decoration: underline;
	}
	.does,
	.gets {
		font-size: var(--small);
	}
	li.waits .gets,
	li.waits .does {
		color: var(--signal);
		font-weight: 700;
	}
	li.rests {
		color: var(--soft);
	}
	@media (max-width: 860px) {
		.lane,
		.lane:not(:has(.let)) {
			grid-template-columns: minmax(0, 1fr);
		}
		.let {
			width: 4px;
			height: 1rem;
			margin: 0 0 0 1rem;
		}
		.ways {
			display: none;
		}
		li {
			min-height: 44px;
			grid-template-columns: 32px minmax(0, 1fr) auto;
			border-left: 5px solid var(--rule);
		}
		li.runs {
			border-left-color: var(--held);
		}
		li.waits {
			border-left-color: var(--signal);
		}
		.gets {
			display: none;
		}
	}
</style>
