<script lang="ts">
	import type { SettingValue, ZoneSetting } from '$core/checks';
	import type { TemperatureUnit } from '$core/control';
	import Choice from '../visit/Choice.svelte';
	import Day from '../visit/Day.svelte';
	import Degrees from '../visit/Degrees.svelte';
	import Figure from '../visit/Figure.svelte';
	import Several from '../visit/Several.svelte';
	import Words from '../visit/Words.svelte';

	let {
		setting,
		unit,
		value,
		onchange
	}: {
		setting: ZoneSetting;
		/** The unit in which temperatures are asked. */
		unit: TemperatureUnit;
		value: SettingValue | null;
		onchange: (value: SettingValue | null) => void;
	} = $props();
	const asked = $derived(setting.asked);
</script>

{#if asked.kind === 'choice'}
	<Choice
		label={setting.name}
		choices={asked.choices as readonly (readonly [string | boolean, string])[]}
		value={value as string | boolean | null}
		onchoose={onchange}
	/>
{:else if asked.kind === 'several'}
	<Several
		label={setting.name}
		choices={asked.choices as readonly (readonly [string, string])[]}
		value={(value ?? []) as readonly string[]}
		{onchange}
	/>
{:else if asked.kind === 'temperature' || asked.kind === 'difference'}
	<Degrees
		label={setting.name}
		{unit}
		difference={asked.kind === 'difference'}
		value={value as number | null}
		{onchange}
	/>
{:else if asked.kind === 'figure'}
	<Figure label={setting.name} unit={asked.unit} value={value as number | null} {onchange} />
{:else if asked.kind === 'date'}
	<Day label={setting.name} value={value as string | null} {onchange} />
{:else}
	<Words
		label={setting.name}
		most={20}
		value={(value ?? '') as string}
		onchange={(text) => onchange(text === '' ? null : text)}
	/>
{/if}
