<script lang="ts">
	import { onMount } from 'svelte';
	import { allowedOptions } from '$core/control';
	import { dateWords, localTime, wallAt } from '$core/civil';
	import { joinReadings, type ClockReading } from '$core/plan';
	import { clockValues, driftOfReadings } from '$core/run';
	import { DAY_NAMES } from '$core/week';
	import ChangeNight from '$lib/ui/run/ChangeNight.svelte';
	import PowerCut from '$lib/ui/run/PowerCut.svelte';
	import { RightTime } from '$lib/ui/run/now.svelte';
	import { readClock } from '$lib/ui/run/readClock';
	import { outboxOf } from '$lib/ui/visit/outbox.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import { clockStanding, errorWords } from '$core/words';

	let { data } = $props();

	// the page is made anew for each zone
	// svelte-ignore state_referenced_locally
	const outbox = outboxOf(data.site.id, { [data.zone.id]: data.onSite }, data);
	onMount(() => outbox.resume());
	const zone = $derived({
		...data.planned,
		clockReadings: joinReadings(data.planned.clockReadings, outbox.of(data.zone.id).clockReadings)
	});
	// svelte-ignore state_referenced_locally
	const time = new RightTime(data.nowMs);
	const timeZone = $derived(data.site.timeZone);
	const profile = $derived(data.profile);
	const options = $derived(allowedOptions(profile, zone.options));
	const habit = $derived(profile.habits.clock);
	const hasClock = $derived(habit.summerTime !== 'no-clock');

	const values = $derived(clockValues(profile, options, timeZone, time.ms));
	const standing = $derived(clockStanding(zone, profile, timeZone, time.ms));
	const drift = $derived(driftOfReadings(zone.clockReadings, timeZone));

	let shows = $state('');
	let day = $state<string>('');
	let problem = $state<string | null>(null);

	function note(reading: ClockReading) {
		const before = new Set(outbox.of(data.zone.id).clockReadings.map((one) => one.at));
		problem = outbox.look(data.zone.id, reading);
		if (problem !== null) return;
		const now = outbox.of(data.zone.id).clockReadings.map((one) => one.at);
		noted = [...noted, ...now.filter((at) => !before.has(at))];
		shows = '';
		day = '';
	}
	/** The instants of what was noted on this page, for taking it back. */
	let noted = $state.raw<readonly string[]>([]);
	function takeBack() {
		const last = noted.at(-1);
		noted = noted.slice(0, -1);
		outbox.note(
			data.zone.id,
			'clockReadings',
			outbox.of(data.zone.id).clockReadings.filter((reading) => reading.at !== last)
		);
	}
	const plain = (set: boolean, lost = false): ClockReading => ({
		at: new Date(time.ms).toISOString(),
		errorSeconds: 0,
		daysAhead: 0,
		set,
		lost
	});

	function take(event: SubmitEvent) {
		event.preventDefault();
		const read = readClock({ shows, day: day === '' ? null : Number(day), set: false }, timeZone, time.ms);
		if (typeof read === 'string') problem = read;
		else note(read);
	}

	function said(reading: ClockReading): string {
		if (reading.lost) return reading.set ? 'had lost its time, set right' : 'had lost its time';
		const days =
			reading.daysAhead === 0
				? ''
				: `, ${Math.abs(reading.daysAhead)} ${Math.abs(reading.daysAhead) === 1 ? 'day' : 'days'} ${reading.daysAhead > 0 ? 'ahead' : 'behind'}`;
		return `${errorWords(reading.errorSeconds)}${days}${reading.set ? ', set right' : ''}`;
	}
	const when = (iso: string) => {
		const local = localTime(wallAt(timeZone, Date.parse(iso)));
		return `${dateWords(local.slice(0, 10), 'short')} ${local.slice(11)}`;
	};

	function dateOf(ms: number): string {
		return localTime(wallAt(timeZone, ms)).slice(0, 10);
	}
	const nextZone = $derived(data.zones[data.zones.findIndex((one) => one.id === data.zone.id) + 1]);
</script>

<svelte:head><title>{zone.name}, the clock · Fond Quarter</title></svelte:head>

