<script lang="ts">
	import { allowedOptions } from '$core/control';
	import { withReading } from '$core/plan';
	import { clockChanges, clockValues, reserveSentence } from '$core/run';
	import { readClock } from '../run/readClock';
	import { VisitTime } from './visitTime.svelte';
	import type { StepProps } from './stepProps';

	let {
		zone,
		profile,
		onSite,
		set,
		timeZone
	}: StepProps & {
		timeZone: string;
	} = $props();

	/** The right time: the server's, or this device's where there is no connection. */
	const time = new VisitTime();
	const options = $derived(allowedOptions(profile, zone.options));
	const values = $derived(clockValues(profile, options, timeZone, time.ms));
	const change = $derived(clockChanges(profile, options, timeZone, time.ms, 1)[0]);
	let shows = $state('');
	let problem = $state<string | null>(null);
	const last = $derived(onSite.clockReadings.at(-1));

	function note(wasSet: boolean) {
		problem = null;
		const right = {
			at: new Date(time.ms).toISOString(),
			errorSeconds: 0,
			daysAhead: 0,
			set: wasSet,
			lost: false
		};
		const reading =
			shows.trim() === '' ? right : readClock({ shows, day: null, set: wasSet }, timeZone, time.ms);
		if (typeof reading === 'string') {
			problem = reading;
			return;
		}
		set('clockReadings', withReading(onSite.clockReadings, reading));
		shows = '';
	}
</script>

{#if profile.habits.clock.summerTime === 'no-clock'}
	<p>This control has no clock.</p>
{:else}
	<p class="time">{values.time}</p>
	<p class="day">{values.day}, {values.date}</p>
	{#if time.own}<p class="signal">By this device's own clock: there is no connection.</p>{/if}
	<label>
		<span>It showed, before it was set</span>
		<input bind:value={shows} placeholder="14:05; empty: the right time" maxlength="20" />
	</label>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	<div class="keys">
		<button class="quiet" onclick={() => note(true)}>It is set now</button>
		<button class="quiet" onclick={() => note(false)}>It was right</button>
	</div>
	{#if last}<p role="status">{last.set ? 'Set' : 'Found right'}, noted.</p>{/if}
	{#if change}<p><strong>{change.date}:</strong> {change.sentence}</p>{/if}
	<p class="soft">{reserveSentence(profile)}</p>
{/if}

<style>
	.time {
		font-family: var(--display);
		font-size: clamp(3.5rem, 22vw, 6.5rem);
		font-weight: 600;
		line-height: 1.1;
	}
	.day {
		font-size: 1.4rem;
		margin-bottom: 0.8rem;
	}
	label span {
		display: block;
		color: var(--soft);
	}
	input {
		width: 100%;
		max-width: 20rem;
		min-height: 48px;
		font-size: 1.1rem;
	}
	.keys {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		margin: 0.8rem 0;
	}
	.keys button {
		min-height: 56px;
		padding: 0 1.2rem;
		font-size: 1.1rem;
	}
	p {
		margin-bottom: 0.4rem;
	}
</style>
