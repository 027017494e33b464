<script lang="ts">
	import { untrack } from 'svelte';
	import { setpointWithUnit } from '$core/control';
	import { askingOf, gapsOf, heatWeek } from '$core/house';
	import { followsRoutine, isUndrawn, unitOf } from '$core/plan';
	import Button from '$lib/ui/kit/Button.svelte';
	import Balance from '$lib/ui/week/Balance.svelte';
	import { calmly } from '$lib/ui/week/calm.svelte';
	import Chosen from '$lib/ui/week/Chosen.svelte';
	import FedSaid from '$lib/ui/week/FedSaid.svelte';
	import GroupingCost from '$lib/ui/week/GroupingCost.svelte';
	import Groupings from '$lib/ui/week/Groupings.svelte';
	import LeadChoice from '$lib/ui/week/LeadChoice.svelte';
	import Levels from '$lib/ui/week/Levels.svelte';
	import MarksShown from '$lib/ui/week/MarksShown.svelte';
	import Palette from '$lib/ui/week/Palette.svelte';
	import WeekChart from '$lib/ui/week/WeekChart.svelte';
	import type { RiserPlace } from '$lib/ui/week/weekEdits';
	import WeekSaid from '$lib/ui/week/WeekSaid.svelte';
	import { followWeek } from '$lib/ui/week/weekView.svelte';
	import Followers from '$lib/ui/zone/Followers.svelte';
	import { zoneModel } from '$lib/ui/zone/zoneModel.svelte';

	let { data } = $props();

	const model = zoneModel();
	// the page is made anew for each zone: it starts from what was loaded
	// svelte-ignore state_referenced_locally
	const view = followWeek(model, data.firstFit, () => (data.feeding ? heatWeek(data.feeding) : null));
	const { editor } = model;

	const zone = $derived(model.zone);
	const name = $derived(model.zone.name);
	const profile = $derived(model.profile);
	const isSwitch = $derived(profile.temperature === null);
	let selected = $state.raw<RiserPlace | null>(null);
	let selectedDay = $state(0);
	let pressed = $state(false);
	let shown = $state({ wanted: true, held: true, misfit: true });
	let giving = $state(false);
	/** The level that is drawn with. */
	let brush = $state<string | null>(null);
	let windowHeight = $state(800);

	/** What stands around the drawing. */
	const aside = calmly(
		() => ({ zone, fit: view.fit, selected, day: selectedDay }),
		() => editor.dragged || pressed
	);
	const calm = $derived(aside.value);
	/** What is asked while what feeds the zone may not run. */
	const gaps = $derived(
		data.feeding ? gapsOf(askingOf(zone, profile, calm.fit.chosen.held), data.feeding.may) : []
	);

	const untouched = $derived(isUndrawn(zone, profile));
	/** What stands open above the drawing: on an untouched week the routine it can be made from. */
	let open = $state<'say' | 'table' | 'routine' | null>(untrack(() => (untouched ? 'routine' : null)));
	const rowHeight = $derived(Math.min(96, Math.max(52, Math.floor((windowHeight - 440) / 7))));
</script>

<svelte:window bind:innerHeight={windowHeight} />

