<script lang="ts">
	import Field from '../kit/Field.svelte';

	let {
		label,
		value,
		most = 400,
		onchange
	}: {
		label: string;
		value: string;
		most?: number;
		onchange: (value: string) => void;
	} = $props();
</script>

<div class="words"><Field {label} {value} maxlength={most} {onchange} /></div>

<style>
	.words {
		margin-top: 0.9rem;
	}
	.words :global(.bx--label) {
		color: var(--ink);
		font-size: 1rem;
		font-weight: 700;
	}
	.words :global(.bx--text-input) {
		height: 48px;
	}
</style>