<div class="with-aside">
	<main>
		<h1>{zone.name}, the clock</h1>
		{#if !hasClock}
			<p class="lead">
				This control has no clock: there is nothing to set, and clock changes do not touch it.
			</p>
		{:else}
			<p class="lead" aria-live="polite">
				{#if standing.bad}<span class="signal">Its clock: {standing.words}.</span>{:else}Its clock: {standing.words}.{/if}
				{#if drift && Math.abs(drift.secondsPerDay) >= 0.5}
					It {drift.secondsPerDay > 0 ? 'gains' : 'loses'}
					{Math.abs(drift.secondsPerDay).toFixed(1)} s a day{drift.worstAtMs
						? `: five minutes wrong by ${dateWords(dateOf(drift.worstAtMs))}`
						: ''}.
				{/if}
			</p>
			<div class="now">
				<div>
					<p class="value">{values.time}</p>
					<p>
						day <strong class="mono">{values.day}</strong>
						{#if values.day.length < 3}<span class="soft">({values.date.split(' ')[0]})</span>{/if}
						· {values.date}
					</p>
					<p class="soft how">Key this now. {habit.how}</p>
				</div>
				<form onsubmit={take}>
					<div class="big">
						<Button kind="next" onclick={() => note(plain(true))}>I have set it</Button>
						<Button onclick={() => note(plain(false))}>It was right</Button>
						<Button onclick={() => note(plain(false, true))}>Blinks, or shows an old year</Button>
					</div>
					<div class="typed">
						<Field label="It shows" placeholder="06:30" autocomplete="off" {problem} bind:value={shows} />
						<Choice
							label="Day"
							value={day}
							options={[
								{ value: '', text: 'the right one' },
								...DAY_NAMES.map((name, i) => ({ value: String(i), text: name }))
							]}
							onchange={(next) => (day = next)}
						/>
						<Button type="submit" disabled={shows.trim() === ''}>Note it</Button>
					</div>
				</form>
			</div>

			<ChangeNight {zone} {profile} program={data.program} {timeZone} nowMs={data.nowMs} />
		{/if}
	</main>
	<aside>
		<PowerCut {profile} {options} />
		{#if zone.clockReadings.length > 0}
			<section>
				<h2>Looked at</h2>
				<ul>
					{#each [...zone.clockReadings].reverse().slice(0, 12) as reading (reading.at)}
						<li><span class="soft">{when(reading.at)}</span> <span>{said(reading)}</span></li>
					{/each}
				</ul>
				<Button disabled={noted.length === 0} onclick={takeBack}>Take the last back</Button>
			</section>
		{/if}
		<section>
			<h2>The round</h2>
			<p><a href="/sites/{data.site.id}/clocks">All clocks of this site</a></p>
			{#if nextZone}
				<p>
					Next: <a href="/sites/{data.site.id}/zones/{nextZone.id}/clock">{nextZone.name}</a>
				</p>
			{/if}
		</section>
	</aside>
</div>

<style>
	.lead {
		min-height: 1.45em;
	}
	.now {
		display: grid;
		grid-template-columns: auto minmax(0, 1fr);
		gap: 0.75rem 2.5rem;
		align-items: center;
		margin: 0.4rem 0 0.6rem;
		padding: 0.4rem 1rem 0.5rem;
		background: var(--sheet);
		border-left: 4px solid var(--ink);
	}
	.value {
		font-family: var(--display);
		font-weight: 600;
		font-size: clamp(3.2rem, 9vw, 4.2rem);
		line-height: 1.05;
		white-space: nowrap;
	}
	.how {
		max-width: 22rem;
	}
	form {
		display: grid;
		gap: 0.4rem;
	}
	.big,
	.typed {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		align-items: end;
	}
	h2 {
		margin-bottom: 0.25rem;
		color: var(--soft);
		font-size: var(--small);
	}
	aside ul {
		margin: 0 0 0.5rem;
		padding: 0;
		list-style: none;
	}
	aside li {
		display: grid;
		padding: 0.25rem 0;
		border-bottom: 1px solid var(--rule);
		font-size: var(--small);
	}
	@media (max-width: 860px) {
		.now {
			grid-template-columns: minmax(0, 1fr);
		}
		.big :global(.bx--btn) {
			flex: 1;
			min-height: 64px;
		}
	}
</style>
