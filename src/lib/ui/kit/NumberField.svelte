<script lang="ts">
	import Field from './Field.svelte';
	import { readDecimal } from './entry';

	let {
		label,
		unit = '',
		value,
		least,
		most,
		whole = false,
		empty = false,
		hideLabel = false,
		onchange
	}: {
		label: string;
		/** Shown with the label: every number has one, but for a count. */
		unit?: string;
		value: number | null;
		/** In the unit. */
		least?: number;
		most?: number;
		whole?: boolean;
		/** Whether nothing is an answer too. */
		empty?: boolean;
		hideLabel?: boolean;
		onchange: (value: number | null) => void;
	} = $props();

	let text = $derived(value === null ? '' : String(value));
	let problem = $state<string | null>(null);

	function take(written: string) {
		const read = readDecimal(written, { least, most, whole, empty, unit });
		problem = read.ok ? null : read.sentence;
		if (read.ok) onchange(read.value);
	}
</script>

<Field
	label={unit === '' ? label : `${label}, ${unit}`}
	{hideLabel}
	inputmode="decimal"
	autocomplete="off"
	bind:value={text}
	{problem}
	onchange={take}
/>
