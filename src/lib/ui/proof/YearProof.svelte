<script lang="ts">
	import FilePicker from '$lib/ui/kit/FilePicker.svelte';
	import Figures from '$lib/ui/kit/Figures.svelte';
	import More from '$lib/ui/kit/More.svelte';
	import { onMount } from 'svelte';
	import Running from '../Running.svelte';
	import { temperatureWords, type ControlProfile } from '$core/control';
	import { readText, LARGEST_EPW, readEpw } from '$core/formats';
	import {
		keptWeather,
		leadInputs,
		mark,
		unitOf,
		weatherHours,
		type SiteWeather,
		type Zone
	} from '$core/plan';
	import { inventedYear, type CostGivens, type Permission, type YearProof } from '$core/thermal';
	import { yearCostWords, yearWords } from '$core/words';
	import { duration } from '$core/week';
	import { call } from '$lib/ui/call';
	import { yearInWorker, type YearRun } from '$lib/workers/yearInWorker';
	import { MONTHS, yearChart } from './charts';
	import { costFigure } from './figures';
	import Plot from './Plot.svelte';
	import Button from '$lib/ui/kit/Button.svelte';

	let {
		zone,
		profile,
		may,
		givens,
		currency,
		siteId
	}: {
		zone: Zone;
		profile: ControlProfile;
		/** When what feeds the room may run. */
		may: Permission;
		/** What makes its heat; null where that is not said. */
		givens: CostGivens | null;
		currency: string;
		siteId: string;
	} = $props();

	const say = (c: number) => temperatureWords(unitOf(zone, profile), c);
	let weather = $state.raw<SiteWeather | null>(null);
	let problem = $state<string | null>(null);
	let notes = $state<string[]>([]);
	let run = $state.raw<YearRun | null>(null);
	let share = $state(0);
	/** What was computed, and a mark of what from. */
	let kept = $state.raw<{ year: YearProof; hoursC: readonly number[]; inputs: string } | null>(null);

	onMount(() => {
		void call<{ weather: SiteWeather | null }>('GET', `/api/v1/jobs/${siteId}/weather`).then((answer) => {
			if (answer.ok) weather = answer.data.weather;
		});
		return () => run?.stop();
	});

	const inputs = $derived(
		mark([leadInputs(zone), zone.lead, zone.grouping, zone.control, weather?.name, may])
	);
	const stale = $derived(kept !== null && kept.inputs !== inputs);
	const words = $derived(kept ? yearWords(kept.year) : null);
	const cost = $derived(
		kept && zone.room && givens ? yearCostWords(kept.year, kept.hoursC, zone.room, givens, currency) : null
	);
	const drawn = $derived(kept ? yearChart(kept.year) : null);
	const ways = $derived(
		kept
			? ([
					['One temperature', 'steady', kept.year.steady],
					['The program', 'programmed', kept.year.programmed],
					['Frost level between', 'frost', kept.year.frost]
				] as const)
			: []
	);
	const sum = (all: readonly number[]) => all.reduce((a, b) => a + b, 0);

	async function compute() {
		share = 0;
		const hours = weather ? weatherHours(weather) : inventedYear();
		const from = inputs;
		run = yearInWorker($state.snapshot(zone) as Zone, profile, hours, (part) => (share = part), may);
		const own = run;
		const year = await own.answer;
		if (run !== own) return;
		run = null;
		if (year) kept = { year, hoursC: hours, inputs: from };
	}

	async function read(file: File | undefined) {
		problem = null;
		notes = [];
		if (!file) return;
		if (file.size > LARGEST_EPW) {
			problem = `${file.name} is too large: at most ${LARGEST_EPW / 1e6} MB are read.`;
			return;
		}
		const text = readText(new Uint8Array(await file.arrayBuffer()));
		const result = text.ok ? readEpw(text.value) : text;
		if (!result.ok) {
			problem = `${file.name}: ${result.problem.sentence}`;
			return;
		}
		const { place, hoursC, lowestC, highestC, notes: said } = result.value;
		const next = keptWeather(place, hoursC);
		const answer = await call('PUT', `/api/v1/jobs/${siteId}/weather`, next);
		if (!answer.ok) {
			problem = answer.sentence;
			return;
		}
		weather = next;
		notes = [`${place}: ${say(lowestC)} to ${say(highestC)}.`, ...said];
	}

	async function forget() {
		const answer = await call('DELETE', `/api/v1/jobs/${siteId}/weather`);
		if (answer.ok) weather = null;
		else problem = answer.sentence;
		notes = [];
	}
</script>

<section aria-label="The year">
	<div class="head">
		<h2>A year of it</h2>
		<div class="tools">
			<FilePicker
				label="Read a weather file (EPW)"
				name="Weather file"
				accept=".epw,text/plain"
				onfiles={([file]) => void read(file)}
			/>
			{#if weather}<Button onclick={forget}>Forget {weather.name}</Button>{/if}
		</div>
	</div>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	{#if notes.length > 0}<p role="status">{notes.join(' ')}</p>{/if}
	{#if words}<p class:soft={stale}><strong>{words}</strong></p>{/if}
	{#if cost?.sentence}<p class:signal={cost.loses && !stale} class:soft={stale}>{cost.sentence}</p>{/if}
	{#if stale}<p class="signal">Computed for another room, week or weather: compute it again.</p>{/if}
	{#if run}
		<Running
			label="Running the year minute by minute"
			{share}
			onstop={() => {
				run?.stop();
				run = null;
			}}
		/>
	{:else if !kept || stale}
		<Button onclick={compute}>Run a year of {weather ? weather.name : 'invented weather'}</Button>
	{/if}
	{#if drawn && kept}
		<Plot label="Heat of each month, three ways; outdoor means" height={200} make={drawn} />
		<Figures
			label="The year three ways"
			head={['', 'heat a year', ...(cost ? [cost.what] : []), 'cold while wanted', 'coldest', 'starts a day']}
			rows={ways.map(([name, id, way]) => [
				name,
				`${Math.round(sum(way.kWh))} kWh`,
				...(cost ? [costFigure(cost.costs[id], currency)] : []),
				duration(sum(way.coldMinutes)),
				say(way.coldestC),
				String(Math.round(way.starts / 365))
			])}
		/>
		<More title="Month by month">
			<Figures
				label="The year month by month"
				head={['', 'outside', ...ways.map(([name]) => name.toLowerCase())]}
				rows={MONTHS.map((month, i) => [
					month,
					say(kept!.year.outdoorC[i]!),
					...ways.map(([, , way]) => `${Math.round(way.kWh[i]!)} kWh`)
				])}
			/>
		</More>
	{/if}
</section>

<style>
	section {
		margin-top: 1rem;
	}
	.head,
	.tools {
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
