<script lang="ts">
	import { onMount } from 'svelte';
	import {
		explainReadBack,
		isRead,
		notesOfReading,
		readBackGroups,
		readBackProgress,
		readDisplayed,
		readingsOf,
		wordsThere,
		type ReadBackGroup
	} from '$core/keying';
	import { keyedNotesOf } from '$lib/ui/keyin/keyedNotes.svelte';
	import { live } from '$lib/ui/zone/live.svelte';

	let { data } = $props();

	// the page is made anew for each zone
	// svelte-ignore state_referenced_locally
	const notes = keyedNotesOf(
		`/api/v1/jobs/${data.site.id}/zones/${data.zone.id}/keyed`,
		data.stored.keyed,
		data.readAtMs
	);
	onMount(() => notes.resume());

	const groups = $derived(readBackGroups(data.profile, data.options, data.program));
	/** What was read from the display, field by field. */
	const readings = $derived(readingsOf(groups, notes.keyed));
	const progress = $derived(readBackProgress(groups, notes.keyed));
	$effect(() => live.show(data.zone.id, progress));
	const slips = $derived(explainReadBack(data.profile, data.options, data.program, readings));
	const wrong = $derived(slips.reduce((sum, slip) => sum + slip.ids.length, 0));
	/** Why what was typed in a field was not taken, by field; it stays there to be mended. */
	let refused = $state<Record<string, { text: string; sentence: string }>>({});

	type Field = ReadBackGroup['fields'][number];
	function note(group: ReadBackGroup, field: Field, value: string | null) {
		const { correctsSingly } = data.profile.keying;
		for (const [id, shown] of Object.entries(
			notesOfReading(group, field, value, notes.keyed, correctsSingly)
		))
			notes.note(id, shown);
	}

	function tick(group: ReadBackGroup) {
		for (const field of group.fields) {
			delete refused[field.id];
			note(group, field, field.shows);
		}
	}

	function readIn(group: ReadBackGroup, field: Field, input: HTMLInputElement) {
		delete refused[field.id];
		if (input.value.trim() === '') {
			note(group, field, null);
			return;
		}
		const read = readDisplayed(field, input.value, data.options, wordsThere(groups, field));
		if ('sentence' in read) refused[field.id] = { text: input.value, sentence: read.sentence };
		else note(group, field, read.value);
	}
</script>

<svelte:head><title>{data.zone.name}, read back · Fond Quarter</title></svelte:head>

<main>
	<h1>{data.zone.name}, read back</h1>
	<p class="lead" aria-live="polite">
		{#if slips.length === 0 && progress.read === progress.toRead}
			All of it was read back: the display shows what is planned.
		{:else if slips.length === 0}
			{progress.read === 0 ? '' : `${progress.read} of ${progress.toRead} read back. `}Step through the days
			at the control. Tick a day that shows this; type over what shows otherwise.
		{:else}
			<span class="signal">{slips.length === 1 ? 'One slip' : `${slips.length} slips`}</span>, {wrong}
			{wrong === 1 ? 'value' : 'values'} to key again:
			<a href="/sites/{data.site.id}/zones/{data.zone.id}/key-in">the short card</a>
		{/if}
	</p>
	{#if slips.length > 0}
		<ul class="slips">
			{#each slips as slip (slip.ids[0])}<li>{slip.sentence}</li>{/each}
		</ul>
	{/if}

	<div class="groups" class:strips={data.program.form === 'slots'}>
		{#each groups as group (group.section)}
			<section aria-label={group.section}>
				<div class="head">
					<h2>{group.section}</h2>
					<button class="quiet" aria-pressed={isRead(group, readings)} onclick={() => tick(group)}>
						{isRead(group, readings) ? 'as planned' : 'shows this'}
					</button>
				</div>
				<div class="fields">
					{#each group.fields as field (field.id)}
						<label
							class:wrong={refused[field.id] !== undefined ||
								(readings[field.id] ?? field.shows) !== field.shows}
							class:read={readings[field.id] === field.shows}
						>
							<span class="soft">{field.what}</span>
							<input
								class="mono"
								aria-label="{group.section}, {field.what}"
								value={refused[field.id]?.text ?? readings[field.id] ?? field.shows}
								onchange={(event) => readIn(group, field, event.currentTarget)}
							/>
							{#if refused[field.id]}
								<span class="signal" role="alert">{refused[field.id]!.sentence}</span>
							{:else if (readings[field.id] ?? field.shows) !== field.shows}
								<span class="signal">must show {field.shows}{field.unit}</span>
							{/if}
						</label>
					{/each}
				</div>
			</section>
		{/each}
	</div>
</main>

<style>
	.slips {
		margin: 0.6rem 0 0;
		padding: 0.6rem 0.9rem;
		list-style: none;
		border-left: 4px solid var(--signal);
		background: var(--sheet);
	}
	.slips li + li {
		margin-top: 0.3rem;
	}
	.groups {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(17rem, 100%), 1fr));
		gap: 1rem 2rem;
		margin-top: 1rem;
	}
	.head {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 0.5rem;
		border-bottom: 2px solid var(--ink);
		padding-bottom: 0.3rem;
	}
	h2 {
		font-size: 1rem;
	}
	label {
		display: grid;
		grid-template-columns: minmax(0, 1fr) min(7rem, 45%);
		gap: 0 0.75rem;
		align-items: center;
		border-bottom: 1px solid var(--rule);
		min-height: 44px;
	}
	label .signal {
		grid-column: 1 / -1;
		padding-bottom: 0.3rem;
	}
	input {
		min-height: 40px;
		padding: 0 0.5rem;
		border: 1px solid transparent;
		border-radius: 3px;
		background: none;
		color: inherit;
		font-size: 1.05rem;
		text-align: right;
	}
	input:hover,
	input:focus {
		border-color: var(--rule);
		background: var(--sheet);
	}
	.read input {
		color: var(--held);
	}
	.wrong input {
		color: var(--signal);
		font-weight: 700;
		border-color: var(--signal);
	}
</style>
