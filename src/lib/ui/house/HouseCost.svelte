<script lang="ts">
	import { onMount } from 'svelte';
	import { roundTemperatureWords } from '$core/control';
	import { mark, unitOf, weatherHours, type Site, type SiteWeather } from '$core/plan';
	import { COLD_WEEK_C, inventedYear } from '$core/thermal';
	import { houseCostWords } from '$core/words';
	import { houseInWorker, type HouseRoom, type HouseRun } from '$lib/workers/houseInWorker';
	import { call } from '../call';
	import Button from '../kit/Button.svelte';
	import Figures from '../kit/Figures.svelte';
	import Running from '../Running.svelte';

	let {
		rooms,
		zoneCount,
		site,
		siteId
	}: {
		rooms: readonly HouseRoom[];
		/** Of the whole site, with those that have no described room. */
		zoneCount: number;
		site: Pick<Site, 'sources' | 'electricity' | 'currency'>;
		siteId: string;
	} = $props();

	const undescribed = $derived(zoneCount - rooms.length);
	/** As its first room's control shows it. */
	const unit = $derived(rooms[0] ? unitOf(rooms[0].zone, rooms[0].profile) : 'C');
	let weather = $state.raw<SiteWeather | null>(null);
	let run = $state.raw<HouseRun | null>(null);
	let share = $state(0);
	let said = $state.raw<ReturnType<typeof houseCostWords> | null>(null);
	/** What it was computed from: other zones or prices make it old. */
	let from = $state('');
	const inputs = $derived(mark([rooms, site.sources, site.electricity, site.currency, weather?.name ?? '']));
	const stale = $derived(said !== null && from !== inputs);

	onMount(() => {
		void call<{ weather: SiteWeather | null }>('GET', `/api/v1/jobs/${siteId}/weather`).then((answer) => {
			if (answer.ok) weather = answer.data.weather;
		});
		return () => run?.stop();
	});

	async function compute() {
		share = 0;
		const asked = inputs;
		const hours = weather ? weatherHours(weather) : inventedYear();
		const own = houseInWorker(rooms, COLD_WEEK_C, hours, (part) => (share = part));
		run = own;
		const all = await own.answer;
		if (run !== own) return;
		run = null;
		if (!all) return;
		const heats = all.map(({ room, week, year }) => ({ zone: room.zone, week, year }));
		said = houseCostWords(heats, hours, site);
		from = asked;
	}
</script>

<section aria-label="What the house costs">
	<h2>What the house costs</h2>
	{#if said}
		<p class:soft={stale}><strong>{said.sentence}</strong></p>
		<Figures
			label="The year of each zone"
			head={[
				'',
				'heat a year',
				'it costs',
				'at one temperature',
				`a week at ${roundTemperatureWords(unit, COLD_WEEK_C)} outside`
			]}
			rows={said.rows.map(({ name, heat, costs, steady, week, loses }) => [
				name,
				heat,
				{ text: costs, bad: loses },
				steady,
				week
			])}
		/>
	{/if}
	{#if undescribed > 0}
		<p class="soft">
			{undescribed === 1 ? '1 zone has' : `${undescribed} zones have`} no described room and {undescribed ===
			1
				? 'is'
				: 'are'} not counted.
		</p>
	{/if}
	{#if run}
		<Running
			label="Running each room through a year"
			{share}
			onstop={() => {
				run?.stop();
				run = null;
			}}
		/>
	{:else if rooms.length === 0}
		<p>Describe a room to compute its cost.</p>
	{:else if !said || stale}
		{#if stale}<p class="signal">Something of the house was changed since: compute it again.</p>{/if}
		<Button onclick={compute}>Run a year of {weather ? weather.name : 'invented weather'}</Button>
	{/if}
</section>

<style>
	section {
		margin-top: 1.2rem;
		padding-top: 0.6rem;
		border-top: 2px solid var(--ink);
	}
	h2 {
		font-size: 1.15rem;
	}
</style>
