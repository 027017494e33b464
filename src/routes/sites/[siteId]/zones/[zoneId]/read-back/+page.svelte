<script lang="ts">
	import { onMount } from 'svelte';
	import {
		explainReadBack,
		notesOfReading,
		readBackGroups,
		readBackProgress,
		readDisplayed,
		readingsOf,
		wordsThere,
		type ReadBackGroup
	} from '$core/keying';
	import { slipWords } from '$core/words';
	import { alikeDays } from '$lib/ui/keyin/readBackRows';
	import ReadDay from '$lib/ui/keyin/ReadDay.svelte';
	import { keyedNotesOf } from '$lib/ui/keyin/keyedNotes.svelte';
	import { live } from '$lib/ui/zone/live.svelte';
	import Button from '$lib/ui/kit/Button.svelte';

	let { data } = $props();

	// the page is made anew for each zone
	// svelte-ignore state_referenced_locally
	const notes = keyedNotesOf(
		`/api/v1/jobs/${data.site.id}/zones/${data.channels[0]!.id}/keyed`,
		data.stored.keyed,
		data.readAtMs
	);
	onMount(() => notes.resume());

	const name = $derived(data.channels.length > 1 ? data.box : data.zone.name);
	const { options } = $derived(data.channels[0]!);
	/** The groups of each channel; what is set once for the control is read once. */
	const ofChannels = $derived(
		data.channels.reduce<ReadBackGroup[][]>((all, { options, program }) => {
			const known = all.flat().map(({ section }) => section);
			const own = readBackGroups(data.profile, options, program, data.menu);
			return [...all, own.filter(({ section }) => !known.includes(section))];
		}, [])
	);
	const groups = $derived(ofChannels.flat());
	/** What was read from the display, field by field. */
	const readings = $derived(readingsOf(groups, notes.keyed));
	const progress = $derived(readBackProgress(groups, notes.keyed));
	$effect(() => {
		for (const { id, options, program } of data.channels)
			live.show(id, readBackProgress(readBackGroups(data.profile, options, program, data.menu), notes.keyed));
	});
	const slips = $derived(
		data.channels
			.flatMap(({ options, program }) => explainReadBack(data.profile, options, program, readings, data.menu))
			.filter((slip, i, all) => all.findIndex((one) => one.ids[0] === slip.ids[0]) === i)
	);
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

	function readIn(group: ReadBackGroup, field: Field, text: string) {
		delete refused[field.id];
		if (text.trim() === '') {
			note(group, field, null);
			return;
		}
		const read = readDisplayed(field, text, options, wordsThere(groups, field));
		if ('sentence' in read) refused[field.id] = { text, sentence: read.sentence };
		else note(group, field, read.value);
	}

	const sets = $derived(ofChannels.flatMap((one) => alikeDays(one)));
	/** On a phone one day (with those like it) is shown at a time. */
	let at = $state(0);
	const names = (set: readonly ReadBackGroup[]) => set.map((group) => group.section).join(', ');
</script>

<svelte:head><title>{name}, read back · Fond Quarter</title></svelte:head>

<main>
	<h1>{name}, read back</h1>
	<p class="lead" aria-live="polite">
		{#if slips.length === 0 && progress.read === progress.toRead}
			All of it was read back: the display shows what is planned.
		{:else if slips.length === 0}
			{progress.read === 0 ? '' : `${progress.read} of ${progress.toRead} read back. `}Step through the days
			at the control. Press "shows this" where the display agrees; type over what it shows otherwise.
		{:else}
			<span class="signal">{slips.length === 1 ? 'One slip' : `${slips.length} slips`}</span>, {wrong}
			{wrong === 1 ? 'value' : 'values'} to key again:
			<a href="/sites/{data.site.id}/zones/{data.zone.id}/key-in">the short card</a>
		{/if}
	</p>
	{#if slips.length > 0}
		<ul class="slips">
			{#each slips as slip (slip.ids[0])}<li>{slipWords(slip)}</li>{/each}
		</ul>
	{/if}

	<div class="turn">
		<Button disabled={at === 0} onclick={() => at--}>Back</Button>
		<span role="status">{names(sets[at] ?? [])}, {at + 1} of {sets.length}</span>
		<Button disabled={at >= sets.length - 1} onclick={() => at++}>Next</Button>
	</div>
	<div class="groups">
		{#each sets as set, s (set[0]!.section)}
			<div class="set" class:here={s === at}>
				{#each set as group, i (group.section)}
					<ReadDay
						{group}
						like={i === 0 ? null : set[0]!.section}
						{readings}
						{refused}
						ontick={() => tick(group)}
						onread={(field, text) => readIn(group, field, text)}
					/>
				{/each}
			</div>
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
		grid-template-columns: repeat(auto-fill, minmax(min(22rem, 100%), 1fr));
		gap: 1rem 2.5rem;
		margin-top: 1rem;
	}
	.set {
		display: grid;
		gap: 0.75rem;
		align-content: start;
	}
	.turn {
		display: none;
	}
	@media (max-width: 860px) {
		.turn {
			display: flex;
			flex-wrap: wrap;
			gap: 0.75rem;
			align-items: center;
			justify-content: space-between;
			margin-top: 0.75rem;
		}
		.set:not(.here) {
			display: none;
		}
	}
</style>
