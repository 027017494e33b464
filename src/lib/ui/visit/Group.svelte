<script lang="ts">
	import type { Snippet } from 'svelte';

	let { label, children }: { label: string; children: Snippet } = $props();
</script>

<fieldset>
	<legend>{label}</legend>
	{@render children()}
</fieldset>

<style>
	fieldset {
		margin: 0.9rem 0 0;
		padding: 0;
		border: 0;
	}
	legend {
		padding: 0;
		margin-bottom: 0.3rem;
		font-weight: 700;
	}
</style>
