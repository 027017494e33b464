<script lang="ts">
	import NumberField from '../kit/NumberField.svelte';

	let {
		label,
		unit,
		value,
		onchange
	}: {
		label: string;
		unit: string;
		value: number | null;
		onchange: (value: number | null) => void;
	} = $props();
</script>

<div class="figure"><NumberField {label} {unit} empty {value} {onchange} /></div>

<style>
	.figure {
		max-width: 20rem;
		margin-top: 0.9rem;
	}
	.figure :global(.bx--label) {
		color: var(--ink);
		font-size: 1rem;
		font-weight: 700;
	}
	.figure :global(.bx--text-input) {
		height: 48px;
		font-size: 1.15rem;
	}
</style>
