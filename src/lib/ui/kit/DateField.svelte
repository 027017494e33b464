<script lang="ts">
	import { DatePicker, DatePickerInput } from 'carbon-components-svelte';
	import { dateShape, readDate, writeDate } from './entry';
	import { manner } from './manner';

	let {
		label,
		value,
		hideLabel = false,
		required = false,
		onchange
	}: {
		label: string;
		/** YYYY-MM-DD; null for none. */
		value: string | null;
		hideLabel?: boolean;
		/** Whether none is no answer. */
		required?: boolean;
		onchange: (value: string | null) => void;
	} = $props();

	const order = manner().dates;
	const FORMATS = { dmy: 'd.m.Y', mdy: 'm/d/Y', ymd: 'Y-m-d' };
	let problem = $state<string | null>(null);
	const shown = $derived(writeDate(value, order));

	function take(text: string) {
		if (text.trim() === '') {
			// the calendar empties what it cannot read: the sentence stays until a date is written
			if (problem !== null) return;
			if (required) problem = 'A date is needed here.';
			else if (value !== null) onchange(null);
			return;
		}
		const read = readDate(text, order);
		problem = read.ok ? null : read.sentence;
		if (read.ok && read.value !== value) onchange(read.value);
	}

	function parse(text: string): Date {
		const read = readDate(text, order);
		return new Date(read.ok ? `${read.value}T00:00:00` : NaN);
	}
</script>

<DatePicker
	datePickerType="single"
	dateFormat={FORMATS[order]}
	locale={{ firstDayOfWeek: 1 } as never}
	value={shown}
	flatpickrProps={{ static: true, parseDate: parse, errorHandler: () => {}, disableMobile: true }}
	on:change={({ detail }) => take(typeof detail === 'object' ? String(detail.dateStr) : String(detail))}
>
	<DatePickerInput
		labelText={label}
		{hideLabel}
		pattern=".*"
		placeholder={dateShape(order)}
		iconDescription="Calendar"
		autocomplete="off"
		invalid={problem !== null}
		invalidText={problem ?? ''}
	/>
</DatePicker>
