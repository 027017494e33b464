<script lang="ts" module>
	import type { Zone } from '$core/plan';

	interface Said {
		readonly words: string;
		readonly bad: boolean;
	}

	/** A zone as a row of the board. */
	export interface BoardZone {
		readonly id: string;
		readonly name: string;
		readonly boxId: string;
		readonly control: string;
		readonly revision: number;
		readonly isSwitch: boolean;
		/** Whether nobody has drawn its week yet. */
		readonly undrawn: boolean;
		readonly wanted: readonly { at: number; level: string }[];
		readonly levels: readonly { id: string; setpointC: number }[];
		readonly document: Zone;
		readonly summary: {
			readonly left: number;
			readonly presses: number;
			readonly read: number;
			readonly toRead: number;
			readonly coldMinutes: number;
			readonly warmMinutes: number;
		};
		readonly clock: Said;
		readonly away: Said;
		readonly proof: string;
	}
</script>

<script lang="ts">
	import {
		OverflowMenu,
		OverflowMenuItem,
		Table,
		TableHead,
		TableHeader,
		TableRow
	} from 'carbon-components-svelte';
	import Draggable from 'carbon-icons-svelte/lib/Draggable.svelte';
	import { dragHandle, dragHandleZone } from 'svelte-dnd-action';
	import { fitWords, leftWords, NOT_DRAWN } from '$core/words';
	import Button from '../kit/Button.svelte';
	import { foldedUnder } from './folding';
	import MiniWeek from './MiniWeek.svelte';

	let {
		siteId,
		zones,
		nextId,
		onorder,
		onrename,
		oncopy,
		onremove
	}: {
		siteId: string;
		zones: readonly BoardZone[];
		/** The zone whose cell is the next to be worked on. */
		nextId: string | null;
		onorder: (ids: string[]) => Promise<void>;
		onrename: (zone: BoardZone) => void;
		oncopy: (zone: BoardZone) => void;
		onremove: (zone: BoardZone) => void;
	} = $props();

	/** The rows as they stand while one is dragged. */
	let rows = $derived([...zones]);

	const HEAD = ['Zone', 'The week', 'Clock', 'Fit', 'Away', 'Key in', 'Read back', 'Hand over'];

	const lifeOf = (zone: BoardZone) => JSON.stringify([zone.wanted, zone.levels, zone.control]);
	/** For each zone the name of the one just above that lives the very same week. */
	const sameAs = $derived(
		rows.map((row, i) => {
			const before = rows[i - 1];
			return before && lifeOf(before) === lifeOf(row) ? before.name : null;
		})
	);

	let unfolded = $state.raw<readonly string[]>([]);
	const isAlarming = (row: BoardZone) =>
		row.clock.bad || row.away.bad || row.undrawn || row.summary.coldMinutes > 0;
	const folded = $derived(
		foldedUnder(rows.map((row) => ({ id: row.id, life: lifeOf(row), alarms: isAlarming(row) })))
	);
	const hidden = $derived(
		new Set(Object.entries(folded).flatMap(([id, all]) => (unfolded.includes(id) ? [] : all)))
	);
	const leftOf = (all: readonly BoardZone[]) =>
		leftWords({
			left: all.reduce((sum, { summary }) => sum + summary.left, 0),
			presses: all.reduce((sum, { summary }) => sum + summary.presses, 0)
		});

	/** For each zone the first one on its control, which has said their clock. */
	const clockOf = $derived(
		rows.map((row, i) => rows.find((one) => one.boxId === row.boxId && rows.indexOf(one) < i)?.name ?? null)
	);

	async function move(row: BoardZone, by: 1 | -1) {
		const order = rows.map((zone) => zone.id);
		const from = order.indexOf(row.id);
		const to = from + by;
		if (to < 0 || to >= order.length) return;
		order.splice(to, 0, ...order.splice(from, 1));
		await onorder(order);
		document.getElementById(`zone-${row.id}`)?.focus();
	}

	function rowKeys(event: KeyboardEvent, row: BoardZone) {
		if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
		event.preventDefault();
		void move(row, event.key === 'ArrowUp' ? -1 : 1);
	}
</script>

