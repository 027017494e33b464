<script lang="ts">
	import { setpointWithUnit } from '$core/control';
	import type { PricedFit } from '$core/keying';
	import type { Zone } from '$core/plan';
	import type { Felt } from '$core/words';
	import type { ZoneModel } from '../zone/zoneModel.svelte';
	import Balance from './Balance.svelte';
	import GroupingCost from './GroupingCost.svelte';
	import LeadChoice from './LeadChoice.svelte';
	import Levels from './Levels.svelte';

	/** What stands under the drawn week: what the grouping costs, the levels, what counts more, when it starts. */
	let {
		model,
		zone,
		fit,
		felt,
		proof
	}: {
		model: ZoneModel;
		/** The zone as it is shown here: while it is dragged, a moment old. */
		zone: Zone;
		fit: PricedFit;
		felt: Felt | null;
		/** The address of its proof. */
		proof: string;
	} = $props();
	const { profile } = $derived(model);
</script>

<div class="below">
	<GroupingCost {fit} {felt} {profile} say={(c) => setpointWithUnit(profile, zone.options, c)} />
	<Levels {zone} {profile} onchange={model.change} />
	<div>
		<Balance {model} />
		<LeadChoice {zone} {profile} {proof} onchange={model.change} />
		{#if zone.note}
			<section>
				<h2>Note</h2>
				<p>{zone.note}</p>
			</section>
		{/if}
	</div>
</div>

<style>
	.below {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(18rem, 100%), 1fr));
		gap: 1rem 2.5rem;
		margin-top: 0.8rem;
		padding-top: 0.8rem;
		border-top: 2px solid var(--ink);
	}
	.below > div {
		display: grid;
		gap: 1.2rem;
		align-content: start;
	}
	.below :global(h2) {
		margin-bottom: 0.25rem;
		font-size: 1rem;
	}
</style>
