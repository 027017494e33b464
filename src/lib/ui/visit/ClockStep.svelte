<script lang="ts">
	import { allowedOptions } from '$core/control';
	import { withReading } from '$core/plan';
	import { clockValues } from '$core/run';
	import { readClock } from '../run/readClock';
	import { VisitTime } from './visitTime.svelte';
	import type { StepProps } from './stepProps';
	import Button from '../kit/Button.svelte';
	import Field from '../kit/Field.svelte';
	import { clockChanges, reserveSentence } from '$core/words';

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
	<div class="showed">
		<Field
			label="It showed, before it was set"
			placeholder="14:05; empty: the right time"
			maxlength={20}
			{problem}
			bind:value={shows}
		/>
	</div>
	<div class="keys">
		<Button kind={last ? 'plain' : 'next'} onclick={() => note(true)}>It is set now</Button>
		<Button onclick={() => note(false)}>It was right</Button>
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
	.showed {
		max-width: 20rem;
	}
	.keys {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		margin: 0.8rem 0;
	}
	.keys :global(.bx--btn) {
		min-height: 56px;
		padding: 0 1.2rem;
		font-size: 1.1rem;
	}
	p {
		margin-bottom: 0.4rem;
	}
</style>
