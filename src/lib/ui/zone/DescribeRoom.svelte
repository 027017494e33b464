<script lang="ts">
	import { FLOOR_MOST_W_M2, heatsByFloor, ROOM_STARTS, roomBegun, usualAreaM2, wattsPerM2 } from '$core/plan';
	import Button from '../kit/Button.svelte';
	import NumberField from '../kit/NumberField.svelte';
	import type { ZoneModel } from './zoneModel.svelte';

	let { model }: { model: ZoneModel } = $props();

	const { habits } = $derived(model.profile);
	let chosen = $state<(typeof ROOM_STARTS)[number] | null>(null);
	let typedM2 = $state<number | null>(null);
	let typedW = $state<number | null>(null);
	const areaM2 = $derived(typedM2 ?? usualAreaM2(model.zone.use, model.zone.name));
	const ratedW = $derived(
		typedW ?? Math.max(100, Math.round((areaM2 * (chosen?.wattsPerM2 ?? 90)) / 50) * 50)
	);
	const room = $derived(chosen && roomBegun(chosen, { areaM2, ratedW, floorSensor: habits.floorSensor }));
	const tooMuch = $derived(room !== null && heatsByFloor(room) && wattsPerM2(room) > FLOOR_MOST_W_M2);
</script>

<p class="lead">Say what warms this room and how it is built; all of it can be corrected.</p>
<div class="starts">
	{#each ROOM_STARTS as start (start.words)}
		<Button aria-pressed={chosen === start} onclick={() => (chosen = start)}>{start.words}</Button>
	{/each}
</div>
{#if chosen && room}
	<div class="starts fields">
		<NumberField
			label="Floor"
			unit="m²"
			least={1}
			most={2000}
			value={areaM2}
			onchange={(m2) => (typedM2 = m2)}
		/>
		<NumberField
			label="Power"
			unit="W"
			least={20}
			most={200_000}
			value={ratedW}
			onchange={(w) => (typedW = w)}
		/>
		<Button onclick={() => model.change({ ...model.zone, room })}>Describe it so</Button>
	</div>
	<p class:signal={tooMuch} class:soft={!tooMuch}>
		{Math.round(wattsPerM2(room))} W/m²{tooMuch
			? `: floors are made for ${FLOOR_MOST_W_M2} at most. One of the two figures is wrong.`
			: room.sensor === 'floor'
				? '; its control measures the floor.'
				: '.'}
	</p>
{/if}

<style>
	.starts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: end;
		margin-top: 0.75rem;
	}
	.fields :global(.bx--form-item) {
		flex: 0 0 9rem;
	}
</style>
