<script lang="ts">
	import type { AwayKeys } from '$core/keying';
	import type { Panel } from '$core/control';
	import { keysSaid, strokesSaid } from '$core/words';

	/** What is pressed for an absence, value by value, on a control of which nothing is known but its keys. */
	let { keys, panel }: { keys: AwayKeys; panel: Panel } = $props();
</script>

<ol>
	{#each keys.values as value (value.field)}
		<li>{keysSaid(panel, value.keys, value.keys.way, `${value.shows}${value.unit && ` ${value.unit}`}`)}.</li>
	{/each}
	{#if keys.leave.length > 0}<li>{strokesSaid(panel, keys.leave)}.</li>{/if}
</ol>

<style>
	ol {
		margin: 0;
		padding-left: 1.2rem;
		list-style: decimal;
	}
</style>
