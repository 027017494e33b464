<script lang="ts">
	import type { ClockReading } from '$core/plan';
	import { DAY_NAMES } from '$core/week';
	import Button from '../kit/Button.svelte';
	import Choice from '../kit/Choice.svelte';
	import Field from '../kit/Field.svelte';
	import type { RightTime } from './now.svelte';
	import { readClock } from './readClock';

	let {
		time,
		timeZone,
		problem,
		note,
		onproblem
	}: {
		time: RightTime;
		timeZone: string;
		problem: string | null;
		/** Notes what was seen; tells whether it could be. */
		note: (reading: ClockReading) => boolean;
		onproblem: (sentence: string) => void;
	} = $props();

	let shows = $state('');
	let day = $state<string>('');

	function keep(reading: ClockReading) {
		if (!note(reading)) return;
		shows = '';
		day = '';
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
		if (typeof read === 'string') onproblem(read);
		else keep(read);
	}
</script>

<form onsubmit={take}>
	<div class="big">
		<Button kind="next" onclick={() => keep(plain(true))}>I have set it</Button>
		<Button onclick={() => keep(plain(false))}>It was right</Button>
		<Button onclick={() => keep(plain(false, true))}>Blinks, or shows an old year</Button>
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

<style>
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
	@media (max-width: 860px) {
		.big :global(.kit-button) {
			flex: 1;
			min-height: 64px;
		}
	}
</style>
