<script lang="ts">
	import { onMount } from 'svelte';
	import Headline from '$lib/ui/kit/Headline.svelte';
	import { allowedOptions } from '$core/control';
	import { dateWords, localTime, wallAt } from '$core/civil';
	import { joinReadings, type ClockReading } from '$core/plan';
	import { clockValues, driftOfReadings } from '$core/run';
	import ChangeNight from '$lib/ui/run/ChangeNight.svelte';
	import ClockLooks from '$lib/ui/run/ClockLooks.svelte';
	import NoteClock from '$lib/ui/run/NoteClock.svelte';
	import PowerCut from '$lib/ui/run/PowerCut.svelte';
	import { RightTime } from '$lib/ui/run/now.svelte';
	import { sendWaiting } from '$lib/ui/outbox/outbox.svelte';
	import { onSiteNotesOf } from '$lib/ui/visit/onSiteNotes.svelte';
	import { onBoxOf } from '$lib/ui/zone/boxes';
	import { boxWords, clockStanding } from '$core/words';

	let { data } = $props();

	// the page is made anew for each zone
	// svelte-ignore state_referenced_locally
	const onSiteNotes = onSiteNotesOf(data.site.id, { [data.zone.id]: data.onSite }, data);
	onMount(() => sendWaiting(data.site.id));
	const zone = $derived({
		...data.planned,
		clockReadings: joinReadings(data.planned.clockReadings, onSiteNotes.of(data.zone.id).clockReadings)
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
	const drift = $derived(driftOfReadings(profile, zone.clockReadings, timeZone));

	let problem = $state<string | null>(null);

	function note(reading: ClockReading): boolean {
		const before = new Set(onSiteNotes.of(data.zone.id).clockReadings.map((one) => one.at));
		problem = onSiteNotes.look(data.zone.id, reading);
		if (problem !== null) return false;
		const now = onSiteNotes.of(data.zone.id).clockReadings.map((one) => one.at);
		noted = [...noted, ...now.filter((at) => !before.has(at))];
		return true;
	}
	/** The instants of what was noted on this page, for taking it back. */
	let noted = $state.raw<readonly string[]>([]);
	function takeBack() {
		const last = noted.at(-1);
		noted = noted.slice(0, -1);
		onSiteNotes.note(
			data.zone.id,
			'clockReadings',
			onSiteNotes.of(data.zone.id).clockReadings.filter((reading) => reading.at !== last)
		);
	}
	function dateOf(ms: number): string {
		return localTime(wallAt(timeZone, ms)).slice(0, 10);
	}
	const beside = $derived(
		onBoxOf(data.zones, data.zones.find((one) => one.id === data.zone.id)?.boxId ?? '').filter(
			(one) => one.id !== data.zone.id
		)
	);
	const nextZone = $derived(data.zones[data.zones.findIndex((one) => one.id === data.zone.id) + 1]);
</script>

<div class="with-aside">
	<main>
		<Headline of="{zone.name}, the clock" bad={hasClock && standing.bad}>
			{hasClock ? `Clock ${standing.words}` : 'No clock: nothing to set'}
		</Headline>
		{#if beside.length > 0}
			<p class="soft">
				{boxWords(zone, profile)}: one clock for {[zone, ...beside].map((one) => one.name).join(' and ')}.
			</p>
		{/if}
		{#if hasClock}
			<p class="lead">
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
				<NoteClock {time} {timeZone} {problem} {note} onproblem={(sentence) => (problem = sentence)} />
			</div>

			<ChangeNight {zone} {profile} program={data.program} {timeZone} nowMs={data.nowMs} />
		{/if}
	</main>
	<aside>
		<PowerCut {profile} {options} />
		{#if zone.clockReadings.length > 0}
			<ClockLooks
				readings={zone.clockReadings}
				{timeZone}
				canTakeBack={noted.length > 0}
				ontakeback={takeBack}
			/>
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
	h2 {
		margin-bottom: 0.25rem;
		color: var(--soft);
		font-size: var(--small);
	}
	@media (max-width: 860px) {
		.now {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
