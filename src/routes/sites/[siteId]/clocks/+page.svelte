<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { allowedOptions, type ControlProfile } from '$core/control';
	import { dateWords, localTime, wallAt } from '$core/civil';
	import { joinReadings, type ClockReading, type Zone } from '$core/plan';
	import { clockValues } from '$core/run';
	import { RightTime } from '$lib/ui/run/now.svelte';
	import { readClock } from '$lib/ui/run/readClock';
	import { outboxOf } from '$lib/ui/visit/outbox.svelte';
	import Checkmark from 'carbon-icons-svelte/lib/Checkmark.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import { clockChanges, summerTimeSentences, clockStanding } from '$core/words';

	let { data } = $props();

	// svelte-ignore state_referenced_locally
	const time = new RightTime(data.nowMs);
	// svelte-ignore state_referenced_locally
	const outbox = outboxOf(data.site.id, data.noted, data);
	onMount(() => outbox.resume());
	$effect(() => {
		const { noted, readAtMs } = data;
		untrack(() => outbox.refresh(noted, { readAtMs }));
	});
	const timeZone = $derived(data.site.timeZone);
	const profileOf = (zone: Zone): ControlProfile =>
		data.profiles.find((profile) => profile.id === zone.control) ?? data.profiles[0]!;
	const rows = $derived(
		data.zones.map((row) => {
			const profile = profileOf(row.document);
			const readings = joinReadings(row.document.clockReadings, outbox.of(row.id).clockReadings);
			return {
				...row,
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
	let shows = $state('');
	let problem = $state<string | null>(null);

	function note(row: (typeof rows)[number], reading: ClockReading) {
		problem = outbox.look(row.id, reading);
		if (problem !== null) return;
		open = null;
		shows = '';
	}
	const plain = (set: boolean): ClockReading => ({
		at: new Date(time.ms).toISOString(),
		errorSeconds: 0,
		daysAhead: 0,
		set,
		lost: false
	});
	function typed(event: SubmitEvent, row: (typeof rows)[number]) {
		event.preventDefault();
		const read = readClock({ shows, day: null, set: true }, timeZone, time.ms);
		if (typeof read === 'string') problem = read;
		else note(row, read);
	}
</script>

<svelte:head><title>{data.site.name}, the clocks · Fond Quarter</title></svelte:head>

<main>
	<h1>{data.site.name}: all clocks</h1>
	<p class="lead">
		{#if clocks.length === 0}
			No control here has a clock.
		{:else if next}
			{done} of {clocks.length} looked at today. Next: <strong>{next.name}</strong>.
		{:else}
			All {clocks.length} clocks looked at today.
		{/if}
		{#if change && byHand.length > 0}
			{byHand.length === 1 ? 'One waits' : `${byHand.length} wait`} for a hand on {change.date}.
		{/if}
	</p>
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
			{@const values = clockValues(row.profile, row.options, timeZone, time.ms)}
			<li class:current={current === row.id}>
				<Button
					kind="quiet"
					class="head"
					disabled={!row.hasClock}
					aria-expanded={current === row.id}
					onclick={() => (open = row.id)}
				>
					<span>
						<span class="name">{row.name}</span>
						<span class="soft">{row.control.toLowerCase()}</span>
					</span>
					<span class="state" class:signal={row.clock.bad}>{row.clock.words}</span>
					<span class="tick"
						>{#if isDone(row.doneAt)}<Checkmark size={20} aria-label="done" />{/if}</span
					>
				</Button>
				{#if current === row.id && row.hasClock}
					<div class="now">
						<p class="value">{values.time}</p>
						<p>
							day <strong class="mono">{values.day}</strong> · {values.date}<br />
							<span class="soft">{row.profile.habits.clock.how}</span>
						</p>
						<div class="keys">
							<Button kind="next" onclick={() => note(row, plain(true))}>I have set it</Button>
							<Button onclick={() => note(row, plain(false))}>It was right</Button>
							<form onsubmit={(event) => typed(event, row)}>
								<Field label="It showed" placeholder="06:30" autocomplete="off" bind:value={shows} />
								<Button type="submit" disabled={shows.trim() === ''}>and I set it</Button>
							</form>
						</div>
						<p><a href="/sites/{data.site.id}/zones/{row.id}/clock">Its clock in full</a></p>
					</div>
				{/if}
			</li>
		{/each}
	</ul>
</main>

<style>
	main {
		max-width: 62rem;
	}
	ul {
		margin: 1rem 0 0;
		padding: 0;
		list-style: none;
		border-top: 2px solid var(--ink);
	}
	li {
		border-bottom: 1px solid var(--rule);
	}
	li.current {
		background: var(--sheet);
		border-left: 4px solid var(--ink);
	}
	li :global(.head) {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto 1.5rem;
		gap: 1rem;
		width: 100%;
		min-height: 56px;
		padding: 0.4rem 0.75rem;
		border: 0;
		text-align: left;
		text-decoration: none;
	}
	.name {
		display: block;
		font-weight: 700;
		overflow-wrap: anywhere;
	}
	.tick {
		color: var(--held);
		font-weight: 700;
	}
	.now {
		display: grid;
		grid-template-columns: auto minmax(0, 1fr);
		gap: 0.25rem 2rem;
		align-items: center;
		padding: 0 0.75rem 0.75rem;
	}
	.value {
		font-family: var(--display);
		font-weight: 600;
		font-size: min(clamp(3.2rem, 9vw, 4.6rem), 22vw);
		line-height: 1.15;
		white-space: nowrap;
	}
	.keys {
		grid-column: 1 / -1;
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		align-items: end;
	}
	.keys > :global(.bx--btn) {
		min-height: 64px;
		padding: 0 1.5rem;
		font-size: 1.1rem;
	}
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		align-items: end;
	}
	form :global(.bx--form-item) {
		width: 7.5rem;
	}
	.now > p:last-child {
		grid-column: 1 / -1;
	}
	@media (max-width: 700px) {
		li :global(.head) {
			grid-template-columns: minmax(0, 1fr) 1.5rem;
			gap: 0.1rem 0.5rem;
		}
		.state {
			grid-row: 2;
			grid-column: 1 / -1;
		}
		.now {
			grid-template-columns: minmax(0, 1fr);
		}
		.keys > :global(.bx--btn) {
			flex: 1;
		}
		.keys > :global(.bx--btn--primary) {
			flex: 1 1 100%;
			min-height: 84px;
		}
	}
</style>
