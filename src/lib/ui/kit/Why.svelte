<script lang="ts">
	import { Toggletip } from 'carbon-components-svelte';
	import type { Snippet } from 'svelte';

	let {
		of,
		children
	}: {
		/** What is explained here: "Why 8 h", "What is a setback". */
		of: string;
		children: Snippet;
	} = $props();
</script>

<Toggletip iconDescription={of} labelText="">{@render children()}</Toggletip>
