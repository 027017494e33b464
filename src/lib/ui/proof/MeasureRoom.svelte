<script lang="ts">
	import Choice from '$lib/ui/kit/Choice.svelte';
	import FilePicker from '$lib/ui/kit/FilePicker.svelte';
	import { differenceWords, temperatureWords, type TemperatureUnit } from '$core/control';
	import {
		DATE_ORDER_WORDS,
		LARGEST_LOG,
		openLog,
		readLog,
		readText,
		type DateOrder,
		type LogChoice,
		type LoggerFile,
		type LogTable
	} from '$core/formats';
	import type { Room } from '$core/plan';
	import { lossOf, type Between, type Measured } from '$core/thermal';
	import { duration } from '$core/week';
	import { logRefusalWords, measuredWarningWords } from '$core/words';
	import { measureInWorker } from '$lib/workers/measureInWorker';
	import { logChart } from './charts';
	import Plot from './Plot.svelte';
	import Button from '$lib/ui/kit/Button.svelte';

	let {
		room,
		outdoorC,
		unit,
		plannedC,
		onmeasured
	}: {
		room: Room;
		/** Taken throughout where a log has no outdoor temperature. */
		outdoorC: number;
		/** The unit of the zone's control. */
		unit: TemperatureUnit;
		/** What the room is planned to be held at, by minute on the wall since 1970, in °C; null where its control only switches. */
		plannedC: ((minute: number) => number) | null;
		onmeasured: (room: Room) => void;
	} = $props();

	let problem = $state<string | null>(null);
	/** Whether the log may say more without its column of the heating. */
	let without = $state(false);
	let busy = $state(false);
	let name = $state('');
	let table = $state.raw<LogTable | null>(null);
	let choice = $state.raw<LogChoice | null>(null);
	/** Whether, without a column that says it, the heating is told from the plan rather than from the temperature. */
	let byPlan = $state(false);
	let file = $state.raw<LoggerFile | null>(null);
	let measured = $state.raw<Measured | null>(null);
	/** The latest asked: an answer to an earlier choice is not shown. */
	let asked = 0;

	async function read(chosen: File | undefined) {
		problem = null;
		table = choice = measured = file = null;
		if (!chosen) return;
		name = chosen.name;
		if (chosen.size > LARGEST_LOG) {
			problem = `${name} is too large: at most ${LARGEST_LOG / 1e6} MB are read.`;
			return;
		}
		const text = readText(new Uint8Array(await chosen.arrayBuffer()));
		const opened = text.ok ? openLog(text.value) : text;
		if (!opened.ok) {
			problem = `${name}: ${opened.problem.sentence}`;
			return;
		}
		table = opened.value;
		await take(opened.value.guess);
	}

	/** Reads and fits the log by what its columns are chosen for. */
	async function take(next: LogChoice) {
		choice = next;
		without = false;
		problem = null;
		file = measured = null;
		if (!table) return;
		const givens = { outdoorC, plannedC: byPlan ? plannedC : null };
		const result = readLog(table, next, givens);
		if (!result.ok) {
			problem = `${name}: ${result.problem.sentence}`;
			return;
		}
		const own = ++asked;
		busy = true;
		const found = await measureInWorker(room, result.value.log);
		if (own !== asked) return;
		busy = false;
		if ('kind' in found) {
			problem = `${name}: ${logRefusalWords(found)}`;
			without = found.kind === 'cycles-faster' && next.heating !== null;
			return;
		}
		file = result.value;
		measured = found;
	}

	const column = (value: string) => (value === '' ? null : Number(value));
	const columns = $derived(
		(table?.columns ?? []).map((one, i) => ({ value: String(i), text: `${one.title}: ${one.sample}` }))
	);
	const placeOf = (at: number | null) => (at === null ? '' : String(at));

	function keep() {
		if (!measured || !file) return;
		const { wattsPerKelvin, capacityScale, airScale, couplingScale, timeConstantHours } = measured;
		const rounded = (value: number, places: number) => Math.round(value * 10 ** places) / 10 ** places;
		onmeasured({
			...room,
			loss: {
				by: 'measured',
				wattsPerKelvin: rounded(wattsPerKelvin, 1),
				capacityScale: rounded(capacityScale, 3),
				airScale: rounded(airScale, 3),
				couplingScale: rounded(couplingScale, 3),
				timeConstantHours: rounded(timeConstantHours.value, 1),
				standardErrorHours: rounded((timeConstantHours.to - timeConstantHours.from) / (2 * 1.645), 2),
				on: (file.to ?? new Date().toISOString()).slice(0, 10)
			}
		});
		table = choice = measured = null;
	}
	const between = ({ value, from, to }: Between, say: (figure: number) => string) =>
		`${say(value)} (${say(from)} to ${say(to)})`;
	const inMinutes = (figure: number) => duration(Math.max(5, Math.round(figure / 5) * 5));

	const drawn = $derived(file && measured ? logChart(file.log, measured.modelC, unit) : null);
