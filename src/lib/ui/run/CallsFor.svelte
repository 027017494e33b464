<script lang="ts">
	import { fromUnit, type TemperatureUnit } from '$core/control';
	import { demandOf, type Resolved } from '$core/run';
	import NumberField from '../kit/NumberField.svelte';
	import type { ZoneModel } from '../zone/zoneModel.svelte';

	let { model, held, atMs, unit }: { model: ZoneModel; held: Resolved; atMs: number; unit: TemperatureUnit } =
		$props();

	const { zone, profile } = $derived(model);
	const isSwitch = $derived(profile.temperature === null);
	/** The room's temperature in the zone's unit; null where none was said. */
	let room = $state<number | null>(null);
	const demand = $derived(
		room !== null || isSwitch
			? demandOf(profile, zone.settings, held, room === null ? 0 : fromUnit(unit, room), atMs)
			: null
	);
	const WORDS = {
		heat: 'Calling for heat.',
		cool: 'Calling for cooling.',
		none: 'No call for heat.'
	};
</script>

<section>
	<h2>Call for heat</h2>
	{#if !isSwitch}
		<NumberField
			label="With the room at"
			unit="°{unit}"
			empty
			value={room}
			onchange={(figure) => (room = figure)}
		/>
	{/if}
	{#if demand}
		<p aria-live="polite">
			{WORDS[demand.call]}
			{#if demand.fan}The fan {demand.fan}.{/if}
			{#if profile.habits.minimumOffMinutes > 0}
				<span class="soft">May wait {profile.habits.minimumOffMinutes} min before starting. Not a fault.</span
				>
			{/if}
		</p>
	{/if}
</section>
