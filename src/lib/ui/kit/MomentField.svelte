<script lang="ts">
	import DateField from './DateField.svelte';
	import TimeField from './TimeField.svelte';

	let {
		label,
		value,
		onchange
	}: {
		label: string;
		/** A wall time, YYYY-MM-DDTHH:MM. */
		value: string;
		onchange: (value: string) => void;
	} = $props();
</script>

<div class="moment" role="group" aria-label={label}>
	<DateField
		label="{label}, date"
		required
		value={value.slice(0, 10)}
		onchange={(date) => date !== null && onchange(`${date}T${value.slice(11, 16) || '00:00'}`)}
	/>
	<TimeField
		label="time"
		value={value.slice(11, 16)}
		onchange={(time) => onchange(`${value.slice(0, 10)}T${time}`)}
	/>
</div>

<style>
	.moment {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: start;
	}
	.moment :global(.bx--date-picker__input) {
		width: 9.5rem;
	}
	.moment :global(.bx--time-picker__input-field) {
		width: 7rem;
	}
</style>
