<script lang="ts">
	import { dwellingsOf } from '$core/plan';
	import { call } from '../call';
	import Button from '../kit/Button.svelte';
	import Dialog from '../kit/Dialog.svelte';
	import Field from '../kit/Field.svelte';
	import Problem from '../kit/Problem.svelte';
	import { refresh } from '../refresh';
	import type { BoardZone } from './BoardTable.svelte';

	let {
		siteId,
		row,
		zones,
		onclose
	}: { siteId: string; row: BoardZone; zones: readonly BoardZone[]; onclose: () => void } = $props();

	// what was opened
	// svelte-ignore state_referenced_locally
	let name = $state(row.name);
	// svelte-ignore state_referenced_locally
	let dwelling = $state(row.document.dwelling);
	// svelte-ignore state_referenced_locally
	let type = $state(row.document.type);
	let problem = $state<string | null>(null);
	const named = $derived(dwellingsOf(zones.map(({ document }) => document)).filter(Boolean));

	/** The zones of a dwelling that is there already: a room that moves in is one of its type. */
	const thereOf = (name: string) =>
		zones.filter(({ id, document }) => id !== row.id && name !== '' && document.dwelling === name);
	function move(to: string) {
		type = thereOf(to.trim())[0]?.document.type ?? type;
	}

	/** Saved on the revision on screen: a zone changed in another window meanwhile is not overwritten. A type is that of the whole dwelling. */
	async function save(event: SubmitEvent) {
		event.preventDefault();
		const to = dwelling.trim();
		const typed = to === '' ? '' : type.trim();
		const changes = [
			{
				id: row.id,
				revision: row.revision,
				zone: { ...row.document, name: name.trim(), dwelling: to, type: typed }
			},
			...thereOf(to)
				.filter(({ document }) => document.type !== typed)
				.map(({ id, revision, document }) => ({ id, revision, zone: { ...document, type: typed } }))
		];
		const answer = await call('POST', `/api/v1/jobs/${siteId}/zones/apply`, { changes });
		problem = answer.ok ? null : answer.sentence;
		await refresh('fq:site');
		if (answer.ok) onclose();
	}
</script>

<Dialog heading="Name and dwelling of {row.name}" focus="input" open {onclose}>
	<form onsubmit={save}>
		<Field label="New name of {row.name}" maxlength={80} required bind:value={name} />
		<Field
			label="Its dwelling"
			placeholder="Flat 2; empty: the house itself"
			maxlength={80}
			help="A link and a sheet show the rooms of one dwelling, and no other's.{named.length > 0
				? ` Named here: ${named.join(', ')}.`
				: ''}"
			oninput={move}
			bind:value={dwelling}
		/>
		{#if dwelling.trim() !== ''}
			<Field
				label="Its type"
				placeholder="Flat A; empty: it is no one's like"
				maxlength={80}
				help="Rooms called alike in dwellings of one type are planned together."
				bind:value={type}
			/>
		{/if}
		<Problem sentence={problem} onclose={() => (problem = null)} />
		<Button kind="next" type="submit">Save</Button>
	</form>
</Dialog>

<style>
	form {
		display: grid;
		gap: 0.9rem;
		justify-items: start;
	}
</style>
