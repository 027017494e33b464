<script lang="ts">
	import { localTime, wallAt } from '$core/civil';
	import Headline from '$lib/ui/kit/Headline.svelte';
	import { allowedOptions, profileOf, localWords } from '$core/control';
	import type { Absence } from '$core/plan';
	import { absenceClashes } from '$core/run';
	import { capital } from '$core/schema';
	import Button from '$lib/ui/kit/Button.svelte';
	import Ahead from '$lib/ui/run/Ahead.svelte';
	import BookingsLeft from '$lib/ui/run/BookingsLeft.svelte';
	import { awayCut } from '$lib/ui/run/governed';
	import GoingAway from '$lib/ui/run/GoingAway.svelte';
	import SpecialDays from '$lib/ui/run/SpecialDays.svelte';
	import YearStrip from '$lib/ui/run/YearStrip.svelte';
	import { stripRow, yearAhead } from '$lib/ui/run/yearStrip';
	import { zoneModel } from '$lib/ui/zone/zoneModel.svelte';
	import { absenceClashWords, awayStanding } from '$core/words';

	let { data } = $props();

	const model = zoneModel();
	const zone = $derived(model.zone);
	const profile = $derived(model.profile);
	const options = $derived(allowedOptions(profile, zone.options));
	const timeZone = $derived(data.site.timeZone);
	const nowLocal = $derived(localTime(wallAt(timeZone, data.nowMs)));
	const today = $derived(nowLocal.slice(0, 10));

	const strip = $derived(yearAhead(timeZone, data.nowMs));
	const rows = $derived([stripRow(zone, profile, strip, data.zone.id, null)]);
	const standing = $derived(awayStanding(zone, profile, timeZone, data.nowMs));
	const absences = $derived(zone.exceptions.filter((one): one is Absence => one.kind === 'absence'));
	const conflicts = $derived(
		absenceClashes(profile, absences, nowLocal).map((clash) =>
			absenceClashWords(clash, (local) => localWords(local, options))
		)
	);
	/** What its next absence cuts off, where it lets a source run. */
	const cut = $derived(
		awayCut(
			zone,
			profile,
			data.site.sources,
			data.zones.map((one) => ({
				...one,
				profile: profileOf(one.document, data.profiles)
			}))
		)
	);
	let importing = $state(false);
</script>

<main>
	<div class="heading">
		<Headline of="{zone.name}: holidays and special days" bad={standing.kind === 'wrong'}>
			{standing.kind === 'none'
				? 'No holiday planned'
				: standing.kind === 'planned'
					? `Next away: ${standing.words}`
					: capital(standing.words)}
		</Headline>
		<div class="tools">
			<Button aria-pressed={importing} onclick={() => (importing = !importing)}>Bring in a calendar</Button>
			<Button href="/api/v1/jobs/{data.site.id}/zones/{data.zone.id}/calendar" download
				>Export calendar</Button
			>
		</div>
	</div>
	<p class="lead">
		{#each conflicts as conflict (conflict)}<span class="warm"> {conflict}</span>{/each}
	</p>
	{#if cut}<p class="signal">{cut}</p>{/if}
	<YearStrip {strip} {rows} {timeZone} />

	{#if importing}
		{#await import('$lib/ui/run/CalendarImport.svelte') then { default: CalendarImport }}
			<CalendarImport
				{zone}
				{profile}
				{timeZone}
				{today}
				onchange={model.change}
				onclose={() => (importing = false)}
			/>
		{/await}
	{/if}

	<div class="two">
		<section>
			<Ahead {model} program={data.program} {timeZone} nowMs={data.nowMs} {today} />
			<SpecialDays {model} {today} />
		</section>
		<GoingAway {model} program={data.program} {timeZone} nowMs={data.nowMs} />
	</div>
	{#if zone.bookings.length > 0}<BookingsLeft {model} held={data.held} {today} />{/if}
</main>

<style>
	.heading,
	.tools {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: start;
		justify-content: space-between;
	}
	.lead {
		margin: 0.2rem 0 0.6rem;
	}
	.two {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 2.5rem;
		margin-top: 1rem;
	}
	main :global(h2) {
		margin: 0.25rem 0;
		font-size: 1.05rem;
	}
	@media (max-width: 860px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
			gap: 1.5rem;
		}
	}
</style>
