<script lang="ts">
	import { untrack } from 'svelte';
	import { askingOf, gapsOf, heatWeek } from '$core/house';
	import { isUndrawn, unitOf } from '$core/plan';
	import Button from '$lib/ui/kit/Button.svelte';
	import { calmly } from '$lib/ui/week/calm.svelte';
	import Chosen from '$lib/ui/week/Chosen.svelte';
	import FedSaid from '$lib/ui/week/FedSaid.svelte';
	import Groupings from '$lib/ui/week/Groupings.svelte';
	import MadeFrom, { type Way } from '$lib/ui/week/MadeFrom.svelte';
	import MarksShown from '$lib/ui/week/MarksShown.svelte';
	import Palette from '$lib/ui/week/Palette.svelte';
	import WeekBelow from '$lib/ui/week/WeekBelow.svelte';
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
	let open = $state<Way | null>(untrack(() => (untouched ? 'routine' : null)));
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
	<MadeFrom {model} zone={calm.zone} bind:open />
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
		<MarksShown
			bind:shown
			bind:showRoom={view.showRoom}
			{isSwitch}
			governed={zone.room?.sensor === 'floor' ? 'floor' : 'room'}
			unit={unitOf(zone, profile)}
			outdoorC={zone.room && !isSwitch ? view.outdoorC : null}
		/>
	</div>
	<WeekBelow
		{model}
		zone={calm.zone}
		fit={calm.fit}
		felt={view.felt}
		proof="/sites/{data.site.id}/zones/{data.zone.id}/proof"
	/>
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
	}
	.bar {
		flex-wrap: nowrap;
		justify-content: space-between;
	}
	.plan {
		display: flex;
		flex-direction: column;
		gap: 0.3rem;
	}
	@media (max-width: 860px) {
		.bar {
			flex-wrap: wrap;
			margin-bottom: 0.5rem;
		}
		/* the week first, then the groupings */
		.groupings {
			order: 1;
		}
	}
</style>
