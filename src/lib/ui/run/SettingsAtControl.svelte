<script lang="ts">
	import {
		fromUnit,
		inUnit,
		keptSetpoint,
		roundFigure,
		type ControlProfile,
		type TemperatureUnit
	} from '$core/control';
	import { canStartEarly, type Settings } from '$core/plan';
	import Choice from '../kit/Choice.svelte';
	import NumberField from '../kit/NumberField.svelte';

	let {
		settings,
		profile,
		unit,
		onchange
	}: {
		settings: Settings;
		profile: ControlProfile;
		/** The unit of the zone's control: limits are read and set in it. */
		unit: TemperatureUnit;
		onchange: (settings: Settings) => void;
	} = $props();

	const habits = $derived(profile.habits);
	const early = $derived(canStartEarly(profile) && profile.temperature !== null);
	const any = $derived(habits.limits !== null || habits.fan !== null || profile.cooling !== null || early);
	const set = (part: Partial<Settings>) => onchange({ ...settings, ...part });
	const shown = (c: number | null) => (c === null ? null : roundFigure(inUnit(unit, c)));
	const kept = (figure: number | null) => (figure === null ? null : keptSetpoint(fromUnit(unit, figure)));
	const bound = (c: number) => roundFigure(inUnit(unit, c));
</script>

{#if any}
	<section aria-labelledby="set-at-control">
		<h2 id="set-at-control">Set at the control</h2>
		<div class="fields">
			{#if habits.limits}
				<NumberField
					label="Maximum setpoint"
					unit="°{unit}"
					empty
					value={shown(settings.highLimitC)}
					least={bound(Math.max(5, settings.lowLimitC ?? 5))}
					most={bound(60)}
					onchange={(figure) => set({ highLimitC: kept(figure) })}
				/>
				<NumberField
					label="Minimum setpoint"
					unit="°{unit}"
					empty
					value={shown(settings.lowLimitC)}
					least={bound(0)}
					most={bound(Math.min(40, settings.highLimitC ?? 40))}
					onchange={(figure) => set({ lowLimitC: kept(figure) })}
				/>
			{/if}
			{#if early}
				<NumberField
					label="Optimum start, at most"
					unit="min"
					whole
					empty
					value={settings.earlyStartMinutes}
					least={0}
					most={habits.earlyStartMostMinutes}
					onchange={(earlyStartMinutes) => set({ earlyStartMinutes })}
				/>
			{/if}
			{#if habits.fan}
				<Choice
					label="Fan"
					value={settings.fan}
					options={habits.fan.map((mode) => ({ value: mode, text: mode }))}
					onchange={(fan) => set({ fan })}
				/>
			{/if}
			{#if profile.cooling}
				<Choice
					label="It may"
					value={settings.changeover}
					options={[
						{ value: 'automatic', text: 'heat and cool' },
						{ value: 'heat-only', text: 'heat only' },
						{ value: 'cool-only', text: 'cool only' }
					]}
					onchange={(changeover) => set({ changeover })}
				/>
			{/if}
		</div>
	</section>
{/if}

<style>
	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(11rem, 100%), 1fr));
		gap: 0.75rem 1rem;
		margin: 0.5rem 0;
	}
</style>
