<script lang="ts">
	import { allowedOptions, CLOCK_WORDS } from '$core/control';
	import { clockKeys, notesAt, type Notes } from '$core/keying';
	import { isOperable } from '$core/machine';
	import { withReading } from '$core/plan';
	import { clockValues } from '$core/run';
	import Keys from '../keyin/Keys.svelte';
	import Strokes from '../panel/Strokes.svelte';
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
		timeZone,
		notes
	}: StepProps & {
		timeZone: string;
		/** What is noted at the control. */
		notes: Notes | null;
	} = $props();

	/** The right time: the server's, or this device's where there is no connection. */
	const time = new VisitTime();
	const options = $derived(allowedOptions(profile, zone.options));
	const values = $derived(clockValues(profile, options, timeZone, time.ms));
	const change = $derived(clockChanges(profile, options, timeZone, time.ms, 1)[0]);
	const panel = $derived(isOperable(profile) ? profile.panel : null);
	const keys = $derived(clockKeys(profile, options, notesAt(profile, notes), values.wallMinute));
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
	{#if keys && panel}
		<dl class="how" aria-label="Its keys">
			{#each keys.fields as one (one.field)}
				<div>
					<dt>{CLOCK_WORDS[one.field]}</dt>
					<dd><Keys {panel} keys={one.keys} small shows={one.shows} /></dd>
				</div>
			{/each}
		</dl>
		{#if keys.leave.length > 0}<p class="soft">Then <Strokes {panel} strokes={keys.leave} />.</p>{/if}
	{/if}
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
	.how {
		margin: 0 0 0.6rem;
	}
	.how div {
		display: grid;
		grid-template-columns: 5.5rem minmax(0, 1fr);
		align-items: center;
		min-height: 40px;
		border-bottom: 1px solid var(--rule);
	}
	.how dt::first-letter {
		text-transform: uppercase;
	}
	.how dd {
		margin: 0;
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
	.keys :global(.kit-button) {
		min-height: 56px;
		padding: 0 1.2rem;
		font-size: 1.1rem;
	}
	p {
		margin-bottom: 0.4rem;
	}
</style>
