<script lang="ts">
	import type { Tariff } from '$core/plan';
	import { clockTime } from '$core/week';
	import Choice from '../kit/Choice.svelte';
	import Field from '../kit/Field.svelte';
	import NumberField from '../kit/NumberField.svelte';
	import TimeField from '../kit/TimeField.svelte';
	import { BEGINS, readPrices, withNight, type ReadTariff } from './tariffs';

	let {
		label,
		tariff,
		currency,
		onchange
	}: {
		/** What is paid for: "Gas", "Electricity". */
		label: string;
		tariff: Tariff | null;
		currency: string;
		onchange: (tariff: Tariff | null) => void;
	} = $props();

	const unit = $derived(`${currency} per kWh`);
	let problem = $state<string | null>(null);

	function take(read: ReadTariff) {
		problem = read.ok ? null : read.problem;
		if (read.ok) onchange(read.tariff);
	}
	const PRICES = [
		['By day', 'dayPerKWh'],
		['By night', 'nightPerKWh']
	] as const;
	const ENDS = [
		['Night from', 'nightFrom'],
		['Night until', 'nightTo']
	] as const;
</script>

<Choice
	label="{label}: tariff"
	value={tariff?.kind ?? ''}
	options={[
		{ value: '', text: 'not said' },
		{ value: 'flat', text: 'one price' },
		{ value: 'day-night', text: 'day and night' },
		{ value: 'half-hours', text: 'by half-hours' }
	]}
	onchange={(kind) => onchange(kind === '' ? null : BEGINS[kind as Tariff['kind']])}
/>
{#if tariff?.kind === 'flat'}
	<NumberField
		label="{label}: price"
		{unit}
		value={tariff.perKWh}
		least={0}
		most={1000}
		onchange={(perKWh) => onchange({ kind: 'flat', perKWh: perKWh! })}
	/>
{:else if tariff?.kind === 'day-night'}
	{#each PRICES as [name, key] (key)}
		<NumberField
			label={name}
			{unit}
			value={tariff[key]}
			least={0}
			most={1000}
			onchange={(price) => onchange({ ...tariff, [key]: price! })}
		/>
	{/each}
	{#each ENDS as [name, key] (key)}
		<TimeField
			label={name}
			value={clockTime(tariff[key])}
			onchange={(at) => take(withNight(tariff, key, at))}
		/>
	{/each}
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
{:else if tariff?.kind === 'half-hours'}
	<Field
		label="{label}: 48 prices from midnight, {unit}"
		value={tariff.perKWh.join(' ')}
		{problem}
		onchange={(text) => take(readPrices(text))}
	/>
{/if}
