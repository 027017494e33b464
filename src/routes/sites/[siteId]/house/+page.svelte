<script lang="ts">
	import type { Source } from '$core/plan';
	import Headline from '$lib/ui/kit/Headline.svelte';
	import { clockTime, DAY_MINUTES, DAY_SHORT } from '$core/week';
	import { chainFaultWords } from '$core/words';
	import { houseView } from '$lib/ui/house/houseView.svelte';
	import HouseCost from '$lib/ui/house/HouseCost.svelte';
	import Lane from '$lib/ui/house/Lane.svelte';
	import SourceCard from '$lib/ui/house/SourceCard.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import TariffFields from '$lib/ui/house/TariffFields.svelte';
	import More from '$lib/ui/kit/More.svelte';
	import Problem from '$lib/ui/kit/Problem.svelte';

	let { data } = $props();

	const house = houseView(() => data);
	const { chains, faults, gaps } = $derived(house);
	let name = $state('');
	let kind = $state<Source['kind']>('boiler');

	const worst = $derived(gaps[0] ?? null);
	const governing = $derived(new Set(chains.flatMap((chain) => (chain.governor ? [chain.governor.id] : []))));
	const firstLosing = $derived(chains.find((chain) => chain.lostMinutes > 0)?.source.id ?? null);

	async function add(event: SubmitEvent) {
		event.preventDefault();
		if (await house.add(name, kind)) name = '';
	}
</script>

<main>
	<Headline of="Heat sources of {data.site.name}" bad={chains.length > 0 && Boolean(worst)}>
		{chains.length === 0 ? 'Add the boiler or heat pump' : (worst?.text ?? 'Every call for heat is met')}
	</Headline>
	{#if chains.length === 0}<p class="lead">Until then every zone counts as its own heat source.</p>{/if}
	{#each faults as fault, i (i)}<p class="signal">{chainFaultWords(fault)}</p>{/each}
	<Problem sentence={house.problem} onclose={house.dismiss} />
	{#if gaps.length > 1}
		<ul aria-label="Other calls not met">
			{#each gaps.slice(1) as gap, i (i)}<li>{gap.text}</li>{/each}
		</ul>
	{/if}

	{#if chains.length > 0}
		<p class="moment" role="status">
			<strong
				>{DAY_SHORT[Math.floor(house.minute / DAY_MINUTES)]} {clockTime(house.minute % DAY_MINUTES)}</strong
			>
			<span class="soft">Move the moment along the week; drag a zone onto its heat source.</span>
		</p>
	{/if}
	{#each chains as chain (chain.source.id)}
		<SourceCard
			{chain}
			zones={data.zones}
			siteId={data.site.id}
			currency={data.site.currency}
			{house}
			first={chain.source.id === firstLosing}
		/>
	{/each}

	{#if chains.length > 0 && house.own.zones.length > 0}
		<section aria-label="Own supply">
			<Lane {...house.own} onfeed={(id) => void house.feed(id, null)} />
			<More title="What electricity costs here">
				<div class="zones">
					<Field
						label="Currency"
						maxlength={3}
						value={data.site.currency}
						onchange={(currency) => void house.setCurrency(currency.trim().toUpperCase())}
					/>
					<TariffFields
						label="Electricity"
						tariff={data.site.electricity}
						currency={data.site.currency}
						onchange={(tariff) => void house.setElectricity(tariff)}
					/>
				</div>
			</More>
		</section>
	{/if}
	{#if data.zones.length > 0}
		<HouseCost rooms={house.rooms} zoneCount={data.zones.length} site={data.site} siteId={data.site.id} />
	{/if}
	{#if chains.length > 0 && data.zones.length > 0}
		<h2>What each zone is fed by</h2>
		<div class="zones">
			{#each data.zones as zone (zone.id)}
				{#if governing.has(zone.id)}
					<p>
						<span>{zone.name}</span>
						<span class="soft"
							>lets {chains.find((one) => one.governor?.id === zone.id)!.source.name} run</span
						>
					</p>
				{:else}
					<Choice
						label={zone.name}
						value={zone.document.fedBy ?? ''}
						disabled={house.busy}
						options={[
							{ value: '', text: 'its own supply' },
							...data.site.sources.map((source) => ({ value: source.id, text: source.name }))
						]}
						onchange={(source) => void house.feed(zone.id, source || null)}
					/>
				{/if}
			{/each}
		</div>
	{/if}

	<h2>{chains.length === 0 ? 'What makes the heat here?' : 'Another source'}</h2>
	<form onsubmit={add}>
		<Field label="Name" placeholder="Boiler" maxlength={80} bind:value={name} />
		<Choice
			label="It is"
			value={kind}
			options={[
				{ value: 'boiler', text: 'a boiler' },
				{ value: 'heat-pump', text: 'a heat pump' },
				{ value: 'district', text: 'district heat' }
			]}
			onchange={(next) => (kind = next)}
		/>
		<Button type="submit" disabled={house.busy || name.trim() === ''}>Add it</Button>
	</form>
</main>

<style>
	ul {
		margin: 0.3rem 0;
	}
	h2 {
		margin: 1.5rem 0 0.5rem;
		font-size: var(--small);
		color: var(--soft);
	}
	.zones {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(15rem, 100%), 1fr));
		gap: 0.75rem 1.5rem;
		align-items: end;
	}
	.zones p {
		display: grid;
		gap: 0.4rem;
		padding-bottom: 0.6rem;
	}
	section {
		margin-top: 1.2rem;
		padding-top: 0.6rem;
		border-top: 2px solid var(--ink);
	}
	.moment {
		display: flex;
		flex-wrap: wrap;
		gap: 0.2rem 0.9rem;
		align-items: baseline;
		margin-top: 0.6rem;
	}
	.moment strong {
		font-size: 1.3rem;
	}
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem 1rem;
		align-items: end;
	}
	form :global(.bx--form-item) {
		flex: 0 1 14rem;
	}
</style>
