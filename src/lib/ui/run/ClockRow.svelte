<script lang="ts">
	import Checkmark from 'carbon-icons-svelte/lib/Checkmark.svelte';
	import type { ControlOptions, ControlProfile } from '$core/control';
	import type { ClockReading } from '$core/plan';
	import { clockValues } from '$core/run';
	import type { Standing } from '$core/words';
	import Button from '../kit/Button.svelte';
	import Field from '../kit/Field.svelte';
	import type { RightTime } from './now.svelte';
	import { readClock } from './readClock';

	let {
		row,
		time,
		timeZone,
		current,
		done,
		href,
		onopen,
		onnote,
		onproblem
	}: {
		row: {
			readonly name: string;
			readonly control: string;
			readonly profile: ControlProfile;
			readonly options: ControlOptions;
			readonly hasClock: boolean;
			readonly clock: Standing;
		};
		time: RightTime;
		timeZone: string;
		/** Whether it is the one looked at now. */
		current: boolean;
		/** Whether it was looked at today. */
		done: boolean;
		/** The page of its clock. */
		href: string;
		onopen: () => void;
		onnote: (reading: ClockReading) => void;
		onproblem: (sentence: string) => void;
	} = $props();

	let shows = $state('');
	const values = $derived(clockValues(row.profile, row.options, timeZone, time.ms));

	function note(reading: ClockReading) {
		onnote(reading);
		shows = '';
	}
	const plain = (set: boolean): ClockReading => ({
		at: new Date(time.ms).toISOString(),
		errorSeconds: 0,
		daysAhead: 0,
		set,
		lost: false
	});
	function typed(event: SubmitEvent) {
		event.preventDefault();
		const read = readClock({ shows, day: null, set: true }, timeZone, time.ms);
		if (typeof read === 'string') onproblem(read);
		else note(read);
	}
</script>

<li class:current>
	<Button kind="quiet" class="head" disabled={!row.hasClock} aria-expanded={current} onclick={() => onopen()}>
		<span>
			<span class="name">{row.name}</span>
			<span class="soft">{row.control.toLowerCase()}</span>
		</span>
		<span class="state" class:signal={row.clock.bad}>{row.clock.words}</span>
		<span class="tick"
			>{#if done}<Checkmark size={20} aria-label="done" />{/if}</span
		>
	</Button>
	{#if current && row.hasClock}
		<div class="now">
			<p class="value">{values.time}</p>
			<p>
				day <strong class="mono">{values.day}</strong> · {values.date}<br />
				<span class="soft">{row.profile.habits.clock.how}</span>
			</p>
			<div class="keys">
				<Button kind="next" onclick={() => note(plain(true))}>I have set it</Button>
				<Button onclick={() => note(plain(false))}>It was right</Button>
				<form onsubmit={(event) => typed(event)}>
					<Field label="It showed" placeholder="06:30" autocomplete="off" bind:value={shows} />
					<Button type="submit" disabled={shows.trim() === ''}>and I set it</Button>
				</form>
			</div>
			<p><a {href}>Its clock in full</a></p>
		</div>
	{/if}
</li>

<style>
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
	.keys > :global(.kit-button) {
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
		.keys > :global(.kit-button) {
			flex: 1;
		}
		.keys > :global(.kit-next) {
			flex: 1 1 100%;
			min-height: 84px;
		}
	}
</style>
