<script lang="ts">
	import { roundTemperatureWords, type TemperatureUnit } from '$core/control';
	import type { Site } from '$core/plan';
	import type { Source } from '$core/thermal';
	import { call } from '../call';
	import { refresh } from '../refresh';
	import NumberField from '../kit/NumberField.svelte';
	import Slide from '../kit/Slide.svelte';
	import Views from '../kit/Views.svelte';

	let {
		siteId,
		supply,
		source,
		zones,
		unit,
		computing,
		outdoorC = $bindable(),
		onsource,
		onproblem
	}: {
		siteId: string;
		supply: Site['supply'];
		source: Source;
		/** How many zones each source heats. */
		zones: Readonly<Record<Source, number>>;
		/** The unit in which temperatures are said. */
		unit: TemperatureUnit;
		/** Whether what is shown below is still being computed. */
		computing: boolean;
		/** Outside, as the mean of the day, in °C. */
		outdoorC: number;
		onsource: (source: Source) => void;
		/** What was given and could not be taken; null once it is put right. */
		onproblem: (sentence: string | null) => void;
	} = $props();

	const limitW = $derived(source === 'electric' ? supply.electricW : supply.boilerW);

	async function save(part: Partial<Site['supply']>) {
		const done = await call('PATCH', `/api/v1/jobs/${siteId}`, { supply: part });
		onproblem(done.ok ? null : done.sentence);
		await refresh('fq:site');
	}
	const watts = (kW: number | null) => (kW === null ? null : Math.round(kW * 1000));
</script>

<div class="givens">
	{#if zones.electric > 0 && zones.water > 0}
		<div class="source">
			<Views
				label="Source"
				views={[
					['electric', `Electric, ${zones.electric}`],
					['water', `Boiler, ${zones.water}`]
				]}
				value={source}
				onchange={onsource}
			/>
		</div>
	{/if}
	<NumberField
		label={source === 'electric' ? 'Supply for heating' : 'Boiler gives'}
		unit="kW"
		empty
		least={0.1}
		value={limitW === null ? null : limitW / 1000}
		onchange={(kW) => save(source === 'electric' ? { electricW: watts(kW) } : { boilerW: watts(kW) })}
	/>
	<NumberField
		label="Average over"
		unit="min"
		whole
		least={5}
		most={60}
		value={supply.windowMinutes}
		onchange={(minutes) => save({ windowMinutes: minutes! })}
	/>
	{#if source === 'water'}
		<NumberField
			label="Starts a day, at most"
			whole
			empty
			least={1}
			most={500}
			value={supply.boilerStartsPerDay}
			onchange={(starts) => save({ boilerStartsPerDay: starts })}
		/>
	{/if}
	<div class="outside">
		<Slide
			label="Outside, daily average"
			least={-15}
			most={15}
			said={(c) => `${roundTemperatureWords(unit, c)}${computing ? ' …' : ''}`}
			ends={[roundTemperatureWords(unit, -15), roundTemperatureWords(unit, 15)]}
			bind:value={outdoorC}
		/>
	</div>
</div>

<style>
	.givens {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem 1.25rem;
		align-items: start;
		margin-bottom: 0.6rem;
	}
	.givens > :global(.bx--form-item) {
		flex: 0 1 11rem;
	}
	.source {
		align-self: end;
		width: min(18rem, 100%);
	}
	.outside {
		flex: 0 1 26rem;
		min-width: min(15rem, 100%);
	}
</style>
