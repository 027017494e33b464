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
	import Dialog from '$lib/ui/kit/Dialog.svelte';
	import Problem from '$lib/ui/kit/Problem.svelte';

	let { data } = $props();

	const house = houseView(() => data);
	const { chains, faults, gaps } = $derived(house);
	let name = $state('');
	let kind = $state<Source['kind']>('boiler');
	/** Whether all calls that are not met are listed. */
	let all = $state(false);
	/** What is set up beside the drawing. */
	let drawer = $state<'sources' | 'cost' | null>(null);

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
	{#each faults as fault, i (i)}<p class="signal">{chainFaultWords(fault)}</p>{/each}
	<Problem sentence={house.problem} onclose={house.dismiss} />
	{#if chains.length === 0}
		<p class="lead">Until then every zone counts as its own heat source.</p>
		{@render adding()}
	{:else}
		<div class="moment">
			<p role="status">
				<strong
					>{DAY_SHORT[Math.floor(house.minute / DAY_MINUTES)]}
					{clockTime(house.minute % DAY_MINUTES)}</strong
				>
				{#if gaps.length > 1}
					<Button kind="quiet" small aria-expanded={all} onclick={() => (all = !all)}
						>{gaps.length - 1} other {gaps.length === 2 ? 'call' : 'calls'} not met</Button
					>
				{:else}<span class="soft">Drag a zone onto its heat source.</span>{/if}
			</p>
			<Button onclick={() => (drawer = 'sources')}>Heat sources</Button>
			<Button onclick={() => (drawer = 'cost')}>Costs</Button>
		</div>
		{#if all && gaps.length > 1}
			<ul aria-label="Other calls not met">
				{#each gaps.slice(1) as gap, i (i)}<li>{gap.text}</li>{/each}
			</ul>
		{/if}
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
			<Lane {...house.own} rowHeight={house.rowHeight} onfeed={(id) => void house.feed(id, null)} />
		</section>
	{/if}
</main>

{#snippet adding()}
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
		<Button type="submit" disabled={house.busy || name.trim() === ''}>Add heat source</Button>
	</form>
{/snippet}

<Dialog
	side
	heading={drawer === 'cost' ? 'Costs' : 'Heat sources'}
	bind:open={() => drawer !== null, (open) => open || (drawer = null)}
>
	<Problem sentence={house.problem} onclose={house.dismiss} />
	{#if drawer === 'cost'}
		<div class="fields">
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
			{#if data.zones.length > 0}
				<HouseCost rooms={house.rooms} zoneCount={data.zones.length} site={data.site} siteId={data.site.id} />
			{/if}
		</div>
	{:else}
		<div class="fields">
			<h3>Another heat source</h3>
			{@render adding()}
			<h3>What heats each zone</h3>
			{#each data.zones as zone (zone.id)}
				{#if governing.has(zone.id)}
					<p>
						{zone.name}
						<span class="soft"
							>controls {chains.find((one) => one.governor?.id === zone.id)!.source.name}</span
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
</Dialog>

<style>
	.fields {
		display: grid;
		gap: 0.75rem;
	}
	section {
		margin-top: 0.6rem;
		padding-top: 0.4rem;
		border-top: 2px solid var(--ink);
	}
	.moment {
		display: flex;
		flex-wrap: wrap;
		gap: 0.2rem 0.9rem;
		align-items: center;
	}
	.moment p {
		flex: 1 1 20rem;
	}
	.moment strong {
		margin-right: 0.6rem;
		font-size: 1.25rem;
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
