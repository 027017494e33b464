<script lang="ts">
	import { onMount } from 'svelte';
	import Headline from '$lib/ui/kit/Headline.svelte';
	import {
		explainReadBack,
		groupsToRead,
		isRead,
		machineOptions,
		noteOfReading,
		pagingKeys,
		readBackGroups,
		readBackProgress,
		readDisplayed,
		readingsOf,
		replayed,
		notesAt,
		wordsThere,
		type ReadBackGroup
	} from '$core/keying';
	import { CANNOT_SHOW, slipWords } from '$core/words';
	import { alikeDays } from '$lib/ui/keyin/readBackRows';
	import { notesOf } from '$lib/ui/keyin/controlNotes.svelte';
	import { sendWaiting } from '$lib/ui/outbox/outbox.svelte';
	import Paging from '$lib/ui/keyin/Paging.svelte';
	import ReadDay from '$lib/ui/keyin/ReadDay.svelte';
	import { live } from '$lib/ui/zone/live.svelte';
	import Button from '$lib/ui/kit/Button.svelte';

	let { data } = $props();

	// the page is made anew for each zone
	// svelte-ignore state_referenced_locally
	const notes = notesOf(data.site.id, data.channels[0]!.id, data.profile, data.notes, data.readAtMs);
	onMount(() => sendWaiting(data.site.id));

	const name = $derived(data.channels.length > 1 ? data.box : data.zone.name);
	const { channels, grouping, menu } = $derived(data.hold);
	const { options } = $derived(channels[0]!);
	const planned = $derived(machineOptions(data.profile, options, grouping));
	const replay = $derived(replayed(data.profile, notesAt(data.profile, notes.notes), planned));
	/** The groups of each channel; what is set once for the control is read once. */
	const groups = $derived(groupsToRead(data.profile, data.hold));
	/** What was read from the display, field by field. */
	const readings = $derived(readingsOf(data.profile, groups, replay));
	const progress = $derived(readBackProgress(data.profile, groups, replay));
	$effect(() => {
		for (const [i, { id }] of data.channels.entries()) {
			const own = readBackGroups(data.profile, channels[i]!.options, channels[i]!.program, menu);
			live.show(id, readBackProgress(data.profile, own, replay));
		}
	});
	const slips = $derived(
		channels
			.flatMap((of) => explainReadBack(data.profile, of.options, of.program, readings, menu))
			.filter((slip, i, all) => all.findIndex((one) => one.ids[0] === slip.ids[0]) === i)
	);
	const wrong = $derived(slips.reduce((sum, slip) => sum + slip.ids.length, 0));
	/** Why what was typed in a field was not taken, by field; it stays there to be mended. */
	let refused = $state<Record<string, { text: string; sentence: string }>>({});

	type Field = ReadBackGroup['fields'][number];
	function note(field: Field, value: string | null) {
		const made = noteOfReading(data.profile, replay.known.memory.options, field, value);
		if (made) notes.note(made);
		return made !== null;
	}

	function tick(group: ReadBackGroup) {
		for (const field of group.fields) delete refused[field.id];
		notes.note({ what: 'read', goals: group.fields.map(({ goal }) => goal) });
	}

	function readIn(field: Field, text: string) {
		delete refused[field.id];
		if (text.trim() === '') {
			note(field, null);
			return;
		}
		const read = readDisplayed(field, text, options, wordsThere(groups, field));
		if ('sentence' in read) refused[field.id] = { text, sentence: read.sentence };
		else if (!note(field, read.value)) refused[field.id] = { text, sentence: CANNOT_SHOW };
	}

	const sets = $derived(alikeDays(groups));
	/** On a phone one day (with those like it) is shown at a time. */
	let at = $state(0);
	const names = (set: readonly ReadBackGroup[]) => set.map((group) => group.section).join(', ');
</script>

<main>
	<Headline of="{name}, read back" bad={slips.length > 0}>
		{slips.length > 0
			? `${slips.length === 1 ? '1 slip' : `${slips.length} slips`}, ${wrong} ${wrong === 1 ? 'value' : 'values'} to key in again`
			: `${progress.read} of ${progress.toRead} read back`}
	</Headline>
	<p class="lead">
		{#if slips.length > 0}
			<Button kind="next" href="/sites/{data.site.id}/zones/{data.zone.id}/key-in">The short card</Button>
		{:else if progress.read === progress.toRead}
			The display shows what is planned.
		{:else}
			Step through the days at the control. Press "shows this" where the display agrees; type over what
			differs.
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
				<Paging
					profile={data.profile}
					group={set[0]!}
					keys={pagingKeys(data.profile, replay.known, set[0]!)}
				/>
				{#each set as group, i (group.section)}
					<ReadDay
						{group}
						like={i === 0 ? null : set[0]!.section}
						{readings}
						isRead={isRead(data.profile, group, replay)}
						{refused}
						ontick={() => tick(group)}
						onread={readIn}
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
