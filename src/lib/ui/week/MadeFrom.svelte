<script module lang="ts">
	/** What a week can be made from beside drawing. */
	export type Way = 'say' | 'table' | 'routine';
</script>

<script lang="ts">
	import { followsRoutine, type Zone } from '$core/plan';
	import Button from '../kit/Button.svelte';
	import type { ZoneModel } from '../zone/zoneModel.svelte';

	/** What stands open above the drawing: the week said, its table, or the routine behind it. */
	let {
		model,
		zone,
		open = $bindable(null)
	}: {
		model: ZoneModel;
		/** The zone as it is shown here: while it is dragged, a moment old. */
		zone: Zone;
		open: Way | null;
	} = $props();
	const { editor, profile } = $derived(model);
</script>

{#if open === 'say'}
	{#await import('./SayWeek.svelte') then { default: SayWeek }}
		<SayWeek
			zone={model.zone}
			{profile}
			onpreview={(next) => editor.preview(next)}
			oncommit={() => editor.commit()}
			oncancel={() => editor.cancel()}
			onclose={() => (open = null)}
		/>
	{/await}
{:else if open === 'table'}
	{#await import('./WeekTable.svelte') then { default: WeekTable }}
		<WeekTable {zone} onchange={model.change} />
	{/await}
{:else if open === 'routine'}
	{#await import('./RoutinePanel.svelte') then { default: RoutinePanel }}
		<RoutinePanel {zone} {profile} onchange={model.change} />
	{/await}
{:else if zone.routine && !followsRoutine(zone)}
	<p>
		The week no longer follows its routine.
		<Button kind="quiet" onclick={() => (open = 'routine')}>See both</Button>
	</p>
{/if}

<style>
	p {
		padding-left: 0.6rem;
		border-left: 4px solid var(--signal);
	}
</style>
