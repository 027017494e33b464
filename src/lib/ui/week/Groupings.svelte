<script lang="ts">
	import type { ControlProfile } from '$core/control';
	import { routeMinutes, type PricedFit } from '$core/keying';
	import { duration } from '$core/week';
	import type { Felt } from '$core/words';
	import { ownPace } from '../keyin/pace.svelte';
	import Tiles from '../kit/Tiles.svelte';

	/** The day groupings in a row: what each leaves too cold and too warm, what would be felt, what it takes to key. */
	let {
		fit,
		profile,
		felt = null,
		onchoose
	}: {
		fit: PricedFit;
		profile: ControlProfile;
		/** What would be felt of each, where the room is described. */
		felt?: Felt | null;
		onchoose: (grouping: string) => void;
	} = $props();

	const isSwitch = $derived(profile.temperature === null);
	/** What keying each grouping takes by its cheapest route, at this person's pace. */
	$effect(() => ownPace.load());
	const minutes = $derived(
		fit.prices.map((price) =>
			Math.max(1, Math.round(routeMinutes({ presses: price.presses, looks: price.values }, ownPace.now)))
		)
	);
</script>

<Tiles
	label="Day grouping"
	name="grouping"
	value={fit.chosen.grouping.id}
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
			<span class="name"
				>{one.grouping.name}{#if one.grouping.id === fit.suggested}<span class="state">suggested</span
					>{/if}</span
			>
			<span class="soft">{price.values} {price.values === 1 ? 'value' : 'values'}, {minutes} min</span>
		</span>
		<span class="facts">
			<span
				>{isSwitch ? 'off when wanted' : 'too cold'}
				<b class:signal={one.misfit.coldMinutes > 0}>{duration(one.misfit.coldMinutes)}</b></span
			>
			<span>{isSwitch ? 'on when not wanted' : 'too warm'} <b>{duration(one.misfit.warmMinutes)}</b></span>
			{#if felt}
				<span>felt too cold <b>{duration(felt.minutes[one.grouping.id] ?? 0)}</b></span>
			{/if}
		</span>
	{/snippet}
</Tiles>

<style>
	.head {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.5rem;
		padding-right: 0.6rem;
		align-items: baseline;
		justify-content: space-between;
	}
	.facts {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1.1rem;
		font-size: var(--small);
	}
	.facts span {
		white-space: nowrap;
	}
	.signal {
		color: var(--signal);
	}
	.name {
		font-weight: 700;
	}
	.state {
		margin-left: 0.6rem;
		color: var(--held);
	}
</style>
