<script lang="ts">
	import { Button } from 'carbon-components-svelte';
	import { differenceWords, type TemperatureUnit } from '$core/control';
	import { LARGEST_LOG, readLogger, type LoggerFile } from '$core/formats';
	import type { Room } from '$core/plan';
	import { lossOf, type Measured } from '$core/thermal';
	import { measureInWorker } from '$lib/workers/measureInWorker';
	import { logChart } from './charts';
	import Plot from './Plot.svelte';

	let {
		room,
		outdoorC,
		unit,
		onmeasured
	}: {
		room: Room;
		/** Taken throughout where a log has no outdoor temperature. */
		outdoorC: number;
		/** The unit of the zone's control. */
		unit: TemperatureUnit;
		onmeasured: (room: Room) => void;
	} = $props();

	let picker = $state<HTMLInputElement>();
	let problem = $state<string | null>(null);
	let busy = $state(false);
	let name = $state('');
	let file = $state.raw<LoggerFile | null>(null);
	let measured = $state.raw<Measured | null>(null);

	async function read(chosen: File | undefined) {
		problem = null;
		measured = null;
		file = null;
		if (!chosen) return;
		name = chosen.name;
		if (chosen.size > LARGEST_LOG) {
			problem = `${name} is too large: at most ${LARGEST_LOG / 1e6} MB are read.`;
			return;
		}
		const result = readLogger(await chosen.text(), outdoorC);
		if (!result.ok) {
			problem = `${name}: ${result.problem.sentence}`;
			return;
		}
		busy = true;
		const found = await measureInWorker(room, result.value.log);
		busy = false;
		if (typeof found === 'string') {
			problem = `${name}: ${found}`;
			return;
		}
		file = result.value;
		measured = found;
	}

	function take() {
		if (!measured || !file) return;
		const { wattsPerKelvin, capacityScale, timeConstantHours, standardErrorHours } = measured;
		const rounded = (value: number, places: number) => Math.round(value * 10 ** places) / 10 ** places;
		onmeasured({
			...room,
			loss: {
				by: 'measured',
				wattsPerKelvin: rounded(wattsPerKelvin, 1),
				capacityScale: rounded(capacityScale, 3),
				timeConstantHours: rounded(timeConstantHours, 1),
				standardErrorHours: rounded(standardErrorHours, 2),
				on: file.to.slice(0, 10)
			}
		});
		measured = null;
	}

	const drawn = $derived(file && measured ? logChart(file.log, measured.modelC, unit) : null);
</script>

<section aria-label="Measured with a logger">
	<div class="head">
		<h2>Measured, not guessed</h2>
		<button class="quiet" disabled={busy} onclick={() => picker?.click()}>Open a logger’s file</button>
		<input
			class="out-of-sight"
			type="file"
			accept=".csv,text/csv"
			tabindex="-1"
			aria-label="Logger file"
			bind:this={picker}
			onchange={(event) => {
				void read(event.currentTarget.files?.[0]);
				event.currentTarget.value = '';
			}}
		/>
	</div>
	{#if room.loss.by === 'measured'}
		<p>
			Time constant {room.loss.timeConstantHours} ± {room.loss.standardErrorHours} h and {room.loss
				.wattsPerKelvin} W/K, from a log to {room.loss.on}.
		</p>
	{:else if !measured}
		<p class="soft">
			A log of a night and a morning, with the room’s temperature and when it heated, replaces the survey’s
			loss and weight.
		</p>
	{/if}
	{#if busy}<p role="status">Fitting the room to {name} …</p>{/if}
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	{#if measured && file}
		<p role="status">
			<strong
				>Time constant {measured.timeConstantHours.toFixed(1)} ± {measured.standardErrorHours.toFixed(1)} h</strong
			>, loss {measured.wattsPerKelvin.toFixed(0)} W/K instead of {lossOf(room).toFixed(0)}; the model stays
			{differenceWords(unit, measured.residualK)} from the log. {file.notes.join(' ')}
		</p>
		{#if drawn}<Plot label="The model over the logger’s readings" height={220} make={drawn} />{/if}
		<Button on:click={take}>Take what was measured</Button>
	{/if}
</section>

<style>
	section {
		margin-top: 1rem;
	}
	.head {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 0.5rem 1rem;
		align-items: center;
	}
	h2 {
		font-size: 1rem;
	}
</style>