<main>
	<div class="bar">
		<WeekSaid {name} zone={calm.zone} {profile} fit={calm.fit} onchange={model.change} />
		<div class="ways">
			{#each [['say', 'Say the week'], ['routine', 'Routine'], ['table', 'Table']] as const as [id, name] (id)}
				<Button aria-pressed={open === id} onclick={() => (open = open === id ? null : id)}>{name}</Button>
			{/each}
			{#if data.zones.length > 1}
				<Button onclick={() => (giving = true)}>Other zones</Button>
			{/if}
		</div>
	</div>
	<Followers {model} zone={calm.zone} zones={data.zones} />
	{#if data.feeding}
		<FedSaid
			zone={calm.zone}
			{profile}
			feeding={data.feeding}
			held={calm.fit.chosen.held}
			house="/sites/{data.site.id}/house"
		/>
	{/if}
	{#if open === 'say'}
		{#await import('$lib/ui/week/SayWeek.svelte') then { default: SayWeek }}
			<SayWeek
				{zone}
				{profile}
				onpreview={(next) => editor.preview(next)}
				oncommit={() => editor.commit()}
				oncancel={() => editor.cancel()}
				onclose={() => (open = null)}
			/>
		{/await}
	{:else if open === 'table'}
		{#await import('$lib/ui/week/WeekTable.svelte') then { default: WeekTable }}
			<WeekTable zone={calm.zone} onchange={model.change} />
		{/await}
	{:else if open === 'routine'}
		{#await import('$lib/ui/week/RoutinePanel.svelte') then { default: RoutinePanel }}
			<RoutinePanel zone={calm.zone} {profile} onchange={model.change} />
		{/await}
	{:else if calm.zone.routine && !followsRoutine(calm.zone)}
		<p class="parted">
			The week no longer follows its routine.
			<Button kind="quiet" onclick={() => (open = 'routine')}>See both</Button>
		</p>
	{/if}
	<div class="plan">
		<div class="groupings">
			<Groupings
				fit={calm.fit}
				felt={view.felt}
				{profile}
				onchoose={(grouping) => model.change({ ...zone, grouping })}
			/>
		</div>
		<Palette {zone} {profile} bind:brush />
		<WeekChart
			{zone}
			{profile}
			fit={view.fit}
			{shown}
			roomC={view.roomC}
			{gaps}
			{rowHeight}
			{brush}
			bind:selected
			bind:selectedDay
			bind:pressed
			onpreview={(next) => editor.preview(next)}
			oncommit={() => editor.commit()}
			oncancel={() => editor.cancel()}
			onchange={model.change}
		>
			{#snippet beside()}<Chosen {model} {...calm} />{/snippet}
		</WeekChart>
		<div class="at-hand"><Chosen {model} {...calm} /></div>
		<MarksShown
			bind:shown
			bind:showRoom={view.showRoom}
			{isSwitch}
			governed={zone.room?.sensor === 'floor' ? 'floor' : 'room'}
			unit={unitOf(zone, profile)}
			outdoorC={zone.room && !isSwitch ? view.outdoorC : null}
		/>
	</div>
	<div class="below">
		<GroupingCost
			fit={calm.fit}
			felt={view.felt}
			{profile}
			say={(c) => setpointWithUnit(profile, calm.zone.options, c)}
		/>
		<Levels zone={calm.zone} {profile} onchange={model.change} />
		<div>
			<Balance {model} />
			<LeadChoice
				zone={calm.zone}
				{profile}
				proof="/sites/{data.site.id}/zones/{data.zone.id}/proof"
				onchange={model.change}
			/>
			{#if zone.note}
				<section>
					<h2>Note</h2>
					<p>{zone.note}</p>
				</section>
			{/if}
		</div>
	</div>
</main>

{#if giving}
	{#await import('$lib/ui/zone/OtherZones.svelte') then { default: OtherZones }}
		<OtherZones
			{zone}
			zoneId={data.zone.id}
			siteId={data.site.id}
			zones={data.zones}
			profiles={data.profiles}
			ontake={model.change}
			onclose={() => (giving = false)}
		/>
	{/await}
{/if}

<style>
	.bar,
	.ways {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: start;
		justify-content: space-between;
	}
	.bar {
		flex-wrap: nowrap;
	}
	.plan {
		display: flex;
		flex-direction: column;
		gap: 0.3rem;
	}
	.at-hand {
		display: none;
	}
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
	.parted {
		padding-left: 0.6rem;
		border-left: 4px solid var(--signal);
	}
	@media (max-width: 860px) {
		.bar {
			flex-wrap: wrap;
		}
		/* the week first, then the groupings */
		.groupings {
			order: 1;
		}
	}
	/* where the drawing has no room for it, what is chosen stands under it */
	@media (max-width: 551px) {
		.at-hand {
			display: block;
		}
	}
</style>
