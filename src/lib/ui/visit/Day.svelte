<script lang="ts">
	import DateField from '../kit/DateField.svelte';

	let {
		label,
		value,
		onchange
	}: { label: string; value: string | null; onchange: (value: string | null) => void } = $props();
</script>

<div class="day"><DateField {label} {value} {onchange} /></div>

<style>
	.day {
		margin-top: 0.9rem;
	}
	.day :global(.bx--label) {
		color: var(--ink);
		font-size: 1rem;
		font-weight: 700;
	}
	.day :global(.bx--date-picker__input) {
		height: 48px;
	}
</style>
