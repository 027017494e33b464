<script lang="ts">
	import { dateWords } from '$core/civil';
	import { allowedOptions } from '$core/control';
	import { bookedDates } from '$core/run';
	import type { WeekSteps } from '$core/week';
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
	const ranked = $derived([...zone.levels].sort((a, b) => a.setpointC - b.setpointC));
	const warmest = $derived(ranked.at(-1)!);
	const resting = $derived(ranked.findLast((one) => one.setpointC <= warmest.setpointC - 3) ?? ranked[0]!);
	/** What the bookings kept here still want beyond the week and its special days: left to a hand. */
	const byHand = $derived(
		bookedDates(
			{ ...profile, habits: { ...profile.habits, specialDays: null } },
			allowedOptions(profile, zone.options),
			held,
			zone.bookings,
			warmest,
			resting,
			today
		).filter(
			(date) =>
				!profile.habits.specialDays ||
				!zone.exceptions.some((one) => one.kind === 'special-day' && one.date === date.date)
		)
	);
</script>

<section>
	<h2>
		Bookings, {zone.bookings.length}
		<Button small onclick={() => model.change({ ...zone, bookings: [] })}>Forget them</Button>
	</h2>
	{#if byHand.length === 0}
		<p>The week and its special days serve every booking from today on.</p>
	{:else}
		<p>
			<strong>{byHand.length === 1 ? 'One date' : `${byHand.length} dates`} to be set by hand:</strong> the week
			does not serve them.
		</p>
		<ul>
			{#each byHand as date (date.date)}
				<li>
					<strong>{dateWords(date.date, 'short')}</strong>
					<span><span class="soft">{date.names.join(', ')}</span> {date.sentence}</span>
				</li>
			{/each}
		</ul>
	{/if}
</section>

<style>
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
