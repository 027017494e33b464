<script lang="ts">
	import { dateWords } from '$core/civil';
	import { withBookings } from '$core/plan';
	import { bookedDates, bookingLevels } from '$core/run';
	import type { WeekSteps } from '$core/week';
	import EachWeek from './EachWeek.svelte';
	import Button from '../kit/Button.svelte';
	import type { ZoneModel } from '../zone/zoneModel.svelte';

	let {
		model,
		held,
		today
	}: {
		model: ZoneModel;
		/** The week as the control holds it, in °C. */
		held: WeekSteps<number>;
		/** The first date that counts. */
		today: string;
	} = $props();

	const { zone, profile } = $derived(model);
	/** What the bookings kept here still want beyond the week and its special days. */
	const left = $derived(
		bookedDates(zone, { ...profile, habits: { ...profile.habits, specialDays: null } }, held, {
			...bookingLevels(zone.levels),
			since: today
		})
	);
	const cold = $derived(left.filter((date) => date.byHand.length > 0).length);
</script>

<section>
	<div class="head">
		<h2>Bookings, {zone.bookings.length}</h2>
		<Button small onclick={() => model.change(withBookings(zone, []))}>Forget them</Button>
	</div>
	<EachWeek {model} {today} left={left.length} />
	{#if left.length === 0}
		<p>
			{zone.bookedWeek === null
				? 'The week and its special days serve every booking from today on.'
				: 'It serves every booking of that week.'}
		</p>
	{:else}
		<p>
			{#if cold > 0}
				<strong class="signal"
					>{cold === 1 ? 'One date is' : `${cold} dates are`} cold unless it is set by hand</strong
				>
				that day: Visits due has {cold === 1 ? 'it' : 'them'}.
			{:else}
				Nobody is cold: {left.length === 1 ? 'one date is' : `${left.length} dates are`} heated for nobody.
			{/if}
		</p>
		<ul>
			{#each left as date (date.date)}
				<li>
					<strong>{dateWords(date.date, 'short')}</strong>
					<span><span class="soft">{date.names.join(', ')}</span> {date.sentence}</span>
				</li>
			{/each}
		</ul>
	{/if}
</section>

<style>
	.head {
		display: flex;
		gap: 0.75rem;
		align-items: center;
		margin-top: 1.5rem;
	}
	ul {
		margin: 0 0 0.75rem;
	}
	li {
		display: grid;
		grid-template-columns: 9rem minmax(0, 1fr);
		gap: 0.75rem;
		align-items: center;
		min-height: 44px;
		border-bottom: 1px solid var(--rule);
	}
</style>
