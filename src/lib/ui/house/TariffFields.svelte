<script lang="ts">
	import { HALF_HOURS, tariffSchema, type Tariff } from '$core/plan';
	import { wrongWords } from '$core/schema';
	import { clockTime } from '$core/week';
	import Choice from '../kit/Choice.svelte';
	import Field from '../kit/Field.svelte';
	import NumberField from '../kit/NumberField.svelte';
	import TimeField from '../kit/TimeField.svelte';

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

	/** Where a kind of tariff begins before its figures are said: nothing that passes for a price. */
	const begins: Readonly<Record<Tariff['kind'], Tariff>> = {
		flat: { kind: 'flat', perKWh: 0 },
		'day-night': { kind: 'day-night', dayPerKWh: 0, nightPerKWh: 0, nightFrom: 1320, nightTo: 360 },
		'half-hours': { kind: 'half-hours', perKWh: Array.from({ length: HALF_HOURS }, () => 0) }
	};
	const unit = $derived(`${currency} per kWh`);
	let problem = $state<string | null>(null);

	const minuteOf = (at: string) => Number(at.slice(0, 2)) * 60 + Number(at.slice(3));
	function night(part: { nightFrom?: number; nightTo?: number }) {
		const read = tariffSchema.safeParse({ ...tariff, ...part });
		problem = read.success ? null : `The end of the night ${wrongWords(read.error)}.`;
		if (read.success) onchange(read.data);
	}

	/** Prices from a spreadsheet: a number each, apart by tabs, semicolons, spaces or lines; a comma in a number is its decimal sign. */
	function readPrices(text: string) {
		const perKWh = text
			.split(/[\s;]+/)
			.filter(Boolean)
			.map((one) => Number(one.replace(',', '.')));
		const read = tariffSchema.safeParse({ kind: 'half-hours', perKWh });
		problem = read.success ? null : `The prices ${wrongWords(read.error)}.`;
		if (read.success) onchange(read.data);
	}
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
	onchange={(kind) => onchange(kind === '' ? null : begins[kind as Tariff['kind']])}
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
	<NumberField
		label="By day"
		{unit}
		value={tariff.dayPerKWh}
		least={0}
		most={1000}
		onchange={(dayPerKWh) => onchange({ ...tariff, dayPerKWh: dayPerKWh! })}
	/>
	<NumberField
		label="By night"
		{unit}
		value={tariff.nightPerKWh}
		least={0}
		most={1000}
		onchange={(nightPerKWh) => onchange({ ...tariff, nightPerKWh: nightPerKWh! })}
	/>
	<TimeField
		label="Night from"
		value={clockTime(tariff.nightFrom)}
		onchange={(at) => night({ nightFrom: minuteOf(at) })}
	/>
	<TimeField
		label="Night until"
		value={clockTime(tariff.nightTo)}
		onchange={(at) => night({ nightTo: minuteOf(at) })}
	/>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
{:else if tariff?.kind === 'half-hours'}
	<Field
		label="{label}: 48 prices from midnight, {unit}"
		value={tariff.perKWh.join(' ')}
		{problem}
		onchange={readPrices}
	/>
{/if}