<div class="board">
	<Table>
		<TableHead>
			<TableRow>
				<TableHeader><span class="out-of-sight">Order</span></TableHeader>
				{#each HEAD as name, i (name)}
					<TableHeader class={i === 0 || i === 3 || i === 5 ? '' : 'when-wide'}>{name}</TableHeader>
				{/each}
				<TableHeader><span class="out-of-sight">More</span></TableHeader>
			</TableRow>
		</TableHead>
		<tbody
			use:dragHandleZone={{ items: rows, flipDurationMs: 0, autoAriaDisabled: true, dropTargetStyle: {} }}
			onconsider={(event) => (rows = event.detail.items)}
			onfinalize={(event) => {
				rows = event.detail.items;
				void onorder(rows.map((row) => row.id));
			}}
		>
			{#each rows as row, i (row.id)}
				{@const base = `/sites/${siteId}/zones/${row.id}`}
				<tr hidden={hidden.has(row.id)}>
					<td class="handle">
						<div use:dragHandle aria-label="Move {row.name}: Enter, then the arrows">
							<Draggable size={20} />
						</div>
					</td>
					<th scope="row">
						<a id="zone-{row.id}" href="{base}/week" onkeydown={(event) => rowKeys(event, row)}>
							<span class="name">{row.name}</span>
							<span class="soft">{row.control.toLowerCase()}</span>
						</a>
						{#if folded[row.id]}
							{@const alike = rows.filter(({ id }) => folded[row.id]!.includes(id))}
							{@const isOpen = unfolded.includes(row.id)}
							<Button
								kind="quiet"
								small
								aria-expanded={isOpen}
								onclick={() =>
									(unfolded = isOpen ? unfolded.filter((id) => id !== row.id) : [...unfolded, row.id])}
								>{isOpen ? 'Fold' : `${alike.length} more alike, ${leftOf(alike)}`}</Button
							>
						{/if}
					</th>
					<td class="when-wide drawn">
						<a href="{base}/week" aria-label="Week of {row.name}">
							<MiniWeek wanted={row.wanted} levels={row.levels} />
							{#if sameAs[i]}<span class="soft">as {sameAs[i]}</span>{/if}
						</a>
					</td>
					<td class="when-wide">
						<a href="{base}/clock" class:signal={row.clock.bad && !clockOf[i]}
							>{clockOf[i] ? `as ${clockOf[i]}` : row.clock.words}</a
						>
					</td>
					<td>
						<a href="{base}/week" class:signal={row.undrawn || row.summary.coldMinutes > 0}
							>{row.undrawn ? NOT_DRAWN : fitWords(row.summary, row.isSwitch)}</a
						>
						{#if row.clock.bad && !clockOf[i]}<a class="signal when-narrow" href="{base}/clock"
								>Clock {row.clock.words}</a
							>{/if}
						{#if row.away.bad}<a class="signal when-narrow" href="{base}/away">{row.away.words}</a>{/if}
					</td>
					<td class="when-wide"><a href="{base}/away" class:signal={row.away.bad}>{row.away.words}</a></td>
					<td class="count" class:now={nextId === row.id}
						><a href="{base}/key-in">{leftWords(row.summary)}</a></td
					>
					<td class="when-wide count">
						<a href="{base}/read-back">{row.summary.read} of {row.summary.toRead}</a>
					</td>
					<td class="when-wide">
						<a href="{base}/hand-over">{row.summary.left === 0 ? 'ready' : '–'}</a>
					</td>
					<td class="more">
						<OverflowMenu flipped aria-label="More for {row.name}" iconDescription="More for {row.name}">
							<OverflowMenuItem text="Rename" on:click={() => onrename(row)} />
							<OverflowMenuItem text="Copy" on:click={() => oncopy(row)} />
							<OverflowMenuItem text="Move up" disabled={i === 0} on:click={() => move(row, -1)} />
							<OverflowMenuItem
								text="Move down"
								disabled={i === rows.length - 1}
								on:click={() => move(row, 1)}
							/>
							<OverflowMenuItem danger text="Remove" on:click={() => onremove(row)} />
						</OverflowMenu>
					</td>
				</tr>
			{/each}
		</tbody>
	</Table>
</div>

<style>
	.board {
		margin-top: 1rem;
		/* what only who does not see it hears stays within */
		position: relative;
		overflow-x: auto;
	}
	.board :global(tbody td),
	.board :global(tbody th) {
		padding: 0;
		vertical-align: middle;
	}
	tr:hover :global(td),
	tr:hover :global(th) {
		background: var(--faint);
	}
	th {
		font-weight: 400;
		text-align: left;
	}
	a {
		display: block;
		min-height: 44px;
		padding: 0.6rem;
		overflow-wrap: anywhere;
		text-decoration: none;
	}
	td a:hover {
		text-decoration: underline;
	}
	.name {
		display: block;
		font-size: 1.05rem;
		font-weight: 700;
	}
	.count {
		white-space: nowrap;
	}
	.handle {
		width: 44px;
	}
	.handle div {
		display: grid;
		place-items: center;
		width: 44px;
		height: 44px;
		color: var(--soft);
		cursor: grab;
	}
	.board :global(td.now) {
		background: var(--sheet);
		outline: 2px solid var(--ink);
		outline-offset: -2px;
	}
	.more {
		width: 52px;
	}
	.when-narrow {
		display: none;
	}
	/* a usual word whole, where there is room for it */
	@media (min-width: 701px) {
		.name {
			min-width: 7rem;
		}
	}
	@media (max-width: 700px) {
		.when-narrow {
			display: block;
			padding: 0.2rem 0.6rem 0.5rem;
		}
		.handle,
		.when-wide,
		.board :global(th.when-wide),
		.board :global(thead th:first-child) {
			display: none;
		}
	}
</style>
