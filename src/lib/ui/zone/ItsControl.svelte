<script lang="ts">
	import { channelsOf, perDayOffers, temperatureWords, type ControlProfile } from '$core/control';
	import { movedLevels, onControl, onOwnScale } from '$core/plan';
	import Choice from '../kit/Choice.svelte';
	import type { ZoneModel } from './zoneModel.svelte';

	let { model, profiles }: { model: ZoneModel; profiles: readonly ControlProfile[] } = $props();

	const { zone, profile } = $derived(model);
	const offers = $derived(perDayOffers(profile));
	const channels = $derived(channelsOf(profile));

	function option<K extends keyof typeof zone.options>(key: K, value: (typeof zone.options)[K]) {
		model.change({ ...zone, options: { ...zone.options, [key]: value } });
	}

	/** What another unit made of the levels, said once. */
	let moved = $state<string | null>(null);
	function changeUnit(unit: 'C' | 'F') {
		const switched = { ...zone, options: { ...zone.options, unit } };
		const next = onOwnScale(switched, profile);
		const levels = movedLevels(switched, next);
		moved =
			levels.length === 0
				? null
				: `On this control a level is a whole °F: ${levels
						.map(
							({ from, to }) =>
								`${from.name} ${temperatureWords('C', from.setpointC)} is ${temperatureWords('F', to.setpointC)} now`
						)
						.join(', ')}.`;
		model.change(next);
	}

	function changeControl(id: string) {
		const next = profiles.find((candidate) => candidate.id === id);
		if (next) model.change(onControl(zone, profile, next));
	}
</script>

<section aria-labelledby="its-control">
	<h2 id="its-control">Its control</h2>
	<div class="fields">
		<Choice
			label="Kind"
			value={zone.control}
			options={profiles.map((one) => ({ value: one.id, text: one.name }))}
			onchange={changeControl}
		/>
		{#if offers.length > 1 && !zone.options.plain}
			<Choice
				label="Steps a day"
				value={String(zone.options.perDay)}
				options={offers.map((count) => ({ value: String(count), text: String(count) }))}
				onchange={(count) => option('perDay', Number(count))}
			/>
		{/if}
		{#if profile.canBePlain}
			<Choice
				label="Runs"
				value={zone.options.plain ? 'plain' : 'program'}
				options={[
					{ value: 'program', text: 'its program' },
					{ value: 'plain', text: 'one setpoint' }
				]}
				onchange={(runs) => option('plain', runs === 'plain')}
			/>
		{/if}
		{#if channels}
			<Choice
				label="Channel"
				value={String(zone.options.channel)}
				options={channels.map((name, i) => ({ value: String(i), text: name }))}
				onchange={(channel) => option('channel', Number(channel))}
			/>
		{/if}
		{#if profile.clockFormats.length > 1}
			<Choice
				label="Its clock"
				value={zone.options.clock}
				options={[
					{ value: '24', text: '24-hour' },
					{ value: '12', text: '12-hour' }
				]}
				onchange={(clock) => option('clock', clock)}
			/>
		{/if}
		{#if profile.temperature && profile.temperature.units.length > 1}
			<Choice
				label="Its unit"
				value={zone.options.unit}
				options={[
					{ value: 'C', text: '°C' },
					{ value: 'F', text: '°F' }
				]}
				onchange={changeUnit}
			/>
		{/if}
	</div>
	{#if moved}<p role="status">{moved}</p>{/if}
	<p><a href="/controls/{zone.control}">What this control can hold</a></p>
</section>

<style>
	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
		gap: 0.75rem 1rem;
		margin: 0.5rem 0;
	}
</style>
