<script lang="ts">
	import type { ReadBackGroup, Readings } from '$core/keying';
	import Button from '../kit/Button.svelte';
	import Field from '../kit/Field.svelte';
	import { readBackRows } from './readBackRows';

	let {
		group,
		like,
		readings,
		isRead: read,
		refused,
		ontick,
		onread
	}: {
		group: ReadBackGroup;
		/** The day above that shows the very same; null where this is the first of its kind. */
		like: string | null;
		readings: Readings;
		/** Whether all of it was read as planned. */
		isRead: boolean;
		/** What was typed and not taken, by field. */
		refused: Readonly<Record<string, { readonly text: string; readonly sentence: string }>>;
		/** The display shows all of it as planned. */
		ontick: () => void;
		onread: (field: ReadBackGroup['fields'][number], text: string) => void;
	} = $props();

	let opened = $state(false);
	let spares = $state(false);
	const rows = $derived(readBackRows(group));
	const spare = $derived(rows.filter((row) => row.spare));
	const wrong = $derived(
		group.fields.some(({ id, shows }) => refused[id] !== undefined || (readings[id] ?? shows) !== shows)
	);
	const open = $derived(like === null || opened || wrong);
	const shown = $derived(spares || wrong ? rows : rows.filter((row) => !row.spare));

	function problemOf({ id, shows, unit }: ReadBackGroup['fields'][number]): string | null {
		if (refused[id]) return refused[id].sentence;
		return (readings[id] ?? shows) === shows ? null : `must show ${shows}${unit}`;
	}
</script>

<section aria-label={group.section}>
	<div class="head">
		<h2>
			{group.section}
			{#if like !== null}<span class="soft">as {like}</span>{/if}
		</h2>
		{#if like !== null && !open}
			<Button kind="quiet" onclick={() => (opened = true)}
				>Shows something else<span class="out-of-sight">, {group.section}</span></Button
			>
		{/if}
		<Button aria-pressed={read} onclick={ontick}>{read ? 'as planned' : 'shows this'}</Button>
	</div>
	{#if open}
		{#each shown as row (row.name)}
			<div class="row" class:read={row.fields.every((field) => readings[field.id] === field.shows)}>
				<span class="soft">{row.name}</span>
				{#each row.fields as field (field.id)}
					<Field
						small
						hideLabel
						label="{group.section}, {field.what}"
						autocomplete="off"
						value={refused[field.id]?.text ?? readings[field.id] ?? field.shows}
						problem={problemOf(field)}
						onchange={(text) => onread(field, text)}
					/>
					{#if field.unit}<span class="soft">{field.unit}</span>{/if}
				{/each}
			</div>
		{/each}
		{#if spare.length > 0 && !spares && !wrong}
			<p class="spare soft">
				{spare.length === 1 ? '1 unused step shows' : `${spare.length} unused steps show`} --:--
				<Button kind="quiet" small onclick={() => (spares = true)}>Show them</Button>
			</p>
		{/if}
	{/if}
</section>

<style>
	.head {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
		padding-bottom: 0.3rem;
		border-bottom: 2px solid var(--ink);
	}
	h2 {
		flex: 1;
		font-size: 1.05rem;
	}
	h2 .soft {
		font-weight: 400;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 0.25rem 0.5rem;
		align-items: center;
		min-height: 46px;
		border-bottom: 1px solid var(--rule);
	}
	.row > .soft:first-child {
		flex: 1 1 4.5rem;
	}
	.row :global(.bx--text-input-wrapper) {
		flex: 0 1 6.5rem;
		width: 6.5rem;
		max-width: 100%;
	}
	.row :global(input) {
		border-color: transparent;
		background: transparent;
		font-family: var(--mono);
		font-size: 1.05rem;
		text-align: right;
	}
	.row :global(input:hover),
	.row :global(input:focus),
	.row :global(input[aria-invalid]) {
		border-color: var(--rule);
		background: var(--sheet);
	}
	/* the field is as narrow as what a display shows; the sentence under it says what is wrong */
	.row :global(.bx--text-input__invalid-icon) {
		display: none;
	}
	.row :global(.bx--text-input__field-wrapper input) {
		padding-right: 0.9rem;
	}
	.row.read :global(input) {
		color: var(--held);
	}
	.row :global(input[aria-invalid]) {
		color: var(--signal);
		font-weight: 700;
	}
	.spare {
		padding: 0.3rem 0;
	}
</style>
