<script lang="ts">
	import { ProgressBar } from 'carbon-components-svelte';
	import Headline from '$lib/ui/kit/Headline.svelte';
	import { DAY_SHORT } from '$core/week';
	import Running from '$lib/ui/Running.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Views from '$lib/ui/kit/Views.svelte';
	import BoilerStarts from '$lib/ui/site/BoilerStarts.svelte';
	import HeatGivens from '$lib/ui/site/HeatGivens.svelte';
	import { heatView } from '$lib/ui/site/heatView.svelte';
	import InterlockOffer from '$lib/ui/site/InterlockOffer.svelte';
	import LoadChart from '$lib/ui/site/LoadChart.svelte';
	import MovedStarts from '$lib/ui/site/MovedStarts.svelte';
	import ZoneLoads from '$lib/ui/site/ZoneLoads.svelte';

	let { data } = $props();

	const heat = heatView(() => data);
	const { source, heated, supply, limit, unit, shown, staggered, kept } = $derived(heat);
	const { kW, outside } = heat;
</script>

<main>
	<Headline of="Peak load of {data.site.name}" bad={heat.bad}>{heat.answer}</Headline>
	{#if heat.instant}<p class="instant" class:signal={limit.limitW !== null && shown!.worstW > limit.limitW}>
			{heat.instant}
		</p>{/if}
	{#if heat.hopeless}<p class="signal">{heat.hopeless}</p>{/if}

	<HeatGivens
		siteId={data.site.id}
		{supply}
		{source}
		zones={{ electric: heat.electric.length, water: heat.water.length }}
		{unit}
		computing={heat.share !== null}
		bind:outdoorC={heat.outdoorC}
		onsource={heat.choose}
		onproblem={heat.say}
	/>
	{#if heat.problem}<p class="signal" role="alert">{heat.problem}</p>{/if}
	{#if heat.share !== null && heat.share < 1 && heated.length > 12}
		<ProgressBar labelText="Running {heated.length} zones" value={heat.share * 100} max={100} />
	{/if}

	{#if shown}
		<div class="section-head">
			<Views
				label="Day drawn"
				views={DAY_SHORT.map((name, i) => [String(i), name] as const)}
				value={String(heat.day)}
				onchange={(next) => heat.pickDay(Number(next))}
			/>
			{#if staggered}
				<Views
					label="Starts drawn"
					views={[
						['now', 'as they are'],
						['staggered', 'staggered']
					]}
					value={heat.view}
					onchange={(next) => (heat.view = next)}
				/>
			{/if}
		</div>
		<LoadChart
			load={shown}
			before={heat.view === 'staggered' && staggered ? (heat.now?.load ?? null) : null}
			limitW={limit.limitW}
			day={heat.day}
			zones={heat.strips}
		/>
		<p class="soft small-text">
			Line: what is passed once in twenty times, thermostats cycling by chance; area: the average. All at once
			would be {kW(shown.allW)}, and only a load-shedding relay rules that out. Bars: from the setpoint's rise
			to the need.
		</p>

		<div class="columns">
			<div>
				{#if heat.run}
					<Running label="Trying starts" share={heat.runShare} onstop={heat.stop} />
				{:else if staggered}
					<MovedStarts
						{staggered}
						zones={heated}
						kWhBefore={heat.now?.load.kWh ?? null}
						busy={heat.busy}
						ontake={heat.take}
						onleave={heat.leave}
					/>
				{:else if limit.limitW !== null}
					<div class="keys">
						<Button kind="next" disabled={heat.hopeless !== null} onclick={heat.stagger}
							>Stagger the starts</Button
						>
						{#if kept}
							<p class:signal={heat.keptStale}>
								{#if heat.keptStale}
									The starts were staggered on {kept.at.slice(0, 10)} for other rooms, weeks or supply: do it again.
								{:else}
									Staggered on {kept.at.slice(0, 10)} for {outside(kept.outdoorC)}: {kW(kept.beforeW)} came down
									to {kW(kept.afterW)}, {new Set(kept.moved.map((one) => one.zone)).size} zones start earlier.
								{/if}
							</p>
						{/if}
					</div>
				{:else}
					<p class="keys">
						Say what the {source === 'electric' ? 'supply' : 'boiler'} can give, to stagger the starts under it.
					</p>
				{/if}

				{#if heat.canLock}
					<InterlockOffer
						{heated}
						{source}
						{limit}
						outdoorC={heat.outdoorC}
						busy={heat.busy}
						ontake={heat.takeLeads}
					/>
				{/if}
				{#if source === 'water' && heat.now?.starts}
					<BoilerStarts
						{unit}
						startsPerDay={heat.now.load.startsPerDay}
						starts={heat.now.starts}
						allowed={supply.boilerStartsPerDay ?? 20}
					/>
				{/if}
			</div>
			<ZoneLoads siteId={data.site.id} load={shown} {heated} />
		</div>
	{/if}
	{#if heat.unknown.length > 0}
		<p class="soft">
			Not counted, because their rooms are not described:
			{#each heat.unknown as row, i (row.id)}{i > 0 ? ', ' : ''}<a
					href="/sites/{data.site.id}/zones/{row.id}/room">{row.name}</a
				>{/each}.
		</p>
	{/if}
</main>

<style>
	.instant {
		margin-bottom: 0.8rem;
	}
	.section-head {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1.5rem;
		justify-content: space-between;
		margin-bottom: 0.3rem;
	}
	.section-head :global(.bx--content-switcher) {
		width: min(30rem, 100%);
	}
	.small-text {
		font-size: var(--small);
		max-width: 62rem;
	}
	.columns {
		display: grid;
		grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
		gap: 0 2.5rem;
	}
	.keys {
		display: flex;
		flex-wrap: wrap;
		gap: 1rem;
		align-items: center;
		margin-top: 0.75rem;
	}
	@media (max-width: 700px) {
		.columns {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
