<script lang="ts">
	import type { Chain } from '$core/house';
	import { chainStanding } from '$core/words';
	import Button from '../kit/Button.svelte';
	import Choice from '../kit/Choice.svelte';
	import Dialog from '../kit/Dialog.svelte';
	import Problem from '../kit/Problem.svelte';
	import NumberField from '../kit/NumberField.svelte';
	import type { houseView } from './houseView.svelte';
	import Lane from './Lane.svelte';
	import TariffFields from './TariffFields.svelte';
	import WeekStrips from './WeekStrips.svelte';

	let {
		chain,
		zones,
		siteId,
		currency,
		house,
		first
	}: {
		chain: Chain;
		zones: readonly {
			readonly id: string;
			readonly name: string;
			readonly document: { readonly fedBy: string | null };
		}[];
		siteId: string;
		currency: string;
		house: ReturnType<typeof houseView>;
		/** Whether its act is the filled one of the view. */
		first: boolean;
	} = $props();

	const KIND = { boiler: 'boiler', 'heat-pump': 'heat pump', district: 'district heat' } as const;
	/** How long a store takes where nobody measured it: common practice. */
	const STORE_MINUTES = 45;
	const { source, governor, fed, lostMinutes } = $derived(chain);
	const water = $derived(fed.some(({ zone }) => zone.heatsStore));
	let open = $state(false);
</script>

<section aria-label={source.name}>
	<Lane
		{...house.lane(source.id)}
		rowHeight={house.rowHeight}
		onfeed={(id) => void house.feed(id, source.id)}
	/>
	<div class="under">
		<p class:signal={lostMinutes > 0}>{chainStanding(chain)}</p>
		{#if governor && fed.length > 0 && lostMinutes > 0}
			<Button kind={first ? 'next' : 'plain'} disabled={house.busy} onclick={() => void house.follow(chain)}
				>Make {governor.zone.name} follow its zones</Button
			>
		{:else if governor && fed.length > 0}
			<Button href="/sites/{siteId}/zones/{governor.id}/week">See its week</Button>
		{/if}
		<Button onclick={() => (open = true)}>Set up {source.name}</Button>
	</div>
	{#if fed.length > 0}
		<WeekStrips {chain} minute={house.minute} onminute={(minute) => (house.minute = minute)} />
	{/if}
</section>

<Dialog
	side
	heading={source.name.toLowerCase() === KIND[source.kind]
		? source.name
		: `${source.name}, ${KIND[source.kind]}`}
	bind:open
>
	<Problem sentence={house.problem} onclose={house.dismiss} />
	<div class="fields">
		<Choice
			label="{source.name} may run in the hours of"
			value={governor?.id ?? ''}
			disabled={house.busy}
			options={[
				{ value: '', text: 'no program: whenever a zone calls' },
				...zones
					.filter((zone) => zone.document.fedBy !== source.id)
					.map((zone) => ({ value: zone.id, text: zone.name }))
			]}
			onchange={(id) => void house.govern(source.id, id || null)}
		/>
		{#if water}
			<Choice
				label="{source.name} heats"
				value={source.waterFirstMinutes === null ? 'both' : 'first'}
				disabled={house.busy}
				options={[
					{ value: 'both', text: 'rooms and hot water at once' },
					{ value: 'first', text: 'the hot water first' }
				]}
				onchange={(how) =>
					void house.set(source.id, { waterFirstMinutes: how === 'first' ? STORE_MINUTES : null })}
			/>
			{#if source.waterFirstMinutes !== null}
				<NumberField
					label="The cylinder is hot after"
					unit="min"
					value={source.waterFirstMinutes}
					least={5}
					most={240}
					whole
					onchange={(waterFirstMinutes) => void house.set(source.id, { waterFirstMinutes })}
				/>
			{/if}
		{/if}
		<h3>What its heat costs</h3>
		{#if source.kind === 'boiler'}
			<NumberField
				label="Efficiency at 60 °C return"
				unit="%"
				value={source.efficiency === null ? null : Math.round(source.efficiency * 1000) / 10}
				least={30}
				most={110}
				empty
				onchange={(percent) =>
					void house.set(source.id, { efficiency: percent === null ? null : percent / 100 })}
			/>
		{:else if source.kind === 'heat-pump'}
			<NumberField
				label="Performance at 7 °C outside, 35 °C flow"
				value={source.performance}
				least={1}
				most={8}
				empty
				onchange={(performance) => void house.set(source.id, { performance })}
			/>
		{/if}
		<TariffFields
			label={source.kind === 'boiler' ? 'Fuel' : source.kind === 'district' ? 'Heat' : 'Electricity'}
			tariff={source.tariff}
			{currency}
			onchange={(tariff) => void house.set(source.id, { tariff })}
		/>
		<p class="soft">
			Figures from its plate or its data sheet; without them nothing is said of money. A heat pump without a
			tariff of its own pays what electricity costs here.
		</p>
		<Button kind="danger" disabled={house.busy} onclick={() => void house.remove(source.id)}
			>Take {source.name} away</Button
		>
	</div>
</Dialog>

<style>
	section {
		margin-top: 0.6rem;
		padding-top: 0.4rem;
		border-top: 2px solid var(--ink);
	}
	.under {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem 1rem;
		align-items: center;
	}
	.under p {
		flex: 1 1 20rem;
	}
	.fields {
		display: grid;
		gap: 1rem;
	}
</style>