</script>

<section aria-label="Measured with a logger">
	<div class="head">
		<h2>The room by a logger’s readings</h2>
		<FilePicker
			label="Open a logger’s file"
			name="Logger file"
			accept=".csv,.txt,.tsv,text/csv,text/plain"
			disabled={busy}
			onfiles={([file]) => void read(file)}
		/>
	</div>
	{#if room.loss.by === 'measured' && !measured}
		<p>
			Time constant {room.loss.timeConstantHours} ± {room.loss.standardErrorHours} h and {room.loss
				.wattsPerKelvin} W/K, from a log to {room.loss.on}.
		</p>
	{:else if !measured}
		<p class="soft">
			A log of a night and a morning or more, with the room’s temperature, better with when it heated,
			replaces the survey’s loss and weight.
		</p>
	{/if}
	{#if table && choice}
		<div class="columns" role="group" aria-label="What the columns of {name} are">
			<Choice
				label="Room"
				value={placeOf(choice.room)}
				options={[{ value: '', text: 'none' }, ...columns]}
				onchange={(value) => take({ ...choice!, room: column(value) })}
			/>
			<Choice
				label="Heating"
				value={choice.heating === null && byPlan ? 'plan' : placeOf(choice.heating)}
				options={[
					{ value: '', text: 'told from the temperature' },
					...(plannedC ? [{ value: 'plan', text: 'told from the plan' }] : []),
					...columns
				]}
				onchange={(value) => {
					byPlan = value === 'plan';
					void take({ ...choice!, heating: byPlan ? null : column(value) });
				}}
			/>
			<Choice
				label="Outside"
				value={placeOf(choice.outdoor)}
				options={[{ value: '', text: `${temperatureWords(unit, outdoorC)} throughout` }, ...columns]}
				onchange={(value) => take({ ...choice!, outdoor: column(value) })}
			/>
			<Choice
				label="Unit"
				value={choice.unit}
				options={[
					{ value: 'C', text: '°C' },
					{ value: 'F', text: '°F' }
				]}
				onchange={(value) => take({ ...choice!, unit: value as 'C' | 'F' })}
			/>
			{#if !table.orderCertain}
				<Choice
					label="Dates"
					value={choice.dateOrder}
					options={(['dmy', 'mdy'] as const).map((order) => ({
						value: order,
						text: DATE_ORDER_WORDS[order]
					}))}
					onchange={(value) => take({ ...choice!, dateOrder: value as DateOrder })}
				/>
			{/if}
		</div>
	{/if}
	{#if busy}<p role="status">Fitting the room to {name} …</p>{/if}
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	{#if without && choice}
		<Button onclick={() => take({ ...choice!, heating: null })}>Fit it without that column</Button>
	{/if}
	{#if measured && file}
		<p role="status">
			{#if measured.warmUpMinutes}
				<strong
					>Warms from {temperatureWords(unit, measured.night.setbackC)} to {temperatureWords(
						unit,
						measured.night.comfortC
					)} in {between(measured.warmUpMinutes, inMinutes)}</strong
				>
				at {temperatureWords(unit, measured.night.outdoorC)} outside;
			{:else}
				<strong
					>Does not reach {temperatureWords(unit, measured.night.comfortC)} at {temperatureWords(
						unit,
						measured.night.outdoorC
					)} outside</strong
				>;
			{/if}
			time constant {between(measured.timeConstantHours, (h) => h.toFixed(0))} h, loss {measured.wattsPerKelvin.toFixed(
				0
			)} W/K instead of {lossOf(room).toFixed(0)}. In brackets: between these nine times in ten. The model
			stays
			{differenceWords(unit, measured.residualK)} from the log, and {differenceWords(
				unit,
				measured.foretoldK
			)} where it foretells the last third from the rest. {file.notes.join(' ')}
		</p>
		{#each measured.warnings as warning (warning.kind)}<p class="warm">
				{measuredWarningWords(warning)}
			</p>{/each}
		{#if drawn}<Plot label="The model over the logger’s readings" height={220} make={drawn} />{/if}
		{#if measured.isFar}
			<Button onclick={keep}>Use anyway</Button>
		{:else}
			<Button onclick={keep}>Take what was measured</Button>
		{/if}
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
	.columns {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(13rem, 100%), 1fr));
		gap: 0.5rem 0.75rem;
		margin: 0.5rem 0;
	}
</style>
