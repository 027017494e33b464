<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import Headline from '$lib/ui/kit/Headline.svelte';
	import { allowedOptions, type ControlProfile } from '$core/control';
	import { dateWords, localTime, wallAt } from '$core/civil';
	import { joinReadings, type ClockReading, type Zone } from '$core/plan';
	import ClockRow from '$lib/ui/run/ClockRow.svelte';
	import { RightTime } from '$lib/ui/run/now.svelte';
	import { sendWaiting } from '$lib/ui/outbox/outbox.svelte';
	import { onSiteNotesOf } from '$lib/ui/visit/onSiteNotes.svelte';
	import { leadsOf, onBoxOf } from '$lib/ui/zone/boxes';
	import { clockChanges, summerTimeSentences, clockStanding } from '$core/words';

	let { data } = $props();

	// svelte-ignore state_referenced_locally
	const time = new RightTime(data.nowMs);
	// svelte-ignore state_referenced_locally
	const onSiteNotes = onSiteNotesOf(data.site.id, data.noted, data);
	onMount(() => sendWaiting(data.site.id));
	$effect(() => {
		const { noted, readAtMs } = data;
		untrack(() => onSiteNotes.refresh(noted, { readAtMs }));
	});
	const timeZone = $derived(data.site.timeZone);
	const profileOf = (zone: Zone): ControlProfile =>
		data.profiles.find((profile) => profile.id === zone.control) ?? data.profiles[0]!;
	/** A clock a row: a control has one, however many zones hang on it. */
	const leads = $derived(leadsOf(data.zones));
	const rows = $derived(
		data.zones
			.filter(({ id }) => leads[id] === id)
			.map((row) => {
				const profile = profileOf(row.document);
				const readings = joinReadings(row.document.clockReadings, onSiteNotes.of(row.id).clockReadings);
				return {
					...row,
					name: onBoxOf(data.zones, row.boxId).length > 1 ? row.box : row.name,
					clock: clockStanding({ ...row.document, clockReadings: readings }, profile, timeZone, data.nowMs),
					profile,
					options: allowedOptions(profile, row.document.options),
					hasClock: profile.habits.clock.summerTime !== 'no-clock',
					doneAt: readings.at(-1)?.at ?? null
				};
			})
	);
	const clocks = $derived(rows.filter((row) => row.hasClock));
	/** Looked at since midnight at the site: that is this round. */
	const today = $derived(localTime(wallAt(timeZone, time.ms)).slice(0, 10));
	const isDone = (doneAt: string | null) =>
		doneAt !== null && localTime(wallAt(timeZone, Date.parse(doneAt))).startsWith(today);
	const done = $derived(clocks.filter((row) => isDone(row.doneAt)).length);
	const next = $derived(clocks.find((row) => !isDone(row.doneAt)));
	const byHand = $derived(clocks.filter((row) => row.profile.habits.clock.summerTime === 'by-hand'));
	const change = $derived(
		byHand[0] ? clockChanges(byHand[0].profile, byHand[0].options, timeZone, data.nowMs, 1)[0] : null
	);

	let open = $state<string | null>(null);
	const current = $derived(open ?? next?.id ?? null);
	let problem = $state<string | null>(null);

	function note(row: (typeof rows)[number], reading: ClockReading) {
		problem = onSiteNotes.look(row.id, reading);
		if (problem !== null) return;
		open = null;
	}
</script>

<main>
	<Headline of="{data.site.name}: all clocks">
		{clocks.length === 0
			? 'No control here has a clock'
			: next
				? `${done} of ${clocks.length} checked today. Next: ${next.name}`
				: `All ${clocks.length} clocks checked today`}
	</Headline>
	{#if change && byHand.length > 0}
		<p class="lead">
			{byHand.length}
			{byHand.length === 1 ? 'clock' : 'clocks'} to change by hand on {change.date}.
		</p>
	{/if}
	<p class="soft">
		{dateWords(today)} · {summerTimeSentences(
			timeZone,
			{ clock: '24' },
			new Date(data.nowMs).getUTCFullYear()
		).join(' ')}
	</p>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	<ul>
		{#each rows as row (row.id)}
			<ClockRow
				{row}
				{time}
				{timeZone}
				current={current === row.id}
				done={isDone(row.doneAt)}
				href="/sites/{data.site.id}/zones/{row.id}/clock"
				onopen={() => (open = row.id)}
				onnote={(reading) => note(row, reading)}
				onproblem={(words) => (problem = words)}
			/>
		{/each}
	</ul>
</main>

<style>
	main {
		max-width: 62rem;
	}
	ul {
		margin: 1rem 0 0;
		border-top: 2px solid var(--ink);
	}
</style>
