<script lang="ts">
	import { dateWords } from '$core/civil';
	import { inWeekOf, mondayOf, weeksAfter } from '$core/plan';
	import { counted } from '$core/schema';
	import { bookingLevels } from '$core/run';
	import { fitMany } from '$lib/workers/fitMany';
	import Button from '../kit/Button.svelte';
	import type { ZoneModel } from '../zone/zoneModel.svelte';

	let {
		model,
		today,
		left
	}: {
		model: ZoneModel;
		/** The first date that counts. */
		today: string;
		/** How many dates one week for good leaves to a hand; of no interest where each week is keyed by itself. */
		left: number;
	} = $props();

	/** So many weeks ahead are priced: a term of a hall. */
	const WEEKS = 12;

	const { zone, profile } = $derived(model);
	const levels = $derived(bookingLevels(zone.levels));
	const inWeek = $derived((monday: string) =>
		inWeekOf(zone, profile, monday, levels.warm.id, levels.rest.id)
	);
	/** The week that is planned next: this one, or the one after what is planned. */
	const next = $derived(zone.bookedWeek === null ? mondayOf(today) : weeksAfter(zone.bookedWeek, 1));
	const weeks = $derived(Array.from({ length: WEEKS }, (_, i) => inWeek(weeksAfter(next, i))));

	/** The values that are keyed for each of these weeks after the one before it; null while they are computed. */
	let toKey = $state.raw<readonly number[] | null>(null);
	$effect(() => {
		const [all, now, control] = [weeks, zone, profile];
		toKey = null;
		const running = fitMany(
			all.map((week, i) => ({ zone: week, was: i === 0 ? now : all[i - 1]!, profile: control })),
			() => {}
		);
		void running.outcomes.then((found) => {
			if (found) toKey = found.map(({ toKey: few, values }) => few ?? values);
		});
		return () => running.stop();
	});
	/** What a week costs once the first is keyed. */
	const middle = $derived(toKey && [...toKey.slice(1)].sort((a, b) => a - b)[Math.floor((WEEKS - 1) / 2)]!);

	async function forGood() {
		// a fit: nothing that draws the page leads to it
		const { inOneWeek, oneWeekTaken } = await import('./inOneWeek');
		model.change(oneWeekTaken(inOneWeek(zone, profile, { ...levels, since: today })));
	}
</script>

<div>
	<p>
		{#if zone.bookedWeek === null}
			One week for good: {counted(left, 'date')} by hand.
		{:else}
			<strong>Planned: the week of {dateWords(zone.bookedWeek, 'short')}.</strong>
		{/if}
		{#if toKey && middle !== null}
			Keyed each week: usually {counted(middle, 'value')}, at most {counted(
				Math.max(...toKey.slice(1)),
				'value'
			)} in the
			{WEEKS} weeks ahead.
		{/if}
	</p>
	<Button onclick={() => model.change(inWeek(next))}
		>Plan the week of {dateWords(next, 'short')}{toKey ? `, ${counted(toKey[0]!, 'value')}` : ''}</Button
	>
	{#if zone.bookedWeek !== null}<Button onclick={forGood}>One week for good</Button>{/if}
</div>

<style>
	div {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: center;
		margin: 0.5rem 0;
	}
	p {
		flex: 1 1 20rem;
	}
</style>
