<script lang="ts">
	import type { ControlProfile } from '$core/control';
	import { routeMinutes, type PricedFit } from '$core/keying';
	import { duration } from '$core/week';
	import { feltWords, groupingCostWords, type Felt } from '$core/words';
	import { ownPace } from '../keyin/pace.svelte';
	import Tiles from '../kit/Tiles.svelte';
	import Why from '../kit/Why.svelte';

	let {
		fit,
		profile,
		say,
		felt = null,
		onchoose
	}: {
		fit: PricedFit;
		profile: ControlProfile;
		/** A setpoint with its unit. */
		say: (setpointC: number) => string;
		/** What would be felt of each, where the room is described. */
		felt?: Felt | null;
		onchoose: (grouping: string) => void;
	} = $props();

	const isSwitch = $derived(profile.temperature === null);
	const kelvinMinutes = (value: number) => Math.round(value).toLocaleString('en-GB').replace(',', ' ');
	const chosen = $derived(fit.chosen);
	/** What keying each grouping takes by its cheapest route, at this person's pace. */
	$effect(() => ownPace.load());
	const minutes = $derived(
		fit.prices.map((price) =>
			Math.max(1, Math.round(routeMinutes({ presses: price.presses, looks: price.values }, ownPace.now)))
		)
	);
	const route = $derived(
		fit.prices[fit.fits.findIndex((one) => one.grouping.id === chosen.grouping.id)]?.route ?? []
	);

	const feels = $derived(
		felt &&
			feltWords(
				felt,
				chosen,
				fit.fits.map(({ grouping }, i) => ({ ...grouping, values: fit.prices[i]!.values }))
			)
	);
	const cost = $derived(groupingCostWords(chosen, fit.tie, say));
</script>

<div class="groupings">
	<Tiles
		label="Day grouping"
		name="grouping"
		value={chosen.grouping.id}
		tiles={fit.fits.map((one, i) => ({
			value: one.grouping.id,
			one,
			price: fit.prices[i]!,
			minutes: minutes[i]!
		}))}
		onchange={onchoose}
	>
		{#snippet tile({ one, price, minutes })}
			<span class="head">
				<span class="name">{one.grouping.name}</span>
				{#if one.grouping.id === fit.suggested}<span class="state">suggested</span>{/if}
			</span>
			<span class="fact">
				<span>{isSwitch ? 'off when wanted' : 'too cold'}</span>
				<span class="mono" class:signal={one.misfit.coldMinutes > 0}>{duration(one.misfit.coldMinutes)}</span>
			</span>
			<span class="fact">
				<span>{isSwitch ? 'on when not wanted' : 'too warm'}</span>
				<span class="mono">{duration(one.misfit.warmMinutes)}</span>
			</span>
			{#if felt}
				<span class="fact">
					<span>felt too cold</span>
					<span class="mono">{duration(felt.minutes[one.grouping.id] ?? 0)}</span>
				</span>
			{/if}
			<span class="fact">
				<span>to key</span>
				<span class="mono">{price.values} in {minutes} min</span>
			</span>
		{/snippet}
	</Tiles>
	<div class="cost">
		<h2>
			What {chosen.grouping.name} costs
			<Why of="How this was found">
				<p>
					{chosen.couldGain === 0
						? `All programs were weighed against each other, from ${chosen.searched.candidateTimes} times and ${chosen.searched.setpoints} ${isSwitch ? 'states' : 'setpoints'}: none misses less.`
						: `The best found; no other misses less by more than ${Math.max(1, Math.ceil(chosen.couldGain * 100))} %.`}
				</p>
				{#if !isSwitch}
					<p>
						Too cold and too warm, in kelvin times minutes: {kelvinMinutes(chosen.misfit.coldKelvinMinutes)} and
						{kelvinMinutes(chosen.misfit.warmKelvinMinutes)}.
					</p>
				{/if}
				<p>
					Keying every value takes {chosen.valuesToKey} values; copying and leaving out what is right already leaves
					{fit.prices[fit.fits.indexOf(chosen)]?.values ?? chosen.valuesToKey}.
				</p>
			</Why>
		</h2>
		<p>{cost}</p>
		{#if feels}<p>{feels}</p>{/if}
		{#if route.length > 0}<p class="soft">Keying: {route.join(' ')}</p>{/if}
	</div>
</div>

<style>
	.groupings {
		display: grid;
		grid-template-columns: minmax(0, 3fr) minmax(12rem, 1fr);
		gap: 0 1rem;
		margin-top: 0.6rem;
		border-top: 2px solid var(--ink);
	}
	.head,
	.fact {
		display: flex;
		gap: 0.5rem;
		align-items: baseline;
		justify-content: space-between;
	}
	.fact {
		color: var(--soft);
	}
	.fact .mono {
		color: var(--ink);
		white-space: nowrap;
	}
	.fact .mono.signal {
		color: var(--signal);
	}
	.name {
		font-weight: 700;
	}
	.state {
		margin-right: 0.4rem;
		color: var(--held);
		font-weight: 700;
	}
	.cost {
		padding: 0.6rem 0;
	}
	h2 {
		display: flex;
		gap: 0.4rem;
		align-items: center;
		font-size: 1rem;
	}
	@media (max-width: 860px) {
		.groupings {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
